<?php

declare(strict_types=1);

namespace Foehn\Grid;

/**
 * A grid with as many cells as one by rules, put where a solution on a coarser grid bends. Every field that varies asks for a density
 * of lines (see Curvature), with one factor for all axes, so that the cells are shared between them. The lines follow the mean of
 * these and the density of the rules, so that what the coarse grid could not see keeps half of its cells.
 */
final class LearnedGrid
{
    /** Share of the density of lines that stays that of the rules. */
    private const RULES = 0.5;

    /** Where a solution hardly bends, the cells are as wide as where it has so much of the mean density. */
    private const LEAST = 0.2;

    /** Along an axis with fewer cells than this a solution has no bend that could be seen. */
    private const FEWEST = 3;

    /** Passes that smooth the density, each over the next plane on both sides. */
    private const PASSES = 2;

    /** Widest cell as a fraction of the space. */
    private const WIDEST = 8.0;

    /** By which all cells are widened until they are few enough, from a first try with too many. */
    private const STEP = 1.02;

    private const FIRST = 0.9;

    private const LAST = 3.0;

    /** @var array<0|1|2, array<int, float>> cells per metre by axis and plane of cells of the solution, where there is something to learn */
    private array $density = [];

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $planes
     * @param list<array{array<int, float>, array<int, float>, array<int, float>}> $asked
     * @param array{list<array{float, float}>, list<array{float, float}>, list<array{float, float}>} $byHand
     */
    private function __construct(private readonly Grid $rules, private readonly array $planes, private readonly float $growth, private readonly Grid $seen, array $asked, private readonly array $byHand)
    {
        foreach ($asked as $field) {
            $densities = [];
            $times = 1.0;
            foreach ([0, 1, 2] as $axis) {
                if (min($rules->cells[$axis], $seen->cells[$axis]) >= self::FEWEST && array_sum($field[$axis]) > 0.0) {
                    $densities[$axis] = self::atLeast($field[$axis], $seen->widths[$axis]);
                    $times *= self::integral($densities[$axis], $seen->widths[$axis]) / $rules->cells[$axis];
                }
            }
            foreach ($densities as $axis => $density) {
                foreach ($density as $n => $lines) {
                    $this->density[$axis][$n] = ($this->density[$axis][$n] ?? 0.0) + $lines / $times ** (1.0 / count($densities)) / count($asked);
                }
            }
        }
    }

    /**
     * @param Grid $rules the grid by rules
     * @param array{array<int, float>, array<int, float>, array<int, float>} $planes by axis, rising, m: lines that stay
     * @param float $growth greatest ratio of the widths of neighbours
     * @param Grid $seen of the solution
     * @param list<array{array<int, float>, array<int, float>, array<int, float>}> $asked density of lines of each field that varies, by axis and plane of cells of that grid, up to a factor
     * @param array{list<array{float, float}>, list<array{float, float}>, list<array{float, float}>} $byHand stretches by axis, m, in which cells become no wider than by the rules
     */
    public static function of(Grid $rules, array $planes, float $growth, Grid $seen, array $asked, array $byHand = [[], [], []]): Grid
    {
        $learned = new self($rules, $planes, $growth, $seen, $asked, $byHand);
        for ($wider = self::FIRST; $wider < self::LAST && $learned->density !== []; $wider *= self::STEP) {
            $grid = $learned->grid($wider);
            if ($grid->count() <= $rules->count()) {
                return $grid;
            }
        }

        return $rules;
    }

    /**
     * @param array<int, float> $density
     * @param array<int, float> $widths
     * @return array<int, float> nowhere less than a share of the mean
     */
    private static function atLeast(array $density, array $widths): array
    {
        $least = self::LEAST * self::integral($density, $widths) / array_sum($widths);

        return array_map(fn (float $lines): float => max($lines, $least), self::smooth($density));
    }

