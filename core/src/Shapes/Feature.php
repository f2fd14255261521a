<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A stretch along one axis that wants cells: a fin, a gap, a wall; $cells is how many at the coarsest grade. */
final readonly class Feature
{
    public function __construct(public string $name, public int $axis, public float $from, public float $to, public int $cells = 1)
    {
    }

    public function width(): float
    {
        return $this->to - $this->from;
    }
}
