<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** An approximate inverse of a symmetric positive definite matrix. */
interface Preconditioner
{
    /**
     * @param list<float> $b
     * @return list<float> an approximation of A^-1 b
     */
    public function apply(array $b): array;
}
