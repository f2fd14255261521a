<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Geometry\Axes;

/** A plane across an axis of the space, whole or a rectangle of it, through which fluid passes. */
final readonly class Section
{
    /**
     * @param 0|1|2 $axis across which it lies
     * @param float $at along that axis, m
     * @param ?array{float, float} $min of a rectangle along the two other axes, in the order x, y, z, m; null: the whole plane
     * @param ?array{float, float} $max
     */
    public function __construct(public int $axis, public float $at, public ?array $min = null, public ?array $max = null)
    {
    }

    /** Whether a place, in metres along the two axes of the plane, lies in it. */
    public function contains(float $a, float $b): bool
    {
        return $this->min === null || $this->max === null || ($a > $this->min[0] && $a < $this->max[0] && $b > $this->min[1] && $b < $this->max[1]);
    }

    public function describe(): string
    {
        [$a, $b] = Axes::across($this->axis);
        $plane = sprintf('section %s = %g m', 'xyz'[$this->axis], $this->at);

        return $this->min === null || $this->max === null ? $plane : sprintf('%s, %s %g to %g m, %s %g to %g m', $plane, 'xyz'[$a], $this->min[0], $this->max[0], 'xyz'[$b], $this->min[1], $this->max[1]);
    }
}
