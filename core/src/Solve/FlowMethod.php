<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** How a flow is brought to rest. Each is more robust than the one before and takes more steps. */
enum FlowMethod
{
    /** Multigrid cycles with acceleration. */
    case Cycles;

    /** SIMPLEC iterations of natural convection as they are: the acceleration saves no time there, and may find fluid at rest over a warm floor again. */
    case PlainIterations;

    /** SIMPLEC iterations with acceleration. */
    case Iterations;

    public function iterates(): bool
    {
        return $this !== self::Cycles;
    }

    public function pace(): Pace
    {
        return match ($this) {
            self::Cycles => Pace::cycles(),
            self::PlainIterations => Pace::convection(),
            self::Iterations => Pace::iterations(),
        };
    }
}
