<?php

declare(strict_types=1);

namespace Foehn\Grid;

/**
 * Places grid lines along one axis between key planes: every interval gets its fewest cells, and widths grow smoothly
 * from narrow intervals into wide ones. The wanted width h(x) is the least of the intervals' own widths plus
 * (growth - 1) times the distance to them; lines are put where the integral of dx/h passes whole numbers.
 */
final class LineSpacing
{
    /**
     * @param non-empty-array<int, float> $planes rising
     * @param array<int, int> $fewest cells of each interval between two planes
     * @param array<int, float> $widths widest cell at a plane, by its number
     * @return array<int, float>
     */
    public static function lines(array $planes, float $largest, array $fewest, float $growth, array $widths = []): array
    {
        $count = count($planes) - 1;
        $own = [];
        for ($i = 0; $i < $count; $i++) {
            $own[] = min($largest, ($planes[$i + 1] - $planes[$i]) / $fewest[$i]);
        }
        $slope = $growth - 1.0;
        $left = [$widths[0] ?? INF];
        for ($i = 0; $i < $count; $i++) {
            $left[$i + 1] = min($own[$i], $left[$i] + $slope * ($planes[$i + 1] - $planes[$i]), $widths[$i + 1] ?? INF);
        }
        $right = array_fill(0, $count + 1, INF);
        $right[$count] = $widths[$count] ?? INF;
        for ($i = $count - 1; $i >= 0; $i--) {
            $right[$i] = min($own[$i], $right[$i + 1] + $slope * ($planes[$i + 1] - $planes[$i]), $widths[$i] ?? INF);
        }
        $lines = [$planes[0]];
        for ($i = 0; $i < $count; $i++) {
            array_push($lines, ...self::fill($planes[$i], $planes[$i + 1], $own[$i], $left[$i], $right[$i + 1], $slope, $fewest[$i]));
        }

        return $lines;
    }

    /**
     * Lines after $from up to and including $to. The width wanted rises from $left, is at most $own, and falls to $right;
     * the integral of dx/h over a slope is a logarithm, so lines are found exactly whatever the ratio of the widths.
     *
     * @return array<int, float>
     */
    private static function fill(float $from, float $to, float $own, float $left, float $right, float $slope, int $fewest): array
    {
        $length = $to - $from;
        $left = min($left, $own);
        $right = min($right, $own);
        $rise = min(($own - $left) / $slope, $length);
        $fall = min(($own - $right) / $slope, $length);
        if ($rise + $fall > $length) {
            $rise = min(max(0.5 * ($length + ($right - $left) / $slope), 0.0), $length);
            $fall = $length - $rise;
        }
        $top = min($left + $slope * $rise, $right + $slope * $fall);
        $onRise = log(1.0 + $slope * $rise / $left) / $slope;
        $onTop = ($length - $rise - $fall) / $top;
        $onFall = log(1.0 + $slope * $fall / $right) / $slope;
        $total = $onRise + $onTop + $onFall;
        $cells = max($fewest, (int) ceil($total - 0.05));
        $lines = [];
        for ($cell = 1; $cell < $cells; $cell++) {
            $wanted = $total * $cell / $cells;
            $lines[] = match (true) {
                $wanted <= $onRise => $from + $left * (exp($slope * $wanted) - 1.0) / $slope,
                $wanted <= $onRise + $onTop => $from + $rise + ($wanted - $onRise) * $top,
                default => $to - $right * (exp($slope * ($total - $wanted)) - 1.0) / $slope,
            };
        }
        $lines[] = $to;

        return $lines;
    }
}
