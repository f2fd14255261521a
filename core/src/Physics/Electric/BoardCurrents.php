<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Numerics\Vectors;

/** Currents in the copper of a board, and what follows from them. Pixels are numbered as in CopperRaster. */
final readonly class BoardCurrents
{
    /**
     * @param array<int, float> $potential V of each pixel
     * @param array<int, float> $density of the current in each pixel, A/m2
     * @param array<int, float> $heat W in each pixel
     * @param list<list<float>> $barrels A up through each stretch of each barrel, from the lowest layer on
     * @param array<int, float> $barrelHeat W in each barrel
     * @param list<array{name: string, current: float, voltage: float, pads: list<float>}> $contacts A into the board, V as mean over the contact, and A into each of several pads that share a current
     * @param float $power current times voltage of all contacts, W: all of it becomes heat. Voltages are counted from one on each net, so that a drop of millivolts at 48 V has all its digits
     */
    public function __construct(
        public array $potential,
        public array $density,
        public array $heat,
        public array $barrels,
        public array $barrelHeat,
        public array $contacts,
        public float $power,
        public int $iterations,
    ) {
    }

    /** Greatest density in the sheets, A/m2. */
    public function greatest(): float
    {
        return Vectors::largest($this->density);
    }

    /** What enters less what leaves, as a share of either. */
    public function imbalance(): float
    {
        $currents = array_column($this->contacts, 'current');

        return abs(array_sum($currents)) / max(0.5 * array_sum(array_map(abs(...), $currents)), 1e-300);
    }
}
