<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Observe\GridValues;

/**
 * What the grid may still change in a value, from the values on coarser grids: Richardson's extrapolation with the factor of
 * safety of the grid convergence index (Roache, J. Fluids Eng. 116 (1994) 405; Celik et al., J. Fluids Eng. 130 (2008) 078001).
 */
final class Uncertainty
{
    private const SAFETY = 1.25;

    /** Of a flow where the order is not seen but assumed (Roache's factor for two grids). Conduction has never needed it. */
    private const SAFETY_OF_TWO = 3.0;

    /** Two grids of a flow may agree by chance: this share of the value is always left open. On the fan demo two that agreed within 0.1 K lay 7 % above a fine one. */
    private const CHANCE = 0.1;

    /** With two grids the order cannot be seen; upwind terms and cut cells make it 1. */
    private const ASSUMED_ORDER = 1.0;

    /** Grids whose values differ by less than this share of it agree in all digits: by chance, or since the value does not depend on them. That tells nothing of its error. */
    private const AGREES = 1e-7;

    private const LOWEST_ORDER = 0.5;

    private const HIGHEST_ORDER = 2.0;

    public const UNKNOWN = ['plusMinus' => null, 'order' => null];

    /**
     * @param list<GridValues> $levels from coarse to fine, the last one that of the value
     * @param ?float $origin what the value counts from where a fluid moves: the ambient of a temperature, else 0; null where none moves
     * @param float $swing half of what the value swings by in a flow that is not steady, same unit: it is not known better than that
     * @return array{plusMinus: ?float, order: ?float} same unit as the value; null where one grid, disagreeing ones or ones that agree in all digits say nothing
     */
    public static function of(array $levels, string $id, ?float $origin, float $swing = 0.0): array
    {
        $seen = [];
        foreach ($levels as $level) {
            if (($level->values[$id] ?? null) !== null) {
                $seen[] = [$level, $level->values[$id]];
            }
        }
        if (count($seen) < 2) {
            return self::UNKNOWN;
        }
        [[$second, $f2], [$first, $f1]] = array_slice($seen, -2);
        $r = $first->finerThan($second);
        $change = abs($f2 - $f1);
        $agrees = self::AGREES * abs($f1 - ($origin ?? 0.0));
        $order = self::ASSUMED_ORDER;
        $observed = null;
        if (count($seen) > 2) {
            [$third, $f3] = $seen[count($seen) - 3];
            $before = $second->finerThan($third);
            $observed = self::order($f3 - $f2, $f2 - $f1, $before, $r);
            if ($observed === null) {
                return self::UNKNOWN;
            }
            $order = max(self::LOWEST_ORDER, min(self::HIGHEST_ORDER, $observed));
            // What changes less than the highest order would leave of the change before does so by chance.
            $change = max($change, abs($f3 - $f2) * ($r ** self::HIGHEST_ORDER - 1.0) / ($r ** self::HIGHEST_ORDER * ($before ** self::HIGHEST_ORDER - 1.0)));
        }
        if ($change <= $agrees || $r <= 1.0) {
            return self::UNKNOWN;
        }

        $step = $change / ($r ** $order - 1.0);
        $plusMinus = $origin === null || $observed !== null ? self::SAFETY * $step : max(self::SAFETY_OF_TWO * $step, self::CHANCE * abs($f1 - $origin));

        return ['plusMinus' => max($plusMinus, $swing), 'order' => $observed];
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
