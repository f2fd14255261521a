<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Transient;

/**
 * About what a computation takes of the memory, from its largest grid. Measured as the largest resident size of whole processes on
 * the demos (2026-11-28): 0.7 kB per cell of conduction at 1.8 million cells; with flow and heat 6.8 kB at 51 000 cells of natural
 * convection and 19 kB at 108 000 cells with a fan; a course in time of conduction 1.3 kB at 104 000 cells (2026-11-29), and four bytes for
 * a cell of every picture that is kept, sixteen where it has velocities.
 */
final class MemoryNeed
{
    private const PROCESS = 60e6;

    private const CONDUCTION = 800.0;

    private const FLOW = 20000.0;

    private const COURSE = 1400.0;

    private const KEPT = 4.0;

    private const KEPT_MOVING = 16.0;

    /** @param ?Transient $time the course that is computed; null: the steady state */
    public static function bytes(int $cells, bool $flow, ?Transient $time = null): float
    {
        $still = $time === null ? self::CONDUCTION : self::COURSE;

        $kept = $flow && $time !== null && $time->air !== Transient::FROZEN ? self::KEPT_MOVING : self::KEPT;

        return self::PROCESS + $cells * (($flow ? self::FLOW : $still) + $kept * count($time->keep ?? []));
    }
}
