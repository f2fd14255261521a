<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Space;

/** What is known of the surface at every element for radiation. The walls of a space have what is stated of its sides. */
final readonly class SurfaceFinishes
{
    /** A face whose steps have more than this many times its area is slanted or round. */
    private const STEPPED = 1.001;

    /** @var array<int, float> 0 where none is known or nothing radiates; of the true surface */
    public array $emissivity;

    /** @var array<int, float> of sunlight, 0 where none is known */
    public array $absorptivity;

    /** @var array<int, float> how many times the true area the face of the grid has, for the steps of a slanted surface */
    public array $steps;

    public function __construct(Model $model, SurfaceElements $elements, Voxels $voxels)
    {
        $known = $emissivity = $absorptivity = $steps = [];
        foreach ($elements->part as $e => $part) {
            if ($part < 0) {
                $cover = $elements->side[$e] < 0 ? null : $model->space->sides[Space::SIDES[$elements->side[$e]]]->coverOf($elements->patch[$e]);
                [$emissivity[$e], $absorptivity[$e], $steps[$e]] = [$cover->emissivity ?? 0.0, $cover->absorptivity ?? 0.0, 1.0];

                continue;
            }
            $own = $model->parts[$part];
            $face = $own->face($elements->direction[$e], fn () => $voxels->grid->faceCentre($elements->cell[$e], $elements->direction[$e]));
            [$emissivity[$e], $absorptivity[$e], $steps[$e]] = $known["$part $face"] ??= [$model->emissivity($own, $face) ?? 0.0, $model->absorptivity($own, $face) ?? 0.0, $own->stepsOf($face)];
        }
        [$this->emissivity, $this->absorptivity, $this->steps] = [$emissivity, $absorptivity, $steps];
    }

    /** Whether the surface at an element is one of the steps of a slanted or round one. */
    public function isStep(int $e): bool
    {
        return $this->steps[$e] > self::STEPPED;
    }
}
