<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** Heat at a moment of a course in time. */
final readonly class Moment
{
    /**
     * @param float $time s
     * @param array<int, float> $x rises over the reference of the course, K by padded cell
     * @param array<int, float> $rate M dT/dt, W by padded cell
     * @param float $in W given
     * @param float $net W stored in all
     * @param array<int, float> $before rises at the moment before
     * @param float $last s since then; 0 where loads have jumped in between
     */
    public function __construct(public float $time, public array $x, public array $rate, public float $in, public float $net, public array $before, public float $last)
    {
    }
}
