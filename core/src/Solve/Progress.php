<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** A moment of a running solution. */
final readonly class Progress
{
    /**
     * @param string $stage grid, equations, solving, time, results
     * @param float $residual relative
     * @param int $level which of the grids from coarse to fine
     * @param ?float $worstMargin K, of the limits, on the present iterate
     * @param array<string, float> $values K, of limits and watches by id, as far as they can be told at any moment
     * @param ?array{now: float, end: float, step: float} $time s, of a course in time
     */
    public function __construct(
        public string $stage,
        public int $cells,
        public int $iteration,
        public float $residual,
        public ?float $worstMargin,
        public int $level = 1,
        public array $values = [],
        public ?array $time = null,
    ) {
    }

    /** @return array{stage: string, cells: int, iteration: int, residual: float, worstMargin: ?float, level: int, values: array<string, float>, time: ?array{now: float, end: float, step: float}} */
    public function toArray(): array
    {
        return ['stage' => $this->stage, 'cells' => $this->cells, 'iteration' => $this->iteration, 'residual' => $this->residual, 'worstMargin' => $this->worstMargin, 'level' => $this->level, 'values' => $this->values, 'time' => $this->time];
    }
}
