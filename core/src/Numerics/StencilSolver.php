<?php

declare(strict_types=1);

namespace Foehn\Numerics;

use Closure;

/** Solves a stencil matrix on a box of cells with the multigrid that suits it. Vectors are padded (see Stencil). */
final class StencilSolver implements LinearSolver
{
    /** From this share of cells that take part on, loops over the whole box are faster than lists of neighbours. */
    private const FULL = 0.25;

    private readonly Matrix $matrix;

    private readonly Preconditioner $preconditioner;

    private readonly Multigrid $multigrid;

    /** @var ?array<int, int> unknown of each padded cell, where those that take part are numbered apart */
    private readonly ?array $unknown;

    private readonly int $size;

    /**
     * @param list<non-empty-array<int, int>> $ties padded indices of cells with one common value
     * @param ?self $near of a stencil with the same cells taking part, whose hierarchy serves
     * @param bool $isListed whether to go by lists of neighbours however many cells take part: sheets with gaps are joined better by the strength of their couplings than in blocks
     */
    public function __construct(Stencil $stencil, private readonly array $ties = [], ?self $near = null, bool $isListed = false)
    {
        $taking = count(array_filter($stencil->diagonal, fn (float $d) => $d > 0.0));
        if (! $isListed && $taking >= self::FULL * $stencil->size()) {
            [$this->unknown, $this->size] = [null, $stencil->size()];
            $this->multigrid = $near === null ? Multigrid::box($stencil, $ties) : $near->multigrid;
            $tied = $ties === [] ? null : new TiedCells($stencil, $this->multigrid, $ties);
            [$this->matrix, $this->preconditioner] = [$tied ?? $stencil, $tied ?? $this->multigrid];
        } else {
            [$matrix, $this->unknown] = $stencil->toSparse($ties);
            [$this->matrix, $this->size] = [$matrix, $matrix->size];
            $this->preconditioner = $this->multigrid = $near === null ? Multigrid::sparse($matrix) : $near->multigrid;
        }
    }

    public function solve(array $b, array $x, Accuracy $accuracy, ?callable $progress = null): LinearSolution
    {
        $unknown = $this->unknown;
        if ($unknown === null) {
            return ConjugateGradient::solve($this->matrix, $this->preconditioner, TiedCells::project($b, $this->ties), $x, $accuracy, $progress);
        }
        $solution = ConjugateGradient::solve(
            $this->matrix, $this->preconditioner, Stencil::pack($b, $unknown, $this->size), Stencil::pick($x, $unknown, $this->size), $accuracy,
            $progress === null ? null : function (int $iteration, float $residual, Closure $iterate) use ($progress, $unknown): bool {
                /** @var Closure(): array<int, float> $iterate */
                return $progress($iteration, $residual, fn (): array => Stencil::unpack($iterate(), $unknown));
            },
        );

        return new LinearSolution(Stencil::unpack($solution->x, $unknown), $solution->iterations, $solution->residual, $solution->converged, $solution->stopped);
    }

    /** For another stencil with the same cells taking part, with the hierarchy as it is: good enough while coefficients have changed a little. */
    public function keepFor(Stencil $stencil): self
    {
        return new self($stencil, $this->ties, $this);
    }

    /** A stencil matrix is symmetric. */
    public function transposed(): self
    {
        return $this;
    }
}
