<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\LinearSolution;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;

/** Solves the equations of heat and of currents on a box of cells with the multigrid that suits it. */
final class StencilSolver
{
    /** From this share of cells that take part on, loops over the whole box are faster than lists of neighbours. */
    private const FULL = 0.25;

    private const MOST_ITERATIONS = 300;

    /**
     * @param list<float> $source padded
     * @param list<float> $start padded
     * @param float $sumTolerance what may be missing in the sum of the residuals
     * @param callable(int, float, Closure(): list<float>): bool $progress iteration, relative residual, padded iterate; false stops
     * @param list<non-empty-list<int>> $ties padded indices of cells with one common value
     */
    public static function solve(Stencil $stencil, array $source, array $start, float $tolerance, float $sumTolerance, callable $progress, array $ties = []): LinearSolution
    {
        $taking = count(array_filter($stencil->diagonal, fn (float $d) => $d > 0.0));
        $way = $taking >= self::FULL * $stencil->size() ? self::onBox(...) : self::onUnknowns(...);

        return $way($stencil, $source, $start, $tolerance, $sumTolerance, $progress, $ties);
    }

    /**
     * @param list<float> $source
     * @param list<float> $start
     * @param list<non-empty-list<int>> $ties
     */
    private static function onBox(Stencil $stencil, array $source, array $start, float $tolerance, float $sumTolerance, callable $progress, array $ties): LinearSolution
    {
        $multigrid = Multigrid::box($stencil, $ties);
        $tied = new TiedCells($stencil, $multigrid, $ties);

        return ConjugateGradient::solve(
            $ties === [] ? $stencil : $tied, $ties === [] ? $multigrid : $tied, $source, $start,
            $tolerance, $sumTolerance, self::MOST_ITERATIONS, $progress,
        );
    }

    /**
     * @param list<float> $source
     * @param list<float> $start
     * @param list<non-empty-list<int>> $ties
     */
    private static function onUnknowns(Stencil $stencil, array $source, array $start, float $tolerance, float $sumTolerance, callable $progress, array $ties): LinearSolution
    {
        [$matrix, $unknown] = $stencil->toSparse($ties);
        $solution = ConjugateGradient::solve(
            $matrix, Multigrid::sparse($matrix), Stencil::pack($source, $unknown, $matrix->size), Stencil::pick($start, $unknown, $matrix->size), $tolerance, $sumTolerance, self::MOST_ITERATIONS,
            fn (int $iteration, float $residual, Closure $iterate): bool => $progress($iteration, $residual, fn () => Stencil::unpack($iterate(), $unknown)),
        );

        return new LinearSolution(Stencil::unpack($solution->x, $unknown), $solution->iterations, $solution->residual, $solution->converged, $solution->stopped);
    }
}
