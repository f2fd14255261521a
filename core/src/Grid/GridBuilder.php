<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;

/** Makes the grid of a model from the key planes of its parts and patches, at the grade the model asks for. */
final class GridBuilder
{
    private const MORE_WHEN_EMPTY = 2;

    /** A model of many edges may have so many times the cells of its grade before it is refused. */
    private const EDGES = 4;

    /** Beyond this the wish for cells across features is lowered instead. */
    private const COARSEST_WITH_FEATURES = 2.5;

    /**
     * @param ?Grade $grade null for the one the model asks for
     * @throws GridException
     */
    public static function build(Model $model, ?Grade $grade = null): Grid
    {
        $settings = $model->grid;
        $grade ??= Grade::named($settings->grade);
        // Cells in which nothing is computed cost next to nothing.
        $most = $settings->maxCells ?? $grade->maxCells($model->physics->hasFlow()) * ($model->space->fluid === null ? self::MORE_WHEN_EMPTY : 1);
        $planes = [self::planes($model, 0), self::planes($model, 1), self::planes($model, 2)];
        $longest = max($model->space->box->size(0), $model->space->box->size(1), $model->space->box->size(2));
        $coarser = 1.0;
        $across = $grade->acrossFeature;
        while (true) {
            $lines = [];
            foreach ($planes as $axis => $axisPlanes) {
                $lines[] = $settings->lines[$axis] ?? (
                    $settings->cells !== null
                        ? self::stretched($model, $axis, $settings->cells[$axis], $settings->stretch[$axis])
                        : LineSpacing::lines($axisPlanes, $coarser * $longest / $grade->acrossSpace, self::fewest($model, $axis, $axisPlanes, $across), 1.0 + ($grade->growth - 1.0) * $coarser)
                );
            }
            $grid = new Grid([$lines[0], $lines[1], $lines[2]]);
            if ($grid->count() <= $most || $settings->cells !== null || count($settings->lines) === 3) {
                return $grid;
            }
            $coarser *= 1.12;
            if ($across > 0 && $coarser > self::COARSEST_WITH_FEATURES) {
                $across--;
                $coarser = 1.0;
            } elseif ($coarser > 10.0) {
                if ($settings->maxCells === null && $grid->count() <= self::EDGES * $most) {
                    return $grid;
                }
                throw new GridException(sprintf(
                    'the parts of this model have so many different edges that even the coarsest grid has %d cells, more than the %d allowed; align parts, merge small ones, or allow more cells',
                    $grid->count(), $most,
                ));
            }
        }
    }

    /** @return non-empty-array<int, float> */
    private static function planes(Model $model, int $axis): array
    {
        $box = $model->space->box;
        $planes = [$box->min[$axis], $box->max[$axis]];
        foreach ($model->parts as $part) {
            array_push($planes, ...$part->shape->planes($axis));
        }
        foreach ($model->space->sides as $name => $side) {
            $position = array_search($axis, array_values(array_diff([0, 1, 2], [(int) strpos('xyz', $name[0])])), true);
            if ($position !== false) {
                foreach ($side->patches as $patch) {
                    array_push($planes, $patch->min[$position], $patch->max[$position]);
                }
            }
        }
        sort($planes);
        $tolerance = 1e-7 * $box->size($axis);
        $merged = [$box->min[$axis]];
        foreach ($planes as $plane) {
            if ($plane > end($merged) + $tolerance && $plane < $box->max[$axis] - $tolerance) {
                $merged[] = $plane;
            }
        }
        $merged[] = $box->max[$axis];

        return $merged;
    }

    /**
     * Fewest cells between neighbouring planes: those of the features that cover the interval, shared out by width.
     *
     * @param non-empty-array<int, float> $planes
     * @return array<int, int>
     */
    private static function fewest(Model $model, int $axis, array $planes, int $across): array
    {
        $fewest = array_fill(0, count($planes) - 1, 1);
        $index = new Grid([$planes, $planes, $planes]);
        foreach ($model->parts as $part) {
            foreach ($part->shape->features() as $feature) {
                if ($feature->axis !== $axis) {
                    continue;
                }
                [$from, $to] = $index->range(0, $feature->from, $feature->to);
                for ($i = $from; $i < $to; $i++) {
                    $fewest[$i] = max($fewest[$i], (int) ceil($feature->cells * $across * $index->widths[0][$i] / $feature->width() - 1e-6));
                }
            }
        }

        return $fewest;
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
