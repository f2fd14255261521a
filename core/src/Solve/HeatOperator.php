<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\LinearSolver;
use Foehn\Physics\Heat\HeatSystem;

/** The balance of heat at a moment, A (T - reference) = source, where nothing flows or on a flow that is given. Arrays are padded. */
interface HeatOperator
{
    public function system(): HeatSystem;

    /** @return array<int, float> W by cell, relative to the reference of the system */
    public function source(): array;

    /**
     * @param array<int, float> $x K
     * @return array<int, float> A x, W; cells of one temperature share theirs evenly
     */
    public function times(array $x): array;

    /**
     * @param array<int, float> $x K
     * @return float W that leaves in all, less what the source has of it
     */
    public function leaving(array $x): float;

    /**
     * @param array<int, float> $storing W/K that is added to the diagonal
     * @param ?LinearSolver $near of a like operator with the same storing, whose hierarchy serves; null: it is made anew
     */
    public function solver(array $storing, ?LinearSolver $near = null): LinearSolver;

    /** Whether the hierarchy of a solver for another operator serves for this one: its coefficients differ by what temperatures do to them. */
    public function isNear(self $other): bool;

    /** Whether a solver made for another operator serves for this one. */
    public function isLike(self $other): bool;
}
