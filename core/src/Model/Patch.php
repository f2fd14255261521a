<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A rectangle of a space side with its own heat condition; corners in metres along the two axes of the side, in the order x, y, z. */
final readonly class Patch
{
    /**
     * @param array{float, float} $min
     * @param array{float, float} $max
     */
    public function __construct(public array $min, public array $max, public HeatCondition $heat)
    {
    }
}
