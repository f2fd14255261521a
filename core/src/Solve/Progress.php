<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** A moment of a running solution. */
final readonly class Progress
{
    /**
     * @param string $stage grid, equations, solving, results
     * @param float $residual relative
     * @param int $level which of the grids from coarse to fine
     * @param ?float $worstMargin K, of the limits, on the present iterate
     */
    public function __construct(
        public string $stage,
        public int $cells,
        public int $iteration,
        public float $residual,
        public ?float $worstMargin,
        public int $level = 1,
    ) {
    }

    /** @return array{stage: string, cells: int, iteration: int, residual: float, worstMargin: ?float, level: int} */
    public function toArray(): array
    {
        return get_object_vars($this);
    }
}
