<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** What a computation on one of its grids gave: the values that limits and watches look at. */
final readonly class Level
{
    /** @param array<string, ?float> $values by id of the limit or watch, K or SI */
    public function __construct(public int $cells, public int $iterations, public float $seconds, public array $values)
    {
    }

    /** @return array{cells: int, iterations: int, seconds: float, values: array<string, ?float>} */
    public function toArray(): array
    {
        return get_object_vars($this);
    }

    /** @param array{cells: int, iterations: int, seconds: float, values: array<string, ?float>} $level */
    public static function fromArray(array $level): self
    {
        return new self($level['cells'], $level['iterations'], $level['seconds'], $level['values']);
    }
}
