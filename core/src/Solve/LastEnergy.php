<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Physics\Flow\EnergyTransport;

/** The equations of heat on a flow that were made last, of which those that follow take over what does not change. */
final class LastEnergy
{
    public ?EnergyTransport $energy = null;

    /** Solvers of one hierarchy that follow each other; another one is made after so many. */
    private const KEEP = 8;

    private ?FrozenAir $air = null;

    /** @var array<int, float> W/K by padded cell */
    private array $storing = [];

    private int $kept = 0;

    /**
     * Whether a solver is wanted for nearly the same equations as the last one, so that its hierarchy serves: of the same air and the same step.
     *
     * @param array<int, float> $storing W/K by padded cell
     */
    public function serves(FrozenAir $air, array $storing): bool
    {
        $serves = $this->kept > 0 && $this->kept < self::KEEP && $air === $this->air && $storing === $this->storing;
        $this->kept = $serves ? $this->kept + 1 : 1;
        [$this->air, $this->storing] = [$air, $storing];

        return $serves;
    }
}
