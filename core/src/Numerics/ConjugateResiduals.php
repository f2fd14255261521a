<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Truncated generalised conjugate residuals (Eisenstat, Elman & Schultz, SIAM J. Numer. Anal. 20 (1983) 345) for matrices that are
 * not symmetric. Residuals count over the diagonal, as a change of x: among watts, what is missing in the air would vanish beside
 * what a metal wall conducts.
 */
final class ConjugateResiduals
{
    /** Directions that are kept. */
    private const DEPTH = 12;

    /**
     * Solves A x = b until the residuals over the diagonal are a small share of x, starting from $x.
     *
     * @param list<float> $b
     * @param list<float> $x
     */
    public static function solve(SparseMatrix $matrix, Preconditioner $preconditioner, array $b, array $x, float $tolerance, int $mostIterations): LinearSolution
    {
        $diagonal = $matrix->diagonal;
        $r = Vectors::combine(1.0, $b, -1.0, $matrix->times($x));
        $local = Vectors::over($r, $diagonal);
        $least = max(Vectors::norm(Vectors::over($b, $diagonal)), 1e-300);
        $residual = Vectors::norm($local) / max($least, Vectors::norm($x));
        $directions = [];
        for ($iteration = 0; $iteration < $mostIterations && $residual > $tolerance; $iteration++) {
            $p = $preconditioner->apply($r);
            $q = $matrix->times($p);
            $moved = Vectors::over($q, $diagonal);
            foreach ($directions as [$p0, $q0, $moved0]) {
                $share = Vectors::dot($moved, $moved0);
                $p = Vectors::plus(Vectors::take($p), -$share, $p0);
                $q = Vectors::plus(Vectors::take($q), -$share, $q0);
                $moved = Vectors::plus(Vectors::take($moved), -$share, $moved0);
            }
            $norm = Vectors::norm($moved);
            if (! ($norm > 0.0)) {
                break;
            }
            $p = Vectors::scaled(1.0 / $norm, Vectors::take($p));
            $q = Vectors::scaled(1.0 / $norm, Vectors::take($q));
            $moved = Vectors::scaled(1.0 / $norm, Vectors::take($moved));
            $alpha = Vectors::dot($moved, $local);
            $x = Vectors::plus(Vectors::take($x), $alpha, $p);
            $r = Vectors::plus(Vectors::take($r), -$alpha, $q);
            $local = Vectors::plus(Vectors::take($local), -$alpha, $moved);
            $residual = Vectors::norm($local) / max($least, Vectors::norm($x));
            $directions[] = [$p, $q, $moved];
            if (count($directions) > self::DEPTH) {
                array_shift($directions);
            }
        }

        return new LinearSolution($x, $iteration, $residual, $residual <= $tolerance, false);
    }
}
