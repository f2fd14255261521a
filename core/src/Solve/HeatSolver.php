<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\LinearSolution;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\PlaneGroups;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;
use Foehn\Physics\Heat\HeatSystem;

/** Solves the equations of a heat system with the multigrid that suits it. */
final class HeatSolver
{
    /** Planes and lines that need more iterations than this are given up for aggregates by strength of coupling. */
    private const PATIENCE = 40;

    private const MOST_ITERATIONS = 300;

    /**
     * @param list<float> $start padded, relative to the reference temperature
     * @param float $sumTolerance W that may be missing in the balance
     * @param callable(int, float, Closure(): list<float>): bool $progress iteration, relative residual, padded iterate; false stops
     */
    public static function solve(HeatSystem $system, array $start, float $tolerance, float $sumTolerance, callable $progress): LinearSolution
    {
        $done = 0;
        if (PlaneGroups::suit($system->stencil)) {
            $first = self::withPlanes($system, $start, $tolerance, $sumTolerance, $progress);
            if ($first->converged || $first->stopped) {
                return $first;
            }
            [$start, $done] = [$first->x, $first->iterations];
        }

        return self::withAggregates($system, $start, $tolerance, $sumTolerance, $progress, $done);
    }

    /** @param list<float> $start */
    private static function withPlanes(HeatSystem $system, array $start, float $tolerance, float $sumTolerance, callable $progress): LinearSolution
    {
        $multigrid = Multigrid::box($system->stencil);
        $ties = $system->packages->ties($system->stencil->pad);
        $tied = new TiedCells($system->stencil, $multigrid, $ties);

        return ConjugateGradient::solve(
            $ties === [] ? $system->stencil : $tied, $ties === [] ? $multigrid : $tied, $system->source, $start,
            $tolerance, $sumTolerance, self::PATIENCE, $progress,
        );
    }

    /** @param list<float> $start */
    private static function withAggregates(HeatSystem $system, array $start, float $tolerance, float $sumTolerance, callable $progress, int $done): LinearSolution
    {
        [$matrix, $unknown] = $system->stencil->toSparse($system->packages->ties($system->stencil->pad));
        $solution = ConjugateGradient::solve(
            $matrix, Multigrid::sparse($matrix), Stencil::pack($system->source, $unknown, $matrix->size), Stencil::pick($start, $unknown, $matrix->size), $tolerance, $sumTolerance, self::MOST_ITERATIONS,
            fn (int $iteration, float $residual, Closure $iterate): bool => $progress($done + $iteration, $residual, fn () => Stencil::unpack($iterate(), $unknown)),
        );

        return new LinearSolution(Stencil::unpack($solution->x, $unknown), $done + $solution->iterations, $solution->residual, $solution->converged, $solution->stopped);
    }
}
