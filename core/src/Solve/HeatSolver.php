<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\LinearSolution;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;
use Foehn\Physics\Heat\HeatSystem;

/** Solves the equations of a heat system with the multigrid that suits it. */
final class HeatSolver
{
    /** From this share of cells that take part on, loops over the whole box are faster than lists of neighbours. */
    private const FULL = 0.25;

    private const MOST_ITERATIONS = 300;

    /**
     * @param list<float> $start padded, relative to the reference temperature
     * @param float $sumTolerance W that may be missing in the balance
     * @param callable(int, float, Closure(): list<float>): bool $progress iteration, relative residual, padded iterate; false stops
     */
    public static function solve(HeatSystem $system, array $start, float $tolerance, float $sumTolerance, callable $progress): LinearSolution
    {
        $taking = count(array_filter($system->live));
        $way = $taking >= self::FULL * count($system->live) ? self::onBox(...) : self::onUnknowns(...);

        return $way($system, $system->packages->ties($system->stencil->pad), $start, $tolerance, $sumTolerance, $progress);
    }

    /**
     * @param list<non-empty-list<int>> $ties
     * @param list<float> $start
     */
    private static function onBox(HeatSystem $system, array $ties, array $start, float $tolerance, float $sumTolerance, callable $progress): LinearSolution
    {
        $multigrid = Multigrid::box($system->stencil, $ties);
        $tied = new TiedCells($system->stencil, $multigrid, $ties);

        return ConjugateGradient::solve(
            $ties === [] ? $system->stencil : $tied, $ties === [] ? $multigrid : $tied, $system->source, $start,
            $tolerance, $sumTolerance, self::MOST_ITERATIONS, $progress,
        );
    }

    /**
     * @param list<non-empty-list<int>> $ties
     * @param list<float> $start
     */
    private static function onUnknowns(HeatSystem $system, array $ties, array $start, float $tolerance, float $sumTolerance, callable $progress): LinearSolution
    {
        [$matrix, $unknown] = $system->stencil->toSparse($ties);
        $solution = ConjugateGradient::solve(
            $matrix, Multigrid::sparse($matrix), Stencil::pack($system->source, $unknown, $matrix->size), Stencil::pick($start, $unknown, $matrix->size), $tolerance, $sumTolerance, self::MOST_ITERATIONS,
            fn (int $iteration, float $residual, Closure $iterate): bool => $progress($iteration, $residual, fn () => Stencil::unpack($iterate(), $unknown)),
        );

        return new LinearSolution(Stencil::unpack($solution->x, $unknown), $solution->iterations, $solution->residual, $solution->converged, $solution->stopped);
    }
}
