<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** A symmetric positive definite matrix as the iterative solvers see it. */
interface Matrix
{
    /**
     * @param list<float> $x
     * @return list<float> A x
     */
    public function times(array $x): array;
}
