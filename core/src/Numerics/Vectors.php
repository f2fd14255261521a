<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** The few vector kernels that the iterative solvers share. */
final class Vectors
{
    /**
     * Moves an array out of a variable, so that the function it is handed to writes in place instead of into a copy.
     *
     * @param array<int, float> $x empty afterwards
     * @return array<int, float>
     */
    public static function take(array &$x): array
    {
        $taken = $x;
        $x = [];

        return $taken;
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     */
    public static function dot(array $x, array $y): float
    {
        $sum = 0.0;
        $n = count($x);
        for ($i = 0; $i < $n; $i++) {
            $sum += $x[$i] * $y[$i];
        }

        return $sum;
    }

    /** @param array<int, float> $x */
    public static function norm(array $x): float
    {
        return sqrt(self::dot($x, $x));
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @return array<int, float> x + a y
     */
    public static function plus(array $x, float $a, array $y): array
    {
        $n = count($x);
        for ($i = 0; $i < $n; $i++) {
            $x[$i] += $a * $y[$i];
        }

        return $x;
    }

    /**
     * @param array<int, float> $x
     * @return array<int, float> a x
     */
    public static function scaled(float $a, array $x): array
    {
        for ($i = 0, $n = count($x); $i < $n; $i++) {
            $x[$i] *= $a;
        }

        return $x;
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @return array<int, float> a x + b y
     */
    public static function combine(float $a, array $x, float $b, array $y): array
    {
        $n = count($x);
        for ($i = 0; $i < $n; $i++) {
            $x[$i] = $a * $x[$i] + $b * $y[$i];
        }

        return $x;
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @return array<int, float> x_i y_i
     */
    public static function times(array $x, array $y): array
    {
        for ($i = 0, $n = count($x); $i < $n; $i++) {
            $x[$i] *= $y[$i];
        }

        return $x;
    }

    /**
     * @param array<int, float> $x without zeros
     * @return array<int, float> 1 / x_i
     */
    public static function inverse(array $x): array
    {
        for ($i = 0, $n = count($x); $i < $n; $i++) {
            $x[$i] = 1.0 / $x[$i];
        }

        return $x;
    }

    /**
     * @param array<int, float> $x
     * @return float sum of |x_i|
     */
    public static function amount(array $x): float
    {
        $sum = 0.0;
        foreach ($x as $value) {
            $sum += $value < 0.0 ? -$value : $value;
        }

        return $sum;
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @return float sum of |x_i - y_i|
     */
    public static function distance(array $x, array $y): float
    {
        $sum = 0.0;
        for ($i = 0, $n = count($x); $i < $n; $i++) {
            $step = $x[$i] - $y[$i];
            $sum += $step < 0.0 ? -$step : $step;
        }

        return $sum;
    }

    /**
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @return float the largest |x_i - y_i|
     */
    public static function farthest(array $x, array $y): float
    {
        $most = 0.0;
        for ($i = 0, $n = count($x); $i < $n; $i++) {
            $step = $x[$i] - $y[$i];
            $step = $step < 0.0 ? -$step : $step;
            $most = $step > $most ? $step : $most;
        }

        return $most;
    }

    /**
     * @param array<int, float> $x
     * @return float the largest |x_i|; 0 of nothing
     */
    public static function largest(array $x): float
    {
        return $x === [] ? 0.0 : max(max($x), -min($x));
    }

    /**
     * @param array<int, float> $x
     * @return float the largest x_i less the smallest; 0 of nothing
     */
    public static function spread(array $x): float
    {
        return $x === [] ? 0.0 : max($x) - min($x);
    }

    /**
     * Whether every element is a finite number. Asked of the sum, since the tracing compiler of PHP 8.2 takes a negated comparison
     * with a value that is not a number for false (see docs/decisions/23): only is_finite() and is_nan() tell.
     *
     * @param array<int, float> $x
     */
    public static function areFinite(array $x): bool
    {
        return is_finite(array_sum($x));
    }
}
