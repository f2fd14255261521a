<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** The diagonal of a matrix as an approximation of it (Jacobi). */
final readonly class DiagonalScaling implements Preconditioner
{
    /** @var array<int, float> */
    private array $inverse;

    /** @param array<int, float> $diagonal */
    public function __construct(array $diagonal)
    {
        $this->inverse = Vectors::inverse($diagonal);
    }

    public function apply(array $b): array
    {
        return Vectors::times($this->inverse, $b);
    }
}
