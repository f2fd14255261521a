<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** A matrix as the iterative solvers see it. */
interface Matrix
{
    /**
     * @param array<int, float> $x
     * @return array<int, float> A x
     */
    public function times(array $x): array;
}
