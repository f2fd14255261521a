<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Aggregation multigrid as a preconditioner: symmetric Gauss-Seidel on every level and a K-cycle (at most two inner
 * flexible-CG steps, the second skipped when the first has reduced the residual to a quarter) wherever the unknowns have
 * become few enough to pay for it. After Notay, ETNA 37 (2010); see Aggregation for what becomes one unknown.
 */
final class Multigrid
{
    private const COARSEST = 120;

    /** A level gets a second step when it has this many times fewer unknowns than the last one that does. */
    private const FEWER_FOR_SECOND_STEP = 3.2;

    /** @var list<SymmetricMatrix> finest first */
    private array $matrices;

    /** @var list<list<int>> aggregate of each unknown of a level on the next */
    private array $aggregates = [];

    /** @var list<bool> whether the coarse problem of each level (the first coarse one first) gets a second step */
    private array $secondStep = [];

    private DenseCholesky $direct;

    public function __construct(SymmetricMatrix $matrix)
    {
        $this->matrices = [$matrix];
        $last = $matrix->size;
        while ($matrix->size > self::COARSEST) {
            [$aggregate, $coarse] = Aggregation::coarsen($matrix);
            if ($coarse->size > 0.9 * $matrix->size) {
                break;
            }
            $this->aggregates[] = $aggregate;
            $this->matrices[] = $matrix = $coarse;
            // Two steps cost twice the level and all below it; a quarter of the unknowns pays for that.
            $again = $coarse->size <= $last / self::FEWER_FOR_SECOND_STEP;
            $this->secondStep[] = $again;
            $last = $again ? $coarse->size : $last;
        }
        $this->direct = new DenseCholesky($matrix);
    }

    public function levels(): int
    {
        return count($this->matrices);
    }

    /**
     * @param list<float> $b
     * @return list<float> an approximation of A^-1 b
     */
    public function cycle(array $b, int $level = 0): array
    {
        if ($level === count($this->aggregates)) {
            return $this->direct->solve($b);
        }
        $matrix = $this->matrices[$level];
        $aggregate = $this->aggregates[$level];
        $x = self::forward($matrix->size, $matrix->start, $matrix->middle, $matrix->column, $matrix->coupling, $matrix->diagonal, $b);
        $coarse = self::restrict($matrix->size, $matrix->start, $matrix->middle, $matrix->column, $matrix->coupling, $x, $aggregate, $this->matrices[$level + 1]->size);
        $correction = $this->correct($coarse, $level + 1);

        return self::backward($matrix->size, $matrix->start, $matrix->column, $matrix->coupling, $matrix->diagonal, $b, $x, $aggregate, $correction);
    }

    /**
     * Coarse problem by one or two steps of flexible CG preconditioned with the cycle of that level.
     *
     * @param list<float> $b
     * @return list<float>
     */
    private function correct(array $b, int $level): array
    {
        $c = $this->cycle($b, $level);
        if ($level === count($this->aggregates)) {
            return $c;
        }
        $v = $this->matrices[$level]->times($c);
        $rho1 = Vectors::dot($c, $v);
        $alpha1 = Vectors::dot($c, $b);
        if ($rho1 <= 0.0) {
            return $c;
        }
        $rest = Vectors::plus($b, -$alpha1 / $rho1, $v);
        if (! $this->secondStep[$level - 1] || Vectors::norm($rest) <= 0.25 * Vectors::norm($b)) {
            return Vectors::combine($alpha1 / $rho1, $c, 0.0, $c);
        }
        $d = $this->cycle($rest, $level);
        $w = $this->matrices[$level]->times($d);
        $gamma = Vectors::dot($d, $v);
        $beta = Vectors::dot($d, $w);
        $alpha2 = Vectors::dot($d, $rest);
        $rho2 = $beta - $gamma * $gamma / $rho1;
        if ($rho2 <= 0.0) {
            return Vectors::combine($alpha1 / $rho1, $c, 0.0, $c);
        }

        return Vectors::combine($alpha1 / $rho1 - $gamma * $alpha2 / ($rho1 * $rho2), $c, $alpha2 / $rho2, $d);
    }

    /**
     * Gauss-Seidel from zero, rising order: only the lower couplings meet values that are not zero.
     *
     * @param list<int> $start
     * @param list<int> $middle
     * @param list<int> $column
     * @param list<float> $coupling
     * @param list<float> $diagonal
     * @param list<float> $b
     * @return list<float>
     */
    private static function forward(int $n, array $start, array $middle, array $column, array $coupling, array $diagonal, array $b): array
    {
        // Filled beforehand: writing in place is cheaper than appending.
        $x = $b;
        for ($i = 0; $i < $n; $i++) {
            $sum = $b[$i];
            $end = $middle[$i];
            for ($p = $start[$i]; $p < $end; $p++) {
                $sum += $coupling[$p] * $x[$column[$p]];
            }
            $x[$i] = $sum / $diagonal[$i];
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
     * @param list<float> $diagonal
     * @param list<float> $b
     * @param list<float> $x
     * @param list<int> $aggregate
     * @param list<float> $correction
     * @return list<float>
     */
    private static function backward(int $n, array $start, array $column, array $coupling, array $diagonal, array $b, array $x, array $aggregate, array $correction): array
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
            $x[$i] = $sum / $diagonal[$i];
        }

        return $x;
    }
}
