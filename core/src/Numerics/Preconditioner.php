<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** An approximate inverse of a matrix. */
interface Preconditioner
{
    /**
     * @param array<int, float> $b
     * @return array<int, float> an approximation of A^-1 b
     */
    public function apply(array $b): array;
}
