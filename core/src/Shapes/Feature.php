<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A stretch along one axis that wants cells: a fin, a gap, a wall. */
final readonly class Feature
{
    /**
     * @param int $cells how many at the coarsest grade
     * @param int $fewest how many on any grid on the way to it, where a fluid moves
     */
    public function __construct(public string $name, public int $axis, public float $from, public float $to, public int $cells = 1, public int $fewest = 1)
    {
    }

    public function width(): float
    {
        return $this->to - $this->from;
    }
}
