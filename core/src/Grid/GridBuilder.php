<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;

/** Makes the grid of a model by its rules, at the grade it asks for, and keeps it within its budget of cells. */
final class GridBuilder
{
    private const MORE_WHEN_EMPTY = 2;

    /** A model of many edges may have so many times the cells of its grade before it is refused. */
    private const EDGES = 4;

    /** Beyond this the wish for cells across features is lowered instead. */
    private const COARSEST_WITH_FEATURES = 1.5;

    /** By which all cells are widened until they are few enough. */
    private const STEP = 1.06;

    /** @throws GridException */
    public static function build(Model $model): Grid
    {
        return self::sequence($model, [])[0];
    }

    /**
     * The grid, and those on the way to it.
     *
     * @param list<float> $wider all cells of each further grid are so many times as wide
     * @return non-empty-list<Grid> in this order, the one asked for first
     * @throws GridException
     */
    public static function sequence(Model $model, array $wider): array
    {
        $settings = $model->grid;
        $grade = Grade::named($settings->grade);
        if ($settings->cells !== null || count($settings->lines) === 3) {
            return [self::grid($model, [], 1.0, $grade->growth)];
        }
        // Cells in which nothing is computed cost next to nothing.
        $most = $settings->maxCells ?? $grade->maxCells($model->physics->hasFlow()) * ($model->space->fluid === null ? self::MORE_WHEN_EMPTY : 1);
        $rules = new GridRules($model, $grade->fineness);
        $coarser = 1.0;
        $across = $grade->acrossFeature;
        $axes = self::axes($rules, $across);
        while (($grid = self::grid($model, $axes, $coarser, $grade->growth))->count() > $most) {
            $coarser *= self::STEP;
            if ($across > 0 && $coarser > self::COARSEST_WITH_FEATURES) {
                $axes = self::axes($rules, --$across);
                $coarser = 1.0;
            } elseif ($coarser > 10.0) {
                if ($settings->maxCells === null && $grid->count() <= self::EDGES * $most) {
                    break;
                }
                throw new GridException(sprintf(
                    'the parts of this model have so many different edges that even the coarsest grid has %d cells, more than the %d allowed; align parts, merge small ones, or allow more cells',
                    $grid->count(), $most,
                ));
            }
        }

        return [$grid, ...array_map(fn (float $by) => self::grid($model, $axes, $by * $coarser, $grade->growth), $wider)];
    }

    /** @param list<AxisRules> $axes */
    private static function grid(Model $model, array $axes, float $coarser, float $growth): Grid
    {
        $settings = $model->grid;
        $lines = [];
        foreach ([0, 1, 2] as $axis) {
            $lines[] = $settings->lines[$axis] ?? ($settings->cells !== null ? self::stretched($model, $axis, $settings->cells[$axis], $settings->stretch[$axis]) : $axes[$axis]->lines($coarser, $growth));
        }

        return new Grid([$lines[0], $lines[1], $lines[2]]);
    }

    /** @return list<AxisRules> */
    private static function axes(GridRules $rules, int $across): array
    {
        return array_map(fn (int $axis) => $rules->along($axis, $across), [0, 1, 2]);
    }

    /**
     * @param float $ratio of neighbouring cells, from both ends towards the middle; 1 for equal ones
     * @return array<int, float>
     */
    private static function stretched(Model $model, int $axis, int $cells, float $ratio): array
    {
        $box = $model->space->box;
        $relative = [];
        for ($i = 0; $i < $cells; $i++) {
            $relative[] = $ratio ** min($i, $cells - 1 - $i);
        }
        $sum = array_sum($relative);
        $lines = [$box->min[$axis]];
        $reached = 0.0;
        foreach ($relative as $width) {
            $reached += $width;
            $lines[] = $box->min[$axis] + $box->size($axis) * $reached / $sum;
        }
        $lines[$cells] = $box->max[$axis];
        foreach ($lines as $i => $line) {
            if ($i > 0 && $line <= $lines[$i - 1]) {
                throw new GridException(sprintf('a stretch of %g over %d cells along %s makes cells without extent; bring it nearer to 1 or ask for fewer cells', $ratio, $cells, 'xyz'[$axis]));
            }
        }

        return $lines;
    }
}
