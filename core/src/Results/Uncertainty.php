<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Observe\GridValues;

/**
 * What the grid may still change in a value, from the values on coarser grids: where three of them draw nearer in one direction at an order
 * that can be believed, Richardson's extrapolation with the factor of safety of the grid convergence index (Roache, J. Fluids Eng. 116 (1994)
 * 405; Celik et al., J. Fluids Eng. 130 (2008) 078001), in a flow at least twice the last change and half of the one before. Where they do not,
 * the greater of twice the last change and the one before, which covered the true error in 96 % of 971 sequences of grids of flows
 * (docs/numerics.md, "Grids"). On two grids the order is assumed (Eca & Hoekstra, J. Comput. Phys. 262 (2014) 104).
 */
final class Uncertainty
{
    private const SAFETY = 1.25;

    /** Of a flow on two grids, where the order is not seen but assumed; and in conduction where one far beyond those of the equations is seen (Eca & Hoekstra 2014). */
    private const SAFETY_UNSEEN = 3.0;

    /** Of the last change: in a flow, and where no order is seen. */
    private const LAST_CHANGE = 2.0;

    /** Of the change before, in a flow whose grids show an order. */
    private const CHANGE_BEFORE = 0.5;

    /** Ratio of the widths of the cells in the sequences on which that was measured: their number doubled. Grids nearer to each other show less of what is left. */
    private const MEASURED_RATIO = 1.26;

    /** With two grids the order cannot be seen; upwind terms and cut cells make it 1. */
    private const ASSUMED_ORDER = 1.0;

    /** Two grids whose values differ by no more than this share of it agree in all digits, which may be chance. */
    private const AGREES = 1e-7;

    /** What is known is known to this share: iterations on currents end there. */
    private const CLOSEST = 1e-6;

    private const LOWEST_ORDER = 0.5;

    private const HIGHEST_ORDER = 2.0;

    /**
     * @param list<GridValues> $levels from coarse to fine, the last one that of the value
     * @param bool $moves whether a fluid moves
     * @param float $beside what the value is not known to beside the grid (see BesideGrid), same unit
     * @param float $swing half of what the value swings by in a flow that is not steady, same unit: it is not known better than that
     * @return array{plusMinus: ?float, order: ?float, unknown: ?string} same unit as the value; null where one grid or two that agree in all digits say nothing, and then why
     */
    public static function of(array $levels, string $id, bool $moves, float $beside = 0.0, float $swing = 0.0): array
    {
        $seen = [];
        foreach ($levels as $level) {
            if (($level->values[$id] ?? null) !== null) {
                $seen[] = [$level, $level->values[$id]];
            }
        }
        if (count($seen) < 2) {
            return self::unknown($seen === [] ? 'there is no value' : 'only one grid has a value, and nothing to compare it with');
        }
        [[$second, $f2], [$first, $f1]] = array_slice($seen, -2);
        $r = $first->finerThan($second);
        if ($r <= 1.0) {
            return self::unknown('the grid before is as fine as the last one');
        }
        if (count($seen) === 2) {
            $step = abs($f2 - $f1) / ($r ** self::ASSUMED_ORDER - 1.0);

            return abs($f2 - $f1) <= self::AGREES * abs($f1) ? self::unknown('two grids agree in all digits, which may be chance') : ['plusMinus' => max(($moves ? self::SAFETY_UNSEEN : self::SAFETY) * $step + $beside, $swing), 'order' => null, 'unknown' => null];
        }
        [$third, $f3] = $seen[count($seen) - 3];
        $before = $second->finerThan($third);
        $order = self::order($f3 - $f2, $f2 - $f1, $before, $r);
        $extrapolated = $order === null || $order < self::LOWEST_ORDER ? null : ($moves ? self::SAFETY : self::safety($order)) * self::extrapolated($f3 - $f2, $f2 - $f1, $before, $r, $order);
        [$last, $earlier] = [self::LAST_CHANGE * abs($f2 - $f1) * self::nearness($r), abs($f3 - $f2) * self::nearness($before)];
        $plusMinus = match (true) {
            $extrapolated === null => max($last, $earlier),
            // Grids of a flow may agree in their order by chance.
            $moves => max($extrapolated, $last, self::CHANGE_BEFORE * $earlier),
            default => $extrapolated,
        };

        return ['plusMinus' => max($plusMinus + $beside, self::CLOSEST * abs($f1), $swing), 'order' => $order, 'unknown' => null];
    }

    /** @return array{plusMinus: null, order: null, unknown: string} */
    public static function unknown(string $why): array
    {
        return ['plusMinus' => null, 'order' => null, 'unknown' => $why];
    }

    /** What a change between two grids counts for, against one between grids of the measured ratio: of first order in the widths, and never less. */
    private static function nearness(float $ratio): float
    {
        return max(1.0, (self::MEASURED_RATIO - 1.0) / max(1e-3, $ratio - 1.0));
    }

    /**
     * Of conduction. Where values draw nearer faster than at the highest order they only seem to: corners and thin contacts come into sight one after
     * the other. From there to one order more the factor rises to that of an order that is not seen.
     */
    private static function safety(float $order): float
    {
        return self::SAFETY + (self::SAFETY_UNSEEN - self::SAFETY) * min(1.0, max(0.0, $order - self::HIGHEST_ORDER));
    }

    /** What is left where the values draw nearer in one direction at an order. */
    private static function extrapolated(float $e32, float $e21, float $r32, float $r21, float $order): float
    {
        $believed = min(self::HIGHEST_ORDER, $order);
        // What changes less than the highest order would leave of the change before does so by chance.
        $least = abs($e32) * ($r21 ** self::HIGHEST_ORDER - 1.0) / ($r21 ** self::HIGHEST_ORDER * ($r32 ** self::HIGHEST_ORDER - 1.0));

        return max(abs($e21), $least) / ($r21 ** $believed - 1.0);
    }

    /**
     * The p for which e32 / e21 = r21^p (r32^p - 1) / (r21^p - 1), by bisection; null where the values do not draw nearer in
     * one direction.
     */
    private static function order(float $e32, float $e21, float $r32, float $r21): ?float
    {
        if ($e21 === 0.0) {
            return self::HIGHEST_ORDER;
        }
        if ($r32 <= 1.0 || $r21 <= 1.0) {
            return null;
        }
        $ratio = $e32 / $e21;
        $at = fn (float $p): float => $r21 ** $p * ($r32 ** $p - 1.0) / ($r21 ** $p - 1.0);
        [$low, $high] = [0.05, 8.0];
        if ($ratio <= $at($low)) {
            return null;
        }
        if ($ratio >= $at($high)) {
            return $high;
        }
        for ($n = 0; $n < 60; $n++) {
            $middle = 0.5 * ($low + $high);
            [$low, $high] = $at($middle) < $ratio ? [$middle, $high] : [$low, $middle];
        }

        return $low;
    }
}
