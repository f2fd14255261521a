<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** A moment of a running solution. */
final readonly class Progress
{
    /**
     * @param string $stage grid, equations, solving, time, point, results
     * @param float $residual relative
     * @param int $level which of the grids from coarse to fine
     * @param ?float $worstMargin K, of the limits, on the present iterate
     * @param array<string, float> $values K, of limits and watches by id, as far as they can be told at any moment
     * @param ?array{now: float, end: float, step: float} $time s, of a course in time
     * @param ?string $point name of the operating point that is computed, after the model as it stands
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
        public ?string $point = null,
    ) {
    }

    /** The same of an operating point: its values are not those of the model as it stands. */
    public function atPoint(string $name): self
    {
        return new self('point', $this->cells, $this->iteration, $this->residual, null, $this->level, point: $name);
    }

    /** @return array{stage: string, cells: int, iteration: int, residual: float, worstMargin: ?float, level: int, values: array<string, float>, time: ?array{now: float, end: float, step: float}, point: ?string} */
    public function toArray(): array
    {
        return ['stage' => $this->stage, 'cells' => $this->cells, 'iteration' => $this->iteration, 'residual' => $this->residual, 'worstMargin' => $this->worstMargin, 'level' => $this->level, 'values' => $this->values, 'time' => $this->time, 'point' => $this->point];
    }
}
