<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** The standard normal distribution. */
final class Normal
{
    /** Steps of Newton's method, which doubles the digits. */
    private const STEPS = 3;

    /**
     * The value that a share of all lies below: the approximation of Abramowitz & Stegun (Handbook of Mathematical Functions, 1964, 26.2.23,
     * to 4.5e-4), made exact by Newton's method on the distribution.
     *
     * @param float $share between 0 and 1
     */
    public static function quantile(float $share): float
    {
        $tail = min($share, 1.0 - $share);
        $t = sqrt(-2.0 * log($tail));
        $z = $t - (2.515517 + 0.802853 * $t + 0.010328 * $t * $t) / (1.0 + 1.432788 * $t + 0.189269 * $t * $t + 0.001308 * $t ** 3);
        for ($step = 0; $step < self::STEPS; $step++) {
            $z += (self::above($z) - $tail) * sqrt(2.0 * M_PI) * exp(0.5 * $z * $z);
        }

        return $share < 0.5 ? -$z : $z;
    }

    /** The share above a value that is not negative: the continued fraction of Laplace (Abramowitz & Stegun, 26.2.14) far out, the series 26.2.11 near. */
    public static function above(float $z): float
    {
        $density = exp(-0.5 * $z * $z) / sqrt(2.0 * M_PI);
        if ($z > 3.0) {
            $fraction = $z;
            for ($n = 60; $n > 0; $n--) {
                $fraction = $z + $n / $fraction;
            }

            return $density / $fraction;
        }
        $sum = $term = $z;
        for ($n = 3; $n < 121; $n += 2) {
            $term *= $z * $z / $n;
            $sum += $term;
        }

        return 0.5 - $density * $sum;
    }
}
