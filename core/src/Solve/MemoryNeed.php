<?php

declare(strict_types=1);

namespace Foehn\Solve;

/**
 * About what a computation takes of the memory, from its largest grid. Measured as the largest resident size of whole processes on
 * the demos (2026-11-28): 0.7 kB per cell of conduction at 1.8 million cells; with flow and heat 6.8 kB at 51 000 cells of natural
 * convection and 19 kB at 108 000 cells with a fan.
 */
final class MemoryNeed
{
    private const PROCESS = 60e6;

    private const CONDUCTION = 800.0;

    private const FLOW = 20000.0;

    public static function bytes(int $cells, bool $flow): float
    {
        return self::PROCESS + $cells * ($flow ? self::FLOW : self::CONDUCTION);
    }
}
