<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** A level of any sparse matrix: aggregates of strongly coupled unknowns, symmetric Gauss-Seidel. */
final class SparseLevel implements Level
{
    /** @var array<int, float> of the diagonal: multiplying is cheaper than dividing */
    private readonly array $inverse;

    /** @param array<int, int> $aggregate of each unknown on the next level */
    public function __construct(private readonly SparseMatrix $matrix, private readonly array $aggregate, private readonly int $coarseSize)
    {
        $this->inverse = Vectors::inverse($matrix->diagonal);
    }

    /**
     * The level of another matrix of this pattern with the same aggregates.
     *
     * @return array{self, SparseMatrix} and the matrix of the next level
     */
    public function with(SparseMatrix $matrix): array
    {
        return [new self($matrix, $this->aggregate, $this->coarseSize), Aggregation::galerkin($matrix, $this->aggregate, $this->coarseSize)];
    }

    public function size(): int
    {
        return $this->matrix->size;
    }

    public function times(array $x): array
    {
        return $this->matrix->times($x);
    }

    public function down(array $b): array
    {
        $x = $this->forward($b);

        return [$x, $this->restrict($x)];
    }

    public function up(array $b, array $x, array $correction): array
    {
        return $this->backward($b, Vectors::take($x), $correction);
    }

    /**
     * Gauss-Seidel from zero, rising order: only the lower couplings meet values that are not zero.
     *
     * @param array<int, float> $b
     * @return array<int, float>
     */
    private function forward(array $b): array
    {
        $m = $this->matrix;
        [$n, $start, $middle, $column, $coupling, $inverse] = [$m->size, $m->start, $m->middle, $m->column, $m->coupling, $this->inverse];
        // Filled beforehand: writing in place is cheaper than appending.
        $x = $b;
        for ($i = 0; $i < $n; $i++) {
            $sum = $b[$i];
            $end = $middle[$i];
            for ($p = $start[$i]; $p < $end; $p++) {
                $sum += $coupling[$p] * $x[$column[$p]];
            }
            $x[$i] = $sum * $inverse[$i];
        }

        return $x;
    }

    /**
     * Residual after the forward sweep, summed over aggregates: exactly the upper couplings are left.
     *
     * @param array<int, float> $x
     * @return array<int, float>
     */
    private function restrict(array $x): array
    {
        $m = $this->matrix;
        [$n, $start, $middle, $column, $coupling, $aggregate] = [$m->size, $m->start, $m->middle, $m->column, $m->coupling, $this->aggregate];
        $coarse = array_fill(0, $this->coarseSize, 0.0);
        for ($i = 0; $i < $n; $i++) {
            $sum = 0.0;
            $end = $start[$i + 1];
            for ($p = $middle[$i]; $p < $end; $p++) {
                $sum += $coupling[$p] * $x[$column[$p]];
            }
            $coarse[$aggregate[$i]] += $sum;
        }

        return $coarse;
    }

    /**
     * Adds the coarse correction and sweeps in falling order.
     *
     * @param array<int, float> $b
     * @param array<int, float> $x
     * @param array<int, float> $correction
     * @return array<int, float>
     */
    private function backward(array $b, array $x, array $correction): array
    {
        $m = $this->matrix;
        [$n, $start, $column, $coupling, $inverse, $aggregate] = [$m->size, $m->start, $m->column, $m->coupling, $this->inverse, $this->aggregate];
        for ($i = 0; $i < $n; $i++) {
            $x[$i] += $correction[$aggregate[$i]];
        }
        for ($i = $n - 1; $i >= 0; $i--) {
            $sum = $b[$i];
            $end = $start[$i + 1];
            for ($p = $start[$i]; $p < $end; $p++) {
                $sum += $coupling[$p] * $x[$column[$p]];
            }
            $x[$i] = $sum * $inverse[$i];
        }

        return $x;
    }
}
