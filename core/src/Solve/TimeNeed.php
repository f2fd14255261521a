<?php

declare(strict_types=1);

namespace Foehn\Solve;

/**
 * About how long a computation takes on one core, from its largest grid and with the coarser ones before it. Measured on the demos
 * (2026-11-28): natural convection 0.70 ms per cell at 52 000 cells, 0.59 at 266 000 and 0.57 at 689 000; conduction 69 µs per cell
 * at 111 000 and 46 µs at 576 000. A flow that does not settle takes several times as long.
 */
final class TimeNeed
{
    private const START = 0.5;

    private const CONDUCTION = 6e-5;

    private const FLOW = 6.5e-4;

    /** Seconds. */
    public static function seconds(int $cells, bool $flow): float
    {
        return self::START + $cells * ($flow ? self::FLOW : self::CONDUCTION);
    }
}
