<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\Grid;
use Foehn\Grid\SurfaceElements;
use Foehn\Model\Model;
use Foehn\Model\Part;

/**
 * The surface elements that radiate, and how strongly: those of parts that face the fluid, nothing, or what a convection coefficient
 * is stated against. Faces in contact, held, insulated or heated from outside do not, nor does a part whose emissivity is not known.
 */
final readonly class Emitters
{
    /** @var array<int, float> emissivity by element, over the steps that a slanted surface has on the grid */
    public array $emissivity;

    public function __construct(Model $model, SurfaceElements $elements, Grid $grid)
    {
        $own = array_map(fn (Part $part): float => $model->emissivity($part) ?? 0.0, $model->parts);
        $steps = $found = [];
        foreach ($elements->part as $e => $part) {
            if ($part < 0 || $own[$part] <= 0.0 || $elements->otherPart[$e] >= 0) {
                continue;
            }
            $kind = $elements->condition[$e]->kind;
            $exposed = $elements->other[$e] >= 0 || $kind === 'film' || ($kind === 'adiabatic' && $elements->side[$e] < 0);
            if ($exposed) {
                $face = $model->parts[$part]->face($elements->direction[$e], fn () => $grid->faceCentre($elements->cell[$e], $elements->direction[$e]));
                $found[$e] = $own[$part] / ($steps["$part $face"] ??= $model->parts[$part]->stepsOf($face));
            }
        }
        $this->emissivity = $found;
    }
}
