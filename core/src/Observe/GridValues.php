<?php

declare(strict_types=1);

namespace Foehn\Observe;

/** What a computation on one of its grids gave: the values that limits and watches look at. */
final readonly class GridValues
{
    /**
     * @param array{int, int, int} $shape cells along each axis
     * @param array<string, ?float> $values by id of the limit or watch, K or SI
     */
    public function __construct(public int $cells, public array $shape, public int $iterations, public float $seconds, public array $values)
    {
    }

    /** How many times finer than a coarser level along the axes that are refined at all; 1 where none is. */
    public function finerThan(self $coarser): float
    {
        $axes = count(array_filter($this->shape, fn (int $cells, int $axis) => $cells > $coarser->shape[$axis], ARRAY_FILTER_USE_BOTH));

        return $axes === 0 ? 1.0 : max(1.0, $this->cells / $coarser->cells) ** (1 / $axes);
    }

    /** @return array{cells: int, shape: array{int, int, int}, iterations: int, seconds: float, values: array<string, ?float>} */
    public function toArray(): array
    {
        return ['cells' => $this->cells, 'shape' => $this->shape, 'iterations' => $this->iterations, 'seconds' => $this->seconds, 'values' => $this->values];
    }

    /** @param array{cells: int, shape: array{int, int, int}, iterations: int, seconds: float, values: array<string, ?float>} $level */
    public static function fromArray(array $level): self
    {
        return new self($level['cells'], $level['shape'], $level['iterations'], $level['seconds'], $level['values']);
    }
}
