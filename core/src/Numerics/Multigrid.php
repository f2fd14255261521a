<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Aggregation multigrid as a preconditioner: a symmetric smoother on every level and a K-cycle (at most two inner
 * flexible-CG steps, the second skipped when the first has reduced the residual to a quarter) wherever the unknowns have
 * become few enough to pay for it. After Notay, ETNA 37 (2010).
 */
final class Multigrid implements Preconditioner
{
    private const COARSEST = 120;

    /** A level gets a second step when it has this many times fewer unknowns than the last one that does. */
    private const FEWER_FOR_SECOND_STEP = 3.2;

    /** @var list<bool> whether the coarse problem of each level (the first coarse one first) gets a second step */
    private array $secondStep = [];

    /** @param list<Level> $levels finest first */
    private function __construct(private readonly array $levels, private readonly DenseFactors $direct, int $coarsest, private readonly bool $symmetric)
    {
        $sizes = [...array_map(fn (Level $level) => $level->size(), $levels), $coarsest];
        $last = $sizes[0];
        foreach (array_slice($sizes, 1) as $size) {
            // Two steps cost twice the level and all below it; a quarter of the unknowns pays for that.
            $again = $size <= $last / self::FEWER_FOR_SECOND_STEP;
            $this->secondStep[] = $again;
            $last = $again ? $size : $last;
        }
    }

    /** For any matrix: unknowns are joined by the strength of their couplings (see Aggregation). */
    public static function sparse(SparseMatrix $matrix): self
    {
        return self::over([], $matrix, $matrix, true);
    }

    /**
     * For a matrix that is not symmetric: unknowns are joined by the strength of the couplings in $strength, of the same
     * pattern, and the inner steps are those of generalised conjugate residuals (Notay, SIAM J. Sci. Comput. 34 (2012) A2288).
     */
    public static function convective(SparseMatrix $matrix, SparseMatrix $strength): self
    {
        return self::over([], $matrix, $strength, false);
    }

    /** The same aggregates for another matrix of the pattern that convective() or sparse() had: its couplings have changed a little. */
    public function with(SparseMatrix $matrix): self
    {
        $levels = [];
        foreach ($this->levels as $level) {
            assert($level instanceof SparseLevel);
            [$levels[], $matrix] = $level->with($matrix);
        }

        return new self($levels, new DenseFactors($matrix), $matrix->size, $this->symmetric);
    }

    /** @param list<Level> $levels */
    private static function over(array $levels, SparseMatrix $matrix, SparseMatrix $strength, bool $symmetric): self
    {
        while ($matrix->size > self::COARSEST) {
            [$aggregate, $coarse] = Aggregation::coarsen($strength);
            if ($coarse->size > 0.9 * $matrix->size) {
                break;
            }
            $levels[] = new SparseLevel($matrix, $aggregate, $coarse->size);
            $matrix = $symmetric ? $coarse : Aggregation::galerkin($matrix, $aggregate, $coarse->size);
            $strength = $coarse;
        }

        return new self($levels, new DenseFactors($matrix), $matrix->size, $symmetric);
    }

    /**
     * For a box of cells: lines along the stiff axes are solved exactly and blocks of cells joined (see BlockAggregates);
     * what is left, an eighth to a third of the unknowns, goes on as any matrix.
     *
     * @param list<non-empty-array<int, int>> $ties padded indices of cells with one common value
     */
    public static function box(Stencil $stencil, array $ties = []): self
    {
        $axes = BlockAggregates::lineAxes($stencil);
        [$aggregate, $count] = BlockAggregates::of($stencil, $axes, $ties);
        $coarse = $stencil->galerkin($aggregate, $count);

        return self::over([new BoxLevel($stencil, $axes, $aggregate, $count)], $coarse, $coarse, true);
    }

    public function levels(): int
    {
        return count($this->levels) + 1;
    }

    public function apply(array $b): array
    {
        return $this->cycle($b, 0);
    }

    /**
     * @param array<int, float> $b
     * @return array<int, float> an approximation of A^-1 b
     */
    private function cycle(array $b, int $level): array
    {
        if ($level === count($this->levels)) {
            return $this->direct->solve($b);
        }
        [$x, $coarse] = $this->levels[$level]->down($b);

        $correction = $this->correct($coarse, $level + 1);

        return $this->levels[$level]->up($b, Vectors::take($x), $correction);
    }

    /**
     * Coarse problem by one or two steps preconditioned with the cycle of that level: flexible conjugate gradients, or
     * generalised conjugate residuals where the matrix is not symmetric.
     *
     * @param array<int, float> $b
     * @return array<int, float>
     */
    private function correct(array $b, int $level): array
    {
        $c = $this->cycle($b, $level);
        if ($level === count($this->levels)) {
            return $c;
        }
        $v = $this->levels[$level]->times($c);
        $test = $this->symmetric ? $c : $v;
        $rho1 = Vectors::dot($test, $v);
        $alpha1 = Vectors::dot($test, $b);
        if ($rho1 <= 0.0) {
            return $c;
        }
        $rest = Vectors::plus($b, -$alpha1 / $rho1, $v);
        if (! $this->secondStep[$level - 1] || Vectors::norm($rest) <= 0.25 * Vectors::norm($b)) {
            return Vectors::scaled($alpha1 / $rho1, Vectors::take($c));
        }
        $d = $this->cycle($rest, $level);
        $w = $this->levels[$level]->times($d);
        $other = $this->symmetric ? $d : $w;
        $gamma = Vectors::dot($other, $v);
        $beta = Vectors::dot($other, $w);
        $alpha2 = Vectors::dot($other, $rest);
        $rho2 = $beta - $gamma * $gamma / $rho1;
        if ($rho2 <= 0.0) {
            return Vectors::scaled($alpha1 / $rho1, Vectors::take($c));
        }

        return Vectors::combine($alpha1 / $rho1 - $gamma * $alpha2 / ($rho1 * $rho2), Vectors::take($c), $alpha2 / $rho2, $d);
    }
}
