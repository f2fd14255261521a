<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\OuterSpace;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Part;

/**
 * The surface elements that radiate to the surroundings, and how strongly: those of parts that face what lies outside (see OuterSpace),
 * and those at sides of the space with a convection coefficient. Faces in contact, enclosed, held, insulated or heated from outside do
 * not, nor does a part whose emissivity is not known.
 */
final readonly class Emitters
{
    /** @var array<int, float> emissivity by element, over the steps that a slanted surface has on the grid */
    public array $emissivity;

    public function __construct(Model $model, SurfaceElements $elements, Voxels $voxels)
    {
        $grid = $voxels->grid;
        $outer = OuterSpace::of($model, $voxels);
        $own = array_map(fn (Part $part): float => $model->emissivity($part) ?? 0.0, $model->parts);
        $steps = $found = [];
        foreach ($elements->part as $e => $part) {
            if ($part < 0 || $own[$part] <= 0.0 || $elements->otherPart[$e] >= 0) {
                continue;
            }
            $kind = $elements->condition[$e]->kind;
            $exposed = $elements->side[$e] >= 0
                ? $kind === 'film'
                : ! in_array($kind, ['temperature', 'flux', 'power'], true) && isset($outer[OuterSpace::beyond($grid, $elements->cell[$e], $elements->direction[$e])]);
            if ($exposed) {
                $face = $model->parts[$part]->face($elements->direction[$e], fn () => $grid->faceCentre($elements->cell[$e], $elements->direction[$e]));
                $found[$e] = $own[$part] / ($steps["$part $face"] ??= $model->parts[$part]->stepsOf($face));
            }
        }
        $this->emissivity = $found;
    }
}
