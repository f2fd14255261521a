<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** Truncated generalised conjugate residuals (Eisenstat, Elman & Schultz, SIAM J. Numer. Anal. 20 (1983) 345) for matrices that are not symmetric. */
final class ConjugateResiduals
{
    /** Directions that are kept. */
    private const DEPTH = 12;

    /**
     * Solves A x = b to a relative residual, starting from $x.
     *
     * @param list<float> $b
     * @param list<float> $x
     */
    public static function solve(Matrix $matrix, Preconditioner $preconditioner, array $b, array $x, float $tolerance, int $mostIterations): LinearSolution
    {
        $r = Vectors::combine(1.0, $b, -1.0, $matrix->times($x));
        $scale = max(Vectors::norm($b), 1e-300);
        $residual = Vectors::norm($r) / $scale;
        $directions = [];
        for ($iteration = 0; $iteration < $mostIterations && $residual > $tolerance; $iteration++) {
            $p = $preconditioner->apply($r);
            $q = $matrix->times($p);
            foreach ($directions as [$p0, $q0]) {
                $share = Vectors::dot($q, $q0);
                $p = Vectors::plus($p, -$share, $p0);
                $q = Vectors::plus($q, -$share, $q0);
            }
            $norm = Vectors::norm($q);
            if (! ($norm > 0.0)) {
                break;
            }
            $p = Vectors::combine(1.0 / $norm, $p, 0.0, $p);
            $q = Vectors::combine(1.0 / $norm, $q, 0.0, $q);
            $alpha = Vectors::dot($q, $r);
            $x = Vectors::plus($x, $alpha, $p);
            $r = Vectors::plus($r, -$alpha, $q);
            $residual = Vectors::norm($r) / $scale;
            $directions[] = [$p, $q];
            if (count($directions) > self::DEPTH) {
                array_shift($directions);
            }
        }

        return new LinearSolution($x, $iteration, $residual, $residual <= $tolerance, false);
    }
}
