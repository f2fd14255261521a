<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Model\Tolerance;
use Foehn\Numerics\Normal;
use Foehn\Numerics\RandomShares;

/**
 * In how many builds every limit is met, where margins follow the tolerances in straight lines: by drawing many builds (Monte Carlo), always
 * the same ones.
 *
 * @phpstan-type LimitBuilds array{id: string, margin: float, deviation: float, low: float, worst: float, met: float}
 */
final class Builds
{
    /** Drawn builds: a share of 99 % is then known to 0.07 %. */
    public const DRAWN = 20_000;

    /** The low margin is missed by this share of the builds. */
    public const LOW = 0.01;

    /**
     * @param array<string, float> $margins K, of every limit as it is
     * @param list<string> $distributions of the tolerances (see Tolerance)
     * @param list<array<string, float>> $changes K of each margin at the end of each tolerance
     * @return array{met: float, limits: list<LimitBuilds>} shares of all builds; of each limit its margin, the standard deviation of it, what all but LOW of the builds have, and with everything at its worse end, K
     */
    public static function of(array $margins, array $distributions, array $changes): array
    {
        $random = new RandomShares(1);
        $drawn = array_fill_keys(array_keys($margins), []);
        $met = 0;
        for ($build = 0; $build < self::DRAWN; $build++) {
            $shares = array_map(fn (string $distribution): ?float => self::share($distribution, $random->inner()), $distributions);
            $all = true;
            foreach ($margins as $id => $margin) {
                foreach ($shares as $n => $share) {
                    $margin += $share === null ? -abs($changes[$n][$id]) : $share * $changes[$n][$id];
                }
                $drawn[$id][] = $margin;
                $all = $all && $margin >= 0.0;
            }
            $met += $all ? 1 : 0;
        }
        $limits = [];
        foreach ($margins as $id => $margin) {
            $own = $drawn[$id];
            sort($own);
            $mean = array_sum($own) / self::DRAWN;
            $limits[] = [
                'id' => $id, 'margin' => $margin, 'deviation' => sqrt(array_sum(array_map(fn (float $one): float => ($one - $mean) ** 2, $own)) / self::DRAWN),
                'low' => $own[(int) (self::LOW * self::DRAWN)], 'worst' => $margin - array_sum(array_map(fn (array $change): float => abs($change[$id]), $changes)),
                'met' => count(array_filter($own, fn (float $one): bool => $one >= 0.0)) / self::DRAWN,
            ];
        }

        return ['met' => $met / self::DRAWN, 'limits' => $limits];
    }

    /**
     * Where in its tolerance something lies, -1 to 1 at the ends.
     *
     * @param float $quantile between 0 and 1
     * @return ?float null: at whichever end is worse
     */
    public static function share(string $distribution, float $quantile): ?float
    {
        return match ($distribution) {
            'uniform' => 2.0 * $quantile - 1.0,
            'normal' => Normal::quantile($quantile) / Tolerance::SIGMAS,
            default => null,
        };
    }
}
