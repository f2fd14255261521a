<?php

declare(strict_types=1);

namespace Foehn\Geometry;

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

    /** @param non-empty-list<self> $boxes */
    public static function around(array $boxes): self
    {
        [$min, $max] = [$boxes[0]->min, $boxes[0]->max];
        foreach ($boxes as $box) {
            foreach ([0, 1, 2] as $axis) {
                $min[$axis] = min($min[$axis], $box->min[$axis]);
                $max[$axis] = max($max[$axis], $box->max[$axis]);
            }
        }

        return new self($min, $max);
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
