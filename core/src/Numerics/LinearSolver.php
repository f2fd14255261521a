<?php

declare(strict_types=1);

namespace Foehn\Numerics;

use Closure;

/** A linear operator with what solves it, made once and used for as many right-hand sides as there are. */
interface LinearSolver
{
    /**
     * @param array<int, float> $b right-hand side
     * @param array<int, float> $x to start from
     * @param ?callable(int, float, Closure(): array<int, float>): bool $progress iteration, relative residual, iterate; false stops
     */
    public function solve(array $b, array $x, Accuracy $accuracy, ?callable $progress = null): LinearSolution;

    /** The solver of the transposed operator, which tells what a value of the solution owes to each element of the right-hand side. */
    public function transposed(): self;
}
