<?php

declare(strict_types=1);

namespace Foehn\Model;

/** An axis-parallel box; corners in metres. */
final readonly class Box
{
    /**
     * @param array{float, float, float} $min
     * @param array{float, float, float} $max
     */
    public function __construct(public array $min, public array $max)
    {
    }

    public function size(int $axis): float
    {
        return $this->max[$axis] - $this->min[$axis];
    }

    public function contains(self $other, float $tolerance): bool
    {
        for ($axis = 0; $axis < 3; $axis++) {
            if ($other->min[$axis] < $this->min[$axis] - $tolerance || $other->max[$axis] > $this->max[$axis] + $tolerance) {
                return false;
            }
        }

        return true;
    }
}
