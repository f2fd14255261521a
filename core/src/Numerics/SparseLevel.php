<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** A level of any sparse matrix: aggregates of strongly coupled unknowns, symmetric Gauss-Seidel. */
final class SparseLevel implements Level
{
    /** @var list<float> of the diagonal: multiplying is cheaper than dividing */
    private readonly array $inverse;

    /** @param list<int> $aggregate of each unknown on the next level */
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
        $m = $this->matrix;
        $x = self::forward($m->size, $m->start, $m->middle, $m->column, $m->coupling, $this->inverse, $b);

        return [$x, self::restrict($m->size, $m->start, $m->middle, $m->column, $m->coupling, $x, $this->aggregate, $this->coarseSize)];
    }

    public function up(array $b, array $x, array $correction): array
    {
        $m = $this->matrix;

        return self::backward($m->size, $m->start, $m->column, $m->coupling, $this->inverse, $b, Vectors::take($x), $this->aggregate, $correction);
    }

    /**
     * Gauss-Seidel from zero, rising order: only the lower couplings meet values that are not zero.
     *
     * @param list<int> $start
     * @param list<int> $middle
     * @param list<int> $column
     * @param list<float> $coupling
     * @param list<float> $inverse
     * @param list<float> $b
     * @return list<float>
     */
    private static function forward(int $n, array $start, array $middle, array $column, array $coupling, array $inverse, array $b): array
    {
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
     * @param list<int> $start
     * @param list<int> $middle
     * @param list<int> $column
     * @param list<float> $coupling
     * @param list<float> $x
     * @param list<int> $aggregate
     * @return list<float>
     */
    private static function restrict(int $n, array $start, array $middle, array $column, array $coupling, array $x, array $aggregate, int $coarseSize): array
    {
        $coarse = array_fill(0, $coarseSize, 0.0);
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
     * @param list<int> $start
     * @param list<int> $column
     * @param list<float> $coupling
     * @param list<float> $inverse
     * @param list<float> $b
     * @param list<float> $x
     * @param list<int> $aggregate
     * @param list<float> $correction
     * @return list<float>
     */
    private static function backward(int $n, array $start, array $column, array $coupling, array $inverse, array $b, array $x, array $aggregate, array $correction): array
    {
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