    /**
     * Second differences of a computed field scatter from plane to plane, and widths that scatter cost accuracy and steps.
     *
     * @param array<int, float> $density
     * @return array<int, float>
     */
    private static function smooth(array $density): array
    {
        $last = count($density) - 1;
        for ($pass = 0; $pass < self::PASSES; $pass++) {
            $before = $density;
            foreach ($before as $n => $lines) {
                $density[$n] = 0.25 * $before[max(0, $n - 1)] + 0.5 * $lines + 0.25 * $before[min($last, $n + 1)];
            }
        }

        return $density;
    }

    /**
     * @param array<int, float> $values
     * @param array<int, float> $widths
     */
    private static function integral(array $values, array $widths): float
    {
        return array_sum(array_map(fn (float $value, float $width): float => $value * $width, $values, $widths));
    }

    private function grid(float $wider): Grid
    {
        $lines = $this->rules->lines;
        foreach (array_keys($this->density) as $axis) {
            [$places, $widths] = $this->widths($axis, $wider);
            $lines[$axis] = self::lines($this->planes[$axis], $places, $widths);
        }

        return new Grid($lines);
    }

    /**
     * Wanted widths between the lines of both grids.
     *
     * @param 0|1|2 $axis
     * @return array{array<int, float>, array<int, float>} places, m, rising, and widths between them, m
     */
    private function widths(int $axis, float $wider): array
    {
        [$rules, $seen] = [$this->rules, $this->seen];
        $places = array_values(array_unique([...$rules->lines[$axis], ...$seen->lines[$axis]]));
        sort($places);
        $most = ($places[count($places) - 1] - $places[0]) / self::WIDEST;
        $widths = $middles = [];
        for ($n = 0; $n + 1 < count($places); $n++) {
            $x = $middles[$n] = 0.5 * ($places[$n] + $places[$n + 1]);
            $ruled = $rules->widths[$axis][$rules->locate($axis, $x)];
            $density = self::RULES / $ruled + (1.0 - self::RULES) * $this->density[$axis][$seen->locate($axis, $x)];
            $given = array_filter($this->byHand[$axis], fn (array $stretch): bool => $x > $stretch[0] && $x < $stretch[1]) !== [];
            $widths[$n] = min($most, $wider / $density, $given ? $ruled : INF);
        }
        $slope = $this->growth - 1.0;
        for ($n = 1; $n < count($widths); $n++) {
            $widths[$n] = min($widths[$n], $widths[$n - 1] + $slope * ($middles[$n] - $middles[$n - 1]));
        }
        for ($n = count($widths) - 2; $n >= 0; $n--) {
            $widths[$n] = min($widths[$n], $widths[$n + 1] + $slope * ($middles[$n + 1] - $middles[$n]));
        }

        return [$places, $widths];
    }

    /**
     * Lines where the integral of dx / h passes whole numbers, between one plane and the next.
     *
     * @param array<int, float> $planes
     * @param array<int, float> $places
     * @param array<int, float> $widths
     * @return array<int, float>
     */
    private static function lines(array $planes, array $places, array $widths): array
    {
        $lines = [$planes[0]];
        for ($p = 0; $p + 1 < count($planes); $p++) {
            [$from, $to] = [$planes[$p], $planes[$p + 1]];
            $at = [$from];
            $reached = [0.0];
            foreach ($widths as $n => $width) {
                $end = min($to, $places[$n + 1]);
                if ($end > $from) {
                    $reached[] = end($reached) + ($end - $from) / $width;
                    $at[] = $from = $end;
                }
            }
            $cells = max(1, (int) round(end($reached)));
            for ($cell = 1, $n = 1; $cell < $cells; $cell++) {
                $wanted = end($reached) * $cell / $cells;
                while ($reached[$n] < $wanted) {
                    $n++;
                }
                $lines[] = $at[$n - 1] + ($at[$n] - $at[$n - 1]) * ($wanted - $reached[$n - 1]) / ($reached[$n] - $reached[$n - 1]);
            }
            $lines[] = $to;
        }

        return $lines;
    }
}
