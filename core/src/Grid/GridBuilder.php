<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Shapes\PlateFins;

/** Makes the grid of a model by its rules, at the grade it asks for, and keeps it within its budget of cells. */
final class GridBuilder
{
    private const MORE_WHEN_EMPTY = 2;

    /** A model of many edges may have so many times the cells of its grade before it is refused. */
    private const EDGES = 4;

    /** Beyond this the wish for cells across features is lowered instead. */
    private const COARSEST_WITH_FEATURES = 1.5;

    /** And beyond this the last of them are given up in a flow, as those across the footprints of components. */
    private const COARSEST = 10.0;

    /** A model for which the rules take fewer than this share of the budget gets finer cells: they cost little there. */
    private const USED = 0.5;

    private const USED_OF_FLOW = 0.125;

    /** Power of that number by the axes along which something changes: a plane is as well resolved with fewer. */
    private const OF_AXES = [0.0, 0.5, 0.8, 1.0];

    /** By which the rules are made finer until then, and how far at most. */
    private const FINER = 1.1;

    private const FINEST = 3.0;

    /** By which all cells are widened until they are few enough. */
    private const STEP = 1.06;

    /** A learned grid has fewer cells than the one by rules, since lines are whole numbers, but at least this share. */
    private const AS_FINE = 0.7;

    /** Lines nearer to each other than this share of the space are one. */
    private const SAME = 1e-6;

    /** @throws GridException */
    public static function build(Model $model): Grid
    {
        return self::sequence($model, [])[0];
    }

    /**
     * The grid that the grade asks for, whatever its number of cells; null where lines or cells are given.
     *
     * @throws GridException
     */
    public static function asked(Model $model): ?Grid
    {
        if ($model->grid->isGiven()) {
            return null;
        }
        $grade = Grade::of($model);

        return self::grid($model, self::axes(new GridRules($model, $grade->fineness, $grade->near), $grade->acrossFeature), 1.0, $grade->growth);
    }

    /** The rules at the fineness of the grade, or finer where they leave most of the budget unused. Correlations that stand for gaps between fins count on few cells across them. */
    private static function rules(Model $model, Grade $grade, int $most): GridRules
    {
        if (array_filter($model->parts, fn (Part $part) => $part->shape instanceof PlateFins) !== []) {
            return new GridRules($model, $grade->fineness, $grade->near);
        }
        $share = $model->physics->hasFlow() ? self::USED_OF_FLOW : self::USED;
        for ($finer = 1.0; ; $finer *= self::FINER) {
            $rules = new GridRules($model, $finer * $grade->fineness, $grade->near);
            $grid = self::grid($model, self::axes($rules, $grade->acrossFeature), 1.0, $grade->growth);
            $axes = count(array_filter($grid->cells, fn (int $cells) => $cells > 1));
            if ($finer > self::FINEST || $grid->count() >= ($share * $most) ** self::OF_AXES[$axes]) {
                return $rules;
            }
        }
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
        $grade = Grade::of($model);
        if ($settings->cells !== null || count($settings->lines) === 3) {
            return [self::grid($model, [], 1.0, $grade->growth)];
        }
        // Cells in which nothing is computed cost next to nothing.
        $most = $settings->maxCells ?? $grade->maxCells * ($model->space->fluid === null ? self::MORE_WHEN_EMPTY : 1);
        $rules = self::rules($model, $grade, $most);
        $coarser = 1.0;
        $across = $grade->acrossFeature;
        $axes = self::axes($rules, $across);
        while (($grid = self::grid($model, $axes, $coarser, $grade->growth))->count() > $most) {
            $coarser *= self::STEP;
            if ($across > 0 && $coarser > ($across > 1 || ! $model->physics->hasFlow() ? self::COARSEST_WITH_FEATURES : self::COARSEST)) {
                $axes = self::axes($rules, --$across);
                $coarser = 1.0;
            } elseif ($coarser > self::COARSEST) {
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

    /**
     * A grid of as many cells as one by rules, put where a solution bends.
     *
     * @param Grid $seen of the solution
     * @param list<array{array<int, float>, array<int, float>, array<int, float>}> $asked density of lines that its fields ask for (see Curvature)
     */
    public static function learned(Model $model, Grid $rules, Grid $seen, array $asked): Grid
    {
        $own = self::ofPlanes($model);
        if ($own->stand()) {
            return $rules;
        }
        // Lumped gaps have one temperature across: cells there show nothing more.
        foreach ($model->parts as $part) {
            if ($part->shape instanceof PlateFins && $part->shape !== $part->shape->real()) {
                foreach (array_keys($asked) as $field) {
                    $asked[$field][$part->shape->across] = array_fill(0, $seen->cells[$part->shape->across], 0.0);
                }
            }
        }

        $byHand = [[], [], []];
        foreach ($model->refined() as [, $box]) {
            foreach ([0, 1, 2] as $axis) {
                $byHand[$axis][] = [$box->min[$axis], $box->max[$axis]];
            }
        }

        return LearnedGrid::of($rules, self::planes($own), Grade::of($model)->growth, $seen, $asked, $byHand);
    }

    /** Whether a grid is one that was learned for this model in place of one by rules: all its planes are lines of it, and it is about as fine. */
    public static function stands(Model $model, Grid $learned, Grid $rules): bool
    {
        if ($model->grid->isGiven() || $learned->count() > $rules->count() || $learned->count() < self::AS_FINE * $rules->count()) {
            return false;
        }
        foreach (self::planes(self::ofPlanes($model)) as $axis => $planes) {
            foreach ($planes as $plane) {
                $lines = $learned->lines[$axis];
                $cell = $learned->locate($axis, $plane);
                if (min(abs($lines[$cell] - $plane), abs($lines[$cell + 1] - $plane)) > self::SAME * $model->space->box->size($axis)) {
                    return false;
                }
            }
        }

        return true;
    }

    /** Rules as far as planes go, which do not depend on how fine the cells are. */
    private static function ofPlanes(Model $model): GridRules
    {
        return new GridRules($model, 1.0, Grade::of($model)->near);
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} that stay lines of every grid of a model, by axis, m */
    private static function planes(GridRules $rules): array
    {
        return [$rules->planes(0), $rules->planes(1), $rules->planes(2)];
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
