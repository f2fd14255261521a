<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A stretch along one axis that wants cells: a fin, a gap, a wall. */
final readonly class Feature
{
    public function __construct(public string $name, public int $axis, public float $from, public float $to)
    {
    }

    public function width(): float
    {
        return $this->to - $this->from;
    }
}
