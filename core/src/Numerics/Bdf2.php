<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * The second backward difference in steps of any length (Hairer, Norsett & Wanner, Solving ODEs I, 2nd ed. 1993, sec. III.5), with a
 * backward Euler step where nothing is known of before: u' at the end of a step is the weighted sum of u there and at the moments before.
 */
final class Bdf2
{
    /**
     * @param list<float> $before moments that are known, s, the latest first; one or more
     * @return non-empty-list<float> 1/s: weights of the value at the end of the step and of those at one or two moments before
     */
    public static function weights(float $time, array $before): array
    {
        $h = $time - $before[0];
        if (count($before) === 1) {
            return [1.0 / $h, -1.0 / $h];
        }
        $r = $h / ($before[0] - $before[1]);

        return [(1.0 + 2.0 * $r) / (1.0 + $r) / $h, -(1.0 + $r) / $h, $r * $r / (1.0 + $r) / $h];
    }

    /**
     * Weights of values at given moments in the polynomial through them, at another moment (Lagrange).
     *
     * @param list<float> $moments s
     * @return list<float>
     */
    public static function through(array $moments, float $time): array
    {
        $weights = [];
        foreach ($moments as $n => $own) {
            $weight = 1.0;
            foreach ($moments as $m => $other) {
                $weight *= $m === $n ? 1.0 : ($time - $other) / ($own - $other);
            }
            $weights[] = $weight;
        }

        return $weights;
    }

    /**
     * Share of the difference between a step and the parabola through three moments before it that is the error of the step: both
     * err with the third derivative, to different sides.
     *
     * @param list<float> $before moments that are known, s, the latest first; the whole difference counts where they are fewer than three
     */
    public static function error(float $time, array $before): float
    {
        $h = $time - $before[0];
        if (count($before) < 3) {
            return 1.0;
        }
        $last = $before[0] - $before[1];
        $own = $h * $h * ($h + $last) ** 2 / (6.0 * (2.0 * $h + $last));
        $ahead = $h * ($time - $before[1]) * ($time - $before[2]) / 6.0;

        return $own / ($own + $ahead);
    }
}
