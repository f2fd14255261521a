<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * Truncated generalised conjugate residuals (Eisenstat, Elman & Schultz, SIAM J. Numer. Anal. 20 (1983) 345) for matrices that are
 * not symmetric. Each step makes the residual least as it stands. Counted over the diagonal, so that every unknown counts by how far it
 * would move, a step that warms a fluid well enough would seem to do harm as long as the solid it is warmed by conducts 1e6 times better.
 *
 * How near x is, is told by the correction that the preconditioner asks for, within two to four times the true error (measured on
 * the demos); residuals over the diagonal understate it by ten to a thousand times.
 */
final class ConjugateResiduals
{
    /** Directions that are kept. */
    private const DEPTH = 12;

    /**
     * Solves A x = b, starting from $x, until the correction asked for before the last step is a small share of x.
     *
     * @param array<int, float> $b
     * @param array<int, float> $x
     */
    public static function solve(Matrix $matrix, Preconditioner $preconditioner, array $b, array $x, Accuracy $accuracy): LinearSolution
    {
        $r = Vectors::combine(1.0, $b, -1.0, $matrix->times($x));
        $directions = [];
        $asks = INF;
        $isNear = false;
        for ($iteration = 0; $iteration < $accuracy->mostIterations && $asks > $accuracy->residual && ! $isNear; $iteration++) {
            $p = $preconditioner->apply($r);
            $isNear = $accuracy->correction > 0.0 && Vectors::largest($p) <= $accuracy->correction;
            $asked = Vectors::norm($p);
            $q = $matrix->times($p);
            foreach ($directions as [$p0, $q0]) {
                $part = Vectors::dot($q, $q0);
                $p = Vectors::plus(Vectors::take($p), -$part, $p0);
                $q = Vectors::plus(Vectors::take($q), -$part, $q0);
            }
            $norm = Vectors::norm($q);
            if ($norm <= 0.0 || ! is_finite($norm)) {
                // Nothing is left to ask for.
                $asks = $asked;
                $isNear = $isNear && $norm === 0.0;
                break;
            }
            $p = Vectors::scaled(1.0 / $norm, Vectors::take($p));
            $q = Vectors::scaled(1.0 / $norm, Vectors::take($q));
            $alpha = Vectors::dot($q, $r);
            $x = Vectors::plus(Vectors::take($x), $alpha, $p);
            $r = Vectors::plus(Vectors::take($r), -$alpha, $q);
            $asks = $asked / max(Vectors::norm($x), 1e-300);
            $directions[] = [$p, $q];
            if (count($directions) > self::DEPTH) {
                array_shift($directions);
            }
        }

        return new LinearSolution($x, $iteration, $asks, $isNear || $asks <= $accuracy->residual, false);
    }
}
