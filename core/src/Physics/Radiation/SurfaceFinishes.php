<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\OuterSpace;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Space;

/** What is known of the surface at every element for radiation. The walls of a space have what is stated of its sides. */
final readonly class SurfaceFinishes
{
    /** A face whose steps have more than this many times its area is slanted or round. */
    private const STEPPED = 1.001;

    /** The steps of a face are counted where they have their area within this share; else part of it is covered or cut off. */
    private const COUNTED = 0.15;

    /** @var array<int, float> 0 where none is known or nothing radiates; of the true surface */
    public array $emissivity;

    /** @var array<int, float> of sunlight, 0 where none is known */
    public array $absorptivity;

    /** @var array<int, float> how many times the true area the face of the grid has, for the steps of a slanted surface */
    public array $steps;

    /** @var array<int, int> index of the part whose slanted or round surface the element is a step of, SurfaceElements::NONE where it is flat: the part itself, or one that was carved out of it */
    public array $stepOf;

    public function __construct(private Model $model, private SurfaceElements $elements, private Voxels $voxels)
    {
        $known = $emissivity = $absorptivity = $shapes = $areas = [];
        $carved = array_filter($model->parts, fn (Part $part): bool => $part->material === Part::FLUID);
        foreach ($elements->part as $e => $part) {
            if ($part < 0) {
                $cover = $elements->side[$e] < 0 ? null : $model->space->sides[Space::SIDES[$elements->side[$e]]]->coverOf($elements->patch[$e]);
                [$emissivity[$e], $absorptivity[$e]] = [$cover->emissivity ?? 0.0, $cover->absorptivity ?? 0.0];

                continue;
            }
            $own = $model->parts[$part];
            $face = $this->face($own, $e, $elements->direction[$e]);
            [$emissivity[$e], $absorptivity[$e]] = $known["$part $face"] ??= [$model->emissivity($own, $face) ?? 0.0, $model->absorptivity($own, $face) ?? 0.0];
            $shapes[$e] = $this->carvedAt($carved, $part, $e) ?? [$part, $face];
            $name = implode(' ', $shapes[$e]);
            $areas[$name] = ($areas[$name] ?? 0.0) + $elements->area[$e];
        }
        [$this->emissivity, $this->absorptivity] = [$emissivity, $absorptivity];
        $steps = array_fill_keys(array_keys($elements->part), 1.0);
        $stepOf = array_fill_keys(array_keys($elements->part), SurfaceElements::NONE);
        $times = [];
        foreach ($shapes as $e => [$part, $face]) {
            $steps[$e] = $times["$part $face"] ??= self::times($model->parts[$part], $face, $areas["$part $face"]);
            $stepOf[$e] = $steps[$e] > self::STEPPED ? $part : SurfaceElements::NONE;
        }
        [$this->steps, $this->stepOf] = [$steps, $stepOf];
    }

    private function face(Part $part, int $e, int $direction): string
    {
        return $part->face($direction, fn () => $this->voxels->grid->faceCentre($this->elements->cell[$e], $this->elements->direction[$e]));
    }

    /**
     * What was carved out of a part where an element of it faces nothing: its surface is that of the part there.
     *
     * @param array<int, Part> $carved by index
     * @return ?array{int, string} index and face
     */
    private function carvedAt(array $carved, int $part, int $e): ?array
    {
        [$cell, $direction] = [$this->elements->cell[$e], $this->elements->direction[$e]];
        $beyond = $carved === [] ? -1 : OuterSpace::beyond($this->voxels->grid, $cell, $direction);
        if ($beyond < 0 || $this->voxels->owner[$beyond] >= 0) {
            return null;
        }
        $centre = $this->voxels->grid->centre($beyond);
        foreach (array_reverse($carved, true) as $index => $hole) {
            if ($index > $part && $hole->shape->contains(...$centre)) {
                return [$index, $this->face($hole, $e, $direction ^ 1)];
            }
        }

        return null;
    }

    /** @param float $area of all steps of the face, m2 */
    private static function times(Part $part, string $face, float $area): float
    {
        $expected = $part->stepsOf($face);
        $true = $part->shape->surface($face)->area();
        $counted = $true > 0.0 ? $area / $true : $expected;

        return $expected > self::STEPPED && abs($counted / $expected - 1.0) < self::COUNTED ? $counted : $expected;
    }
}
