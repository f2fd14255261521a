<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Vectors;

/** The mean of a flow that does not become steady, over a number of steps, and how far its temperatures swing. */
final class FlowAverage
{
    private int $count = 0;

    /** @var list<array<int, float>> sums of velocities, pressure and temperature */
    private array $sums = [];

    /** @var array<int, float> K, by part */
    private array $lowest = [];

    /** @var array<int, float> K, by part */
    private array $highest = [];

    public function __construct(private readonly int $steps)
    {
    }

    public function isFull(): bool
    {
        return $this->count >= $this->steps;
    }

    /**
     * @param list<array<int, float>> $fields velocities, pressure and temperature
     * @param array<int, float> $parts greatest temperatures, K
     */
    public function add(array $fields, array $parts): void
    {
        $this->count++;
        foreach ($fields as $n => $field) {
            $this->sums[$n] = isset($this->sums[$n]) ? Vectors::plus($this->sums[$n], 1.0, $field) : $field;
        }
        foreach ($parts as $n => $t) {
            $this->lowest[$n] = min($this->lowest[$n] ?? $t, $t);
            $this->highest[$n] = max($this->highest[$n] ?? $t, $t);
        }
    }

    /** @return list<array<int, float>> the fields in the mean; none before the first step */
    public function mean(): array
    {
        return array_map(fn (array $sum) => Vectors::combine(1.0 / $this->count, $sum, 0.0, $sum), $this->sums);
    }

    /** Half the largest swing of a part's greatest temperature, K; null when none was seen. */
    public function amplitude(): ?float
    {
        $swings = array_map(fn (float $low, float $high) => $high - $low, $this->lowest, $this->highest);

        return $swings === [] ? null : 0.5 * max($swings);
    }
}
