<?php

declare(strict_types=1);

namespace Foehn\Board;

/** A circular arc of artwork as a chain of short straight lines. */
final class Arc
{
    /** Degrees that one of them spans at most. */
    private const STEP = 5.0;

    /**
     * @param array{float, float} $from m
     * @param array{float, float} $to m
     * @param array{float, float} $offset from the beginning to the centre, m
     * @param bool $single whether the arc stays in one quadrant and the offset has no signs (G74)
     * @return list<array{float, float}> after the beginning, to the end
     */
    public static function points(array $from, array $to, array $offset, bool $clockwise, bool $single): array
    {
        $centre = $single ? self::centre($from, $to, $offset, $clockwise) : [$from[0] + $offset[0], $from[1] + $offset[1]];
        $start = atan2($from[1] - $centre[1], $from[0] - $centre[0]);
        $sweep = self::sweep($from, $to, $centre, $clockwise, $single);
        $radius = [hypot($from[0] - $centre[0], $from[1] - $centre[1]), hypot($to[0] - $centre[0], $to[1] - $centre[1])];
        $steps = max(1, (int) ceil(abs($sweep) / deg2rad(self::STEP)));
        $points = [];
        for ($n = 1; $n < $steps; $n++) {
            $share = $n / $steps;
            $r = (1.0 - $share) * $radius[0] + $share * $radius[1];
            $points[] = [$centre[0] + $r * cos($start + $share * $sweep), $centre[1] + $r * sin($start + $share * $sweep)];
        }

        return [...$points, $to];
    }

    /**
     * Radians, positive against the clock; a whole turn where both ends are one in multi-quadrant mode.
     *
     * @param array{float, float} $from
     * @param array{float, float} $to
     * @param array{float, float} $centre
     */
    private static function sweep(array $from, array $to, array $centre, bool $clockwise, bool $single): float
    {
        $sweep = atan2($to[1] - $centre[1], $to[0] - $centre[0]) - atan2($from[1] - $centre[1], $from[0] - $centre[0]);
        $sweep = fmod($clockwise ? -$sweep : $sweep, 2.0 * M_PI);
        $sweep = $sweep < -1e-9 ? $sweep + 2.0 * M_PI : max(0.0, $sweep);
        if ($sweep < 1e-9 && ! $single) {
            $sweep = 2.0 * M_PI;
        }

        return $clockwise ? -$sweep : $sweep;
    }

    /**
     * Of the four centres that an offset without signs may mean, the one with an arc of at most a quarter and the same radius at both ends.
     *
     * @param array{float, float} $from
     * @param array{float, float} $to
     * @param array{float, float} $offset
     * @return array{float, float}
     */
    private static function centre(array $from, array $to, array $offset, bool $clockwise): array
    {
        $best = [$from[0] + $offset[0], $from[1] + $offset[1]];
        $least = INF;
        foreach ([[1, 1], [1, -1], [-1, 1], [-1, -1]] as [$sx, $sy]) {
            $centre = [$from[0] + $sx * abs($offset[0]), $from[1] + $sy * abs($offset[1])];
            $differs = abs(hypot($from[0] - $centre[0], $from[1] - $centre[1]) - hypot($to[0] - $centre[0], $to[1] - $centre[1]));
            if (abs(self::sweep($from, $to, $centre, $clockwise, true)) <= 0.5 * M_PI + 1e-3 && $differs < $least) {
                [$best, $least] = [$centre, $differs];
            }
        }

        return $best;
    }
}
