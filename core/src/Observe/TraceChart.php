<?php

declare(strict_types=1);

namespace Foehn\Observe;

/**
 * What the universal chart of IPC-2152 says of a trace: I against the rise over its surroundings by its section. By the fit to that
 * chart which is in common use, with the section A in square mils and the rise D in kelvin,
 *
 *     A = (117.555 D^-0.913 + 1.15) I^(0.84 D^-0.108 + 1.159).
 *
 * The chart is of a single long trace in a board of polyimide in still air; planes and boards that are cooled keep a trace cooler. It is a
 * value to compare with, not one to design by.
 */
final class TraceChart
{
    private const SQUARE_MIL = 25.4e-6 ** 2;

    /** K that the chart covers. */
    private const LEAST = 1.0;

    private const MOST = 100.0;

    /** Bisections, to 1e-7 K. */
    private const STEPS = 30;

    /** @return ?float K over the surroundings of a trace of a section in m2 with a current in A; null beyond the chart: 0 where it says less than a kelvin */
    public static function rise(float $current, float $section): ?float
    {
        if ($section <= 0.0 || self::section($current, self::MOST) > $section) {
            return null;
        }
        if ($current <= 0.0 || self::section($current, self::LEAST) <= $section) {
            return 0.0;
        }
        [$low, $high] = [self::LEAST, self::MOST];
        for ($n = 0; $n < self::STEPS; $n++) {
            $middle = 0.5 * ($low + $high);
            [$low, $high] = self::section($current, $middle) > $section ? [$middle, $high] : [$low, $middle];
        }

        return 0.5 * ($low + $high);
    }

    /** @return float m2 that a current in A takes for a rise in K */
    private static function section(float $current, float $rise): float
    {
        return self::SQUARE_MIL * (117.555 * $rise ** -0.913 + 1.15) * $current ** (0.84 * $rise ** -0.108 + 1.159);
    }
}
