<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** How a computation on one grid ended. */
final readonly class Outcome
{
    /**
     * @param int $passes over coefficients that follow the temperature
     * @param float $residual relative, at the end
     * @param array<int, float> $residuals relative, after each iteration
     * @param float $seconds on this grid
     * @param float $open what further iterations may still move, as a share of values and of rises over the surroundings
     */
    public function __construct(
        public bool $converged,
        public bool $stopped,
        public int $iterations,
        public int $passes,
        public float $residual,
        public array $residuals,
        public float $seconds,
        public float $open = 0.0,
    ) {
    }
}
