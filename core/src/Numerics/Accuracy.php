<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** When an iterative solution is near enough, and when it is given up. */
final readonly class Accuracy
{
    /**
     * @param float $residual relative to the right-hand side
     * @param float $sum largest |sum of residuals| allowed as well, in the unit of the right-hand side: the part of a balance that may stay open
     * @param float $correction near enough as well where the preconditioner asked no unknown to move by more than this before the last iteration, in the unit of the unknowns
     */
    public function __construct(public float $residual, public float $sum = INF, public int $mostIterations = 300, public float $correction = 0.0)
    {
    }
}
