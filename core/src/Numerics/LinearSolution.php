<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Outcome of an iterative solution: the vector, iterations used, relative residual, and how it ended. */
final readonly class LinearSolution
{
    /** @param array<int, float> $x */
    public function __construct(public array $x, public int $iterations, public float $residual, public bool $converged, public bool $stopped)
    {
    }
}
