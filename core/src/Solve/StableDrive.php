<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;

/** The greatest share of given currents and voltages at which temperatures come to rest. */
final class StableDrive
{
    /** Between the share that is known to come to rest and the least that is known not to, relative. */
    public const WITHIN = 0.01;

    private const MOST = 14;

    /**
     * Where heat rises with the square of the current and in proportion to the temperature, a loop gain g at a share s puts the limit at s over the
     * root of g. It is tried on both sides, and where a law bends, halved in.
     *
     * @param float $gain of the loop at the whole drive, above 1
     * @param Closure(float): array{bool, ?float} $rests whether temperatures come to rest at a share, and the loop gain there
     */
    public static function share(float $gain, Closure $rests): float
    {
        [$low, $high] = [0.0, 1.0];
        $guess = (1.0 - 0.4 * self::WITHIN) / sqrt(max(1.0, $gain));
        for ($n = 0; $n < self::MOST && $high > (1.0 + self::WITHIN) * $low; $n++) {
            [$stable, $gain] = $rests($guess);
            [$low, $high] = $stable ? [$guess, $high] : [$low, $guess];
            $limit = $guess / sqrt($gain ?? 1.0);
            $next = $limit * ($stable ? 1.0 + 0.4 * self::WITHIN : 1.0 - 0.4 * self::WITHIN);
            $guess = $gain !== null && $next > $low && $next < $high ? $next : 0.5 * ($low + $high);
        }

        return $low;
    }
}
