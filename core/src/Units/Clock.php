<?php

declare(strict_types=1);

namespace Foehn\Units;

/** The moment at which the loads of a model are read, and what reading them found of how they follow the time. */
final class Clock
{
    /** @var array<array-key, float> moments at which a load jumps or bends, s */
    private array $edges = [];

    /** @var list<float> what loads that follow the time are at this moment */
    private array $values = [];

    /**
     * @param float $time s
     * @param bool $before whether loads that jump at this moment are read as they were before
     * @param float $until s, up to which edges are noted
     */
    public function __construct(public readonly float $time = 0.0, public readonly bool $before = false, public readonly float $until = 0.0)
    {
    }

    /** Reads the time for a formula. */
    public function read(): Quantity
    {
        $this->values[] = $this->time;

        return new Quantity($this->time, Dimension::time());
    }

    /**
     * @param list<float> $edges of a load, s
     * @param float $value what it is at this moment
     */
    public function note(array $edges, float $value): void
    {
        $this->values[] = $value;
        foreach ($edges as $edge) {
            $this->edges[sprintf('%.12e', $edge)] = $edge;
        }
    }

    /** Whether any load follows the time. */
    public function moves(): bool
    {
        return $this->values !== [];
    }

    /** The same at two moments at which all loads are the same. */
    public function signature(): string
    {
        return implode(' ', array_map(fn (float $value): string => sprintf('%.15g', $value), $this->values));
    }

    /** @return list<float> in the order of time, s */
    public function edges(): array
    {
        $edges = array_values($this->edges);
        sort($edges);

        return $edges;
    }
}
