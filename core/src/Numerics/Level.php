<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** One level of a multigrid hierarchy: its matrix, its smoother and the way to the next coarser one. */
interface Level
{
    /** Number of unknowns. */
    public function size(): int;

    /**
     * @param list<float> $x
     * @return list<float> A x
     */
    public function times(array $x): array;

    /**
     * Smooths from zero and sums the residual over the unknowns of the next level.
     *
     * @param list<float> $b
     * @return array{list<float>, list<float>} x, and the right-hand side of the next level
     */
    public function down(array $b): array;

    /**
     * Adds the correction of the next level and smooths in the opposite order.
     *
     * @param list<float> $b
     * @param list<float> $x as down() returned it
     * @param list<float> $correction
     * @return list<float>
     */
    public function up(array $b, array $x, array $correction): array;
}
