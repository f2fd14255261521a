<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

/** Potentials of the conductors and what follows from them. */
final readonly class Currents
{
    /**
     * @param array<int, float> $potential V, padded (see Stencil)
     * @param array<int, float> $heat W in each cell of the grid
     * @param list<array{part: string, name: string, face: string, kind: string, current: float, voltage: float, joint?: string}> $terminals A into the model, V as mean over the face; joint: name of the terminal of a board that it is joined to
     * @param array<int, array{heat: float, density: float}> $parts that carry current, by index: W in it, and its greatest density in A/m2
     * @param array{array<int, float>, array<int, float>, array<int, float>} $density of the current along each axis in the cells that conduct, A/m2
     * @param float $power current times voltage of all terminals, W: all of it becomes heat. Voltages are counted from one of those that are joined
     */
    public function __construct(public array $potential, public array $heat, public array $terminals, public array $parts, public array $density, public float $power)
    {
    }

    /** What enters less what leaves, as a share of either. */
    public function imbalance(): float
    {
        $currents = array_column($this->terminals, 'current');

        return abs(array_sum($currents)) / max(0.5 * array_sum(array_map(abs(...), $currents)), 1e-300);
    }
}
