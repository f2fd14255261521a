<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;

/** The grids a model is computed on one after the other, from coarse to the one asked for, and the model as each of them has it. */
final class GridLevels
{
    /** A coarser grid is worth it only when it has at most this share of the cells of the next. */
    private const WORTH = 0.7;

    /** The same of a flow in space where no lines are given: grids that are hardly different tell nothing of what finer ones would change, and claimed 35 K of 50. */
    private const WORTH_IN_SPACE = 0.6;

    /** Given grids are halved as long as more cells than this are left, and this often. */
    private const FEWEST = 1500;

    /** The same where all three axes are halved: from a flow that so few cells cannot show the next grid has to find back (a sealed box took 105 steps from 3500 cells, 60 from rest). */
    private const FEWEST_IN_SPACE = 5000;

    /** An axis of fewer cells is left as it is. */
    private const DIVIDED = 8;

    private const MOST = 3;

    /** Fins nearer to each other than this part of the longest side of the space are lumped where they are. */
    private const LUMPED = 24;

    /** The grids before that of a grade: the same rule with cells so many times as wide. */
    private const WIDER = [1.6, 2.56];

    /**
     * Where something changes along two axes only, there is one more before these if the first has more cells than this: a roll that
     * has to grow out of a layer at rest, little above where it can, was found on 800 cells in 25 steps and on 2000 not in 800.
     */
    private const FIRST_IN_PLANE = 1000;

    private const WIDEST = 4.096;

    /**
     * @return non-empty-list<array{Model, Grid}>
     * @throws GridException
     */
    public static function of(Model $model): array
    {
        if ($model->grid->isGiven()) {
            $levels = [[$model, GridBuilder::build($model)]];
            while (count($levels) < self::MOST) {
                $coarse = self::halved($levels[0][1]);
                if ($coarse->count() < self::fewest($levels[0][1]) || $coarse->count() > self::WORTH * $levels[0][1]->count()) {
                    break;
                }
                array_unshift($levels, [$model, $coarse]);
            }

            return $levels;
        }
        if ($model->physics->hasFlow() && Grade::of($model)->lumps) {
            $box = $model->space->box;
            $model = $model->withLumpedFins(max($box->size(0), $box->size(1), $box->size(2)) / self::LUMPED);
        }
        $grids = GridBuilder::sequence($model, [...self::WIDER, self::WIDEST]);
        $first = array_pop($grids);
        if (min($grids[0]->cells) === 1 && $grids[count($grids) - 1]->count() > self::FIRST_IN_PLANE) {
            $grids[] = $first;
        }
        $levels = [[$model, $grids[0]]];
        foreach (array_slice($grids, 1) as $coarse) {
            if ($coarse->count() <= ($model->physics->hasFlow() && min($coarse->cells) > 1 ? self::WORTH_IN_SPACE : self::WORTH) * $levels[0][1]->count()) {
                array_unshift($levels, [$model, $coarse]);
            }
        }

        return $levels;
    }

    private static function fewest(Grid $halved): int
    {
        return min($halved->cells) < self::DIVIDED ? self::FEWEST : self::FEWEST_IN_SPACE;
    }

    /** Every second line left out where there are many. */
    private static function halved(Grid $grid): Grid
    {
        $lines = [];
        foreach ($grid->lines as $own) {
            $last = count($own) - 1;
            $lines[] = $last < self::DIVIDED ? $own : array_values(array_filter($own, fn (int $i) => $i === $last || ($i % 2 === 0 && $i < $last - $last % 2), ARRAY_FILTER_USE_KEY));
        }

        return new Grid([$lines[0], $lines[1], $lines[2]]);
    }
}
