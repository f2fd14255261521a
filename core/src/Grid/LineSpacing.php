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
     * @param non-empty-list<float> $planes rising
     * @return list<float>
     */
    public static function lines(array $planes, float $largest, int $perInterval, float $growth): array
    {
        $count = count($planes) - 1;
        $own = [];
        for ($i = 0; $i < $count; $i++) {
            $own[] = min($largest, ($planes[$i + 1] - $planes[$i]) / $perInterval);
        }
        $slope = $growth - 1.0;
        $left = [INF];
        for ($i = 0; $i < $count; $i++) {
            $left[$i + 1] = min($own[$i], $left[$i] + $slope * ($planes[$i + 1] - $planes[$i]));
        }
        $right = array_fill(0, $count + 1, INF);
        for ($i = $count - 1; $i >= 0; $i--) {
            $right[$i] = min($own[$i], $right[$i + 1] + $slope * ($planes[$i + 1] - $planes[$i]));
        }
        $lines = [$planes[0]];
        for ($i = 0; $i < $count; $i++) {
            array_push($lines, ...self::fill($planes[$i], $planes[$i + 1], $own[$i], $left[$i], $right[$i + 1], $slope, $perInterval));
        }

        return $lines;
    }

    /** @return list<float> lines after $from up to and including $to */
    private static function fill(float $from, float $to, float $own, float $left, float $right, float $slope, int $fewest): array
    {
        $samples = 256;
        $step = ($to - $from) / $samples;
        $cumulative = [0.0];
        for ($s = 0; $s < $samples; $s++) {
            $x = ($s + 0.5) * $step;
            $h = min($own, $left + $slope * $x, $right + $slope * ($to - $from - $x));
            $cumulative[] = $cumulative[$s] + $step / $h;
        }
        $cells = max($fewest, (int) ceil($cumulative[$samples] - 0.05));
        $lines = [];
        $s = 0;
        for ($cell = 1; $cell < $cells; $cell++) {
            $wanted = $cumulative[$samples] * $cell / $cells;
            while ($cumulative[$s + 1] < $wanted) {
                $s++;
            }
            $lines[] = $from + $step * ($s + ($wanted - $cumulative[$s]) / ($cumulative[$s + 1] - $cumulative[$s]));
        }
        $lines[] = $to;

        return $lines;
    }
}
