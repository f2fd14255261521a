<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** One level of a multigrid hierarchy: its matrix, its smoother and the way to the next coarser one. */
interface Level
{
    /** Number of unknowns. */
    public function size(): int;

    /**
     * @param array<int, float> $x
     * @return array<int, float> A x
     */
    public function times(array $x): array;

    /**
     * Smooths from zero and sums the residual over the unknowns of the next level.
     *
     * @param array<int, float> $b
     * @return array{array<int, float>, array<int, float>} x, and the right-hand side of the next level
     */
    public function down(array $b): array;

    /**
     * Adds the correction of the next level and smooths in the opposite order.
     *
     * @param array<int, float> $b
     * @param array<int, float> $x as down() returned it
     * @param array<int, float> $correction
     * @return array<int, float>
     */
    public function up(array $b, array $x, array $correction): array;
}
