<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** The place and outline of a flat device: a plane across an axis, and a rectangle, a disc or a ring in it. */
final readonly class Outline
{
    /**
     * @param 0|1|2 $axis
     * @param float $position of the plane along the axis, m
     * @param array{float, float} $min along the two axes across, m
     * @param array{float, float} $max
     * @param bool $round the ellipse inscribed in the rectangle
     * @param float $hub fraction of the diameter that is closed in the middle
     */
    public function __construct(public int $axis, public float $position, public array $min, public array $max, public bool $round, public float $hub = 0.0)
    {
    }
}
