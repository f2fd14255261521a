<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Grid\Grid;
use Foehn\Physics\Flow\FlowField;
use Foehn\Shapes\PinFins;
use Foehn\Shapes\PlateFins;

/**
 * How much of the air goes through the gaps of a heat sink. In the plane through the middle of its box, across plate fins along which it
 * runs or, between pins, across the axis along which the most passes through the box, what passes the box is counted, and all that goes the same way through that plane. The air before it is
 * what enters the box through the side that the stream meets first, mixed.
 */
final class FinBypass
{
    /**
     * @return list<array{part: string, name: string, axis: int, through: float, beside: float, before: ?float}> m3/s through the box of the
     *         heat sink and past it, both in the direction of the former; K of the air before it, null where none enters or no heat is
     *         computed. A heat sink that nothing passes has 0 through
     */
    public static function of(State $state): array
    {
        $found = [];
        foreach ($state->model->parts as $part) {
            if ($state->flow !== null && ($part->shape instanceof PlateFins || $part->shape instanceof PinFins)) {
                $found[] = ['part' => $part->id, 'name' => $part->name, ...self::past($state, $state->flow, $part->shape->bounds(), $part->shape instanceof PlateFins ? [$part->shape->along] : [0, 1, 2])];
            }
        }

        return $found;
    }

    /**
     * @param non-empty-list<int> $axes along which it may go
     * @return array{axis: int, through: float, beside: float, before: ?float}
     */
    private static function past(State $state, FlowField $flow, Box $box, array $axes): array
    {
        $best = ['axis' => $axes[0], 'through' => 0.0, 'beside' => 0.0, 'before' => null];
        foreach ($axes as $axis) {
            [$in, $forwards, $backwards] = self::plane($flow, $box, $axis);
            if (abs($in) > $best['through']) {
                $best = ['axis' => $axis, 'through' => abs($in), 'beside' => max(0.0, ($in > 0.0 ? $forwards : $backwards) - abs($in)), 'before' => self::before($state, $flow, $box, $axis, $in > 0.0)];
            }
        }

        return $best;
    }

    /** K, by volume flow, of what enters the box from below or from above along an axis. */
    private static function before(State $state, FlowField $flow, Box $box, int $axis, bool $fromBelow): ?float
    {
        $layout = $flow->domain->layout;
        $grid = $layout->grid;
        $outside = ($fromBelow ? $grid->range($axis, $box->min[$axis], INF)[0] - 1 : $grid->range($axis, $box->max[$axis], INF)[0]);
        if (! $state->model->physics->heat || $outside < 0 || $outside >= $grid->cells[$axis]) {
            return null;
        }
        $areas = $layout->faceAreas($axis);
        [$sum, $all] = [0.0, 0.0];
        foreach (self::cells($grid, $box, $axis, $outside) as $place) {
            $face = $layout->index($place[0] + 1, $place[1] + 1, $place[2] + 1) - ($fromBelow ? 0 : $layout->stride[$axis]);
            $passes = max(0.0, ($fromBelow ? 1.0 : -1.0) * $flow->velocity[$axis][$face]) * $areas[$face];
            $cell = $place[0] + $grid->cells[0] * ($place[1] + $grid->cells[1] * $place[2]);
            $sum += $passes * $state->temperature[$cell];
            $all += $passes;
        }

        return $all > 0.0 ? $sum / $all : null;
    }

    /** @return list<array{int, int, int}> cells of a plane across an axis whose middles lie in a box */
    private static function cells(Grid $grid, Box $box, int $axis, int $plane): array
    {
        [$a, $b] = Axes::across($axis);
        $cells = [];
        [$fromA, $toA] = $grid->range($a, $box->min[$a], $box->max[$a]);
        [$fromB, $toB] = $grid->range($b, $box->min[$b], $box->max[$b]);
        for ($jb = $fromB; $jb < $toB; $jb++) {
            for ($ja = $fromA; $ja < $toA; $ja++) {
                $at = [$axis => $plane, $a => $ja, $b => $jb];
                $cells[] = [$at[0], $at[1], $at[2]];
            }
        }

        return $cells;
    }

    /** @return array{float, float, float} m3/s towards rising coordinates through the box, and both ways through the whole plane */
    private static function plane(FlowField $flow, Box $box, int $axis): array
    {
        $layout = $flow->domain->layout;
        $grid = $layout->grid;
        $areas = $layout->faceAreas($axis);
        $at = $grid->locate($axis, 0.5 * ($box->min[$axis] + $box->max[$axis]));
        $through = function (array $place) use ($flow, $layout, $axis, $areas): float {
            /** @var array{int, int, int} $place */
            $face = $layout->index($place[0] + 1, $place[1] + 1, $place[2] + 1);

            return $flow->velocity[$axis][$face] * $areas[$face];
        };
        $all = array_map($through, self::cells($grid, new Box([-INF, -INF, -INF], [INF, INF, INF]), $axis, $at));
        $in = array_sum(array_map($through, self::cells($grid, $box, $axis, $at)));
        $forwards = array_sum(array_map(fn (float $passes): float => max(0.0, $passes), $all));
        $backwards = $forwards - array_sum($all);

        return [$in, $forwards, $backwards];
    }
}
