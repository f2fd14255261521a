<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;

use Foehn\Grid\Voxels;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Model\Space;

/**
 * Heat into boundary layers that are younger and thinner than the cells beside a wall. The wall law takes a layer to fill the cell;
 * along a short body it does not, and there at least the mean of a laminar layer from its leading edge on passes:
 * Nu = 0.664 Re^(1/2) Pr^(1/3) over the length of the body along the flow (Pohlhausen, ZAMM 1 (1921) 115). In thin cells, where
 * the fluid is slow, that is less than what the wall law gives, and does not count.
 */
final class DevelopingLayers
{
    private const LAMINAR_PLATE = 0.664;

    /** @var list<array{int, int, 0|1|2, float, float, float}> cell of the grid and in the layout of the flow, axis across the wall, distance to it, lengths of the wall along the two others, m */
    private array $walls = [];

    public function __construct(Model $model, private readonly FlowDomain $domain, private readonly Fluid $fluid, Voxels $voxels)
    {
        $layout = $domain->layout;
        $cells = $layout->grid->cells;
        $boxes = array_map(fn ($part) => $part->shape->bounds(), $model->parts);
        for ($n = 0, $count = $layout->grid->count(); $n < $count; $n++) {
            $place = [$n % $cells[0], intdiv($n, $cells[0]) % $cells[1], intdiv($n, $cells[0] * $cells[1])];
            $c = $layout->index($place[0] + 1, $place[1] + 1, $place[2] + 1);
            if ($domain->fluid[$c] !== 1) {
                continue;
            }
            foreach ([1, $cells[0], $cells[0] * $cells[1]] as $axis => $stride) {
                foreach ([-1, 1] as $sign) {
                    $next = $c + $sign * $layout->stride[$axis];
                    if ($domain->fluid[$next] === 1 || $domain->noSlip[$next] <= 0.0) {
                        continue;
                    }
                    $beyond = $place[$axis] + $sign;
                    $owner = $beyond >= 0 && $beyond < $cells[$axis] ? $voxels->owner[$n + $sign * $stride] : Voxels::NONE;
                    [$a, $b] = Axes::across($axis);
                    $lengths = $owner >= 0 ? [$boxes[$owner]->size($a), $boxes[$owner]->size($b)] : self::ofSide($model->space, 2 * $axis + ($sign > 0 ? 1 : 0), $layout->grid->centre($n));
                    $this->walls[] = [$n, $c, $axis, 0.5 * $layout->width[$axis][$place[$axis] + 1], ...$lengths];
                }
            }
        }
    }

    /**
     * Lengths of a side of the space, or of the patch of it at a place, m.
     *
     * @param array{float, float, float} $place
     * @return array{float, float}
     */
    private static function ofSide(Space $space, int $side, array $place): array
    {
        [$a, $b] = Axes::across($side >> 1);
        $given = $space->sides[Space::SIDES[$side]];
        $patch = $given->patchAt($place[$a], $place[$b]);

        return $patch === null ? [$space->box->size($a), $space->box->size($b)]
            : [$given->patches[$patch]->max[0] - $given->patches[$patch]->min[0], $given->patches[$patch]->max[1] - $given->patches[$patch]->min[1]];
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @param array<int, float> $wallConductivity W/m/K per cell of the grid, as the wall law has it
     * @return array<0|1|2, array<int, float>> W/m2/K between cells of the grid and walls, by axis across them, where it is more than by the wall law
     */
    public function films(array $velocity, MolecularProperties $molecular, array $wallConductivity): array
    {
        $layout = $this->domain->layout;
        $films = [];
        foreach ($this->walls as [$n, $c, $axis, $distance, $la, $lb]) {
            [$a, $b] = Axes::across($axis);
            $va = 0.5 * ($velocity[$a][$c] + $velocity[$a][$c - $layout->stride[$a]]);
            $vb = 0.5 * ($velocity[$b][$c] + $velocity[$b][$c - $layout->stride[$b]]);
            $speed = sqrt($va * $va + $vb * $vb);
            // Across the corner of a wall the way lies between its two lengths.
            $length = $speed > 0.0 ? ($va * $va * $la + $vb * $vb * $lb) / ($speed * $speed) : $la;
            $viscosity = $molecular->viscosity[$c];
            $conductivity = $molecular->conductivity[$c];
            $film = self::LAMINAR_PLATE * sqrt($molecular->density[$c] * $speed / ($viscosity * $length)) * ($viscosity * $this->fluid->specificHeat / $conductivity) ** (1 / 3) * $conductivity;
            if ($film > $wallConductivity[$n] / $distance && $film > ($films[$axis][$n] ?? 0.0)) {
                $films[$axis][$n] = $film;
            }
        }

        return $films;
    }
}
