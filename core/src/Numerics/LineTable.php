<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Along one axis, for each place of one array the two places of another one between which it lies. */
final readonly class LineTable
{
    /**
     * @param array<int, int> $first steps to the first place in the other array
     * @param array<int, int> $second steps to the second one
     * @param array<int, float> $weight of the second, 0 .. 1; the first has the rest
     */
    public function __construct(public array $first, public array $second, public array $weight)
    {
    }
}
