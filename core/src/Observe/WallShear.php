<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Geometry\Axes;
use Foehn\Model\Space;
use Foehn\Model\Target;

/**
 * Shear that the fluid exerts on walls, Pa: the friction of the cell beside the wall as the momentum equations have it, so that it
 * balances pressure and forces; with eddies by the wall law.
 */
final readonly class WallShear
{
    public function __construct(private State $state)
    {
    }

    /**
     * @param int $part of the target, -1 for none
     * @return array{min: float, mean: float, max: float}|null Pa, the mean by area; null where no fluid sticks to the target
     */
    public function on(Target $target, int $part): ?array
    {
        $elements = $this->state->system->surfaces->elements;
        $side = $target->side === null ? -1 : (int) array_search($target->side, Space::SIDES, true);
        [$area, $sum, $min, $max] = [0.0, 0.0, INF, -INF];
        for ($e = 0, $count = $elements->count(); $e < $count; $e++) {
            $direction = $elements->direction[$e];
            if ($side >= 0) {
                $isMeant = $elements->side[$e] === $side && ($target->patch === null || $elements->patch[$e] === $target->patch) && $elements->part[$e] < 0;
                [$cell, $towards] = [$elements->cell[$e], $direction];
            } else {
                $isMeant = $elements->part[$e] === $part && $elements->other[$e] >= 0
                    && $this->state->model->parts[$part]->face($direction, fn () => $this->state->grid->faceCentre($elements->cell[$e], $direction)) === $target->face;
                [$cell, $towards] = [$elements->other[$e], $direction ^ 1];
            }
            $shear = $isMeant ? $this->beside($cell, $towards) : null;
            if ($shear !== null) {
                $area += $elements->area[$e];
                $sum += $elements->area[$e] * $shear;
                [$min, $max] = [min($min, $shear), max($max, $shear)];
            }
        }

        return $area <= 0.0 ? null : ['min' => $min, 'mean' => $sum / $area, 'max' => $max];
    }

    /** Of a fluid cell on the wall in a direction, Pa; null where the cell is none of fluid or slips along the wall. */
    private function beside(int $cell, int $direction): ?float
    {
        $flow = $this->state->flow;
        if ($flow === null || $flow->wallViscosity === []) {
            return null;
        }
        $layout = $flow->domain->layout;
        $grid = $layout->grid;
        $c = $layout->index($grid->position($cell, 0) + 1, $grid->position($cell, 1) + 1, $grid->position($cell, 2) + 1);
        $axis = $direction >> 1;
        $wall = $c + ($direction % 2 === 1 ? 1 : -1) * $layout->stride[$axis];
        if ($flow->domain->fluid[$c] === 0 || $flow->domain->fluid[$wall] === 1 || $flow->domain->noSlip[$wall] === 0.0) {
            return null;
        }
        $square = 0.0;
        foreach (Axes::across($axis) as $along) {
            $square += (0.5 * ($flow->velocity[$along][$c] + $flow->velocity[$along][$c - $layout->stride[$along]]) - $flow->domain->velocity[$along][$wall]) ** 2;
        }

        return $flow->wallViscosity[$c] * sqrt($square) / (0.5 * $grid->widths[$axis][$grid->position($cell, $axis)]);
    }
}
