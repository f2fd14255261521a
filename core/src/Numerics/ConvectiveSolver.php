<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Solves a sparse matrix that is not symmetric. Its hierarchy may be that of an earlier matrix whose coefficients were nearly the same. */
final readonly class ConvectiveSolver implements LinearSolver
{
    private function __construct(private SparseMatrix|FaceTerms $matrix, private Multigrid $multigrid)
    {
    }

    /** @param SparseMatrix $strength of the same pattern: unknowns are joined by the strength of these couplings */
    public static function of(SparseMatrix $matrix, SparseMatrix $strength): self
    {
        return new self($matrix, Multigrid::convective($matrix, $strength));
    }

    /** For another matrix of the pattern, with the hierarchy as it is: good enough while coefficients have changed a little. */
    public function keepFor(SparseMatrix $matrix): self
    {
        return new self($matrix, $this->multigrid);
    }

    /** For another matrix of the pattern, with the same unknowns joined but the coefficients of the new one. */
    public function renewFor(SparseMatrix $matrix): self
    {
        return new self($matrix, $this->multigrid->with($matrix));
    }

    /** For a matrix with more terms than the hierarchy knows of. */
    public function with(FaceTerms $matrix): self
    {
        return new self($matrix, $this->multigrid);
    }

    /** The residual of the accuracy is the correction that is still asked for, as a share of the solution (see ConjugateResiduals). */
    public function solve(array $b, array $x, Accuracy $accuracy, ?callable $progress = null): LinearSolution
    {
        return ConjugateResiduals::solve($this->matrix, $this->multigrid, $b, $x, $accuracy);
    }

    public function transposed(): self
    {
        $transpose = $this->matrix->transposed();
        $sparse = $transpose instanceof FaceTerms ? $transpose->matrix : $transpose;

        return new self($transpose, Multigrid::convective($sparse, $sparse));
    }
}
