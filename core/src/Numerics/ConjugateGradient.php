<?php

declare(strict_types=1);

namespace Foehn\Numerics;

use Closure;

/** Flexible conjugate gradients (Notay, SIAM J. Sci. Comput. 22 (2000) 1444) with multigrid as preconditioner. */
final class ConjugateGradient
{
    /**
     * Solves A x = b, starting from $x.
     *
     * @param array<int, float> $b
     * @param array<int, float> $x
     * @param ?callable(int, float, Closure(): array<int, float>): bool $progress iteration, relative residual, iterate; false stops
     */
    public static function solve(Matrix $matrix, Preconditioner $preconditioner, array $b, array $x, Accuracy $accuracy, ?callable $progress = null): LinearSolution
    {
        $scale = Vectors::norm($b);
        if ($scale === 0.0) {
            return new LinearSolution(array_fill(0, count($b), 0.0), 0, 0.0, true, false);
        }
        $r = Vectors::combine(1.0, $b, -1.0, $matrix->times($x));
        $residual = Vectors::norm($r) / $scale;
        $p = [];
        $q = [];
        $pq = 0.0;
        $isNear = false;
        for ($iteration = 0; $iteration < $accuracy->mostIterations; $iteration++) {
            if ($residual <= $accuracy->residual && abs(array_sum($r)) <= $accuracy->sum) {
                return new LinearSolution($x, $iteration, $residual, true, false);
            }
            $z = $preconditioner->apply($r);
            $isNear = $accuracy->correction > 0.0 && Vectors::largest($z) <= $accuracy->correction;
            $beta = $p === [] ? 0.0 : -Vectors::dot($z, $q) / $pq;
            $p = $p === [] ? $z : Vectors::plus(Vectors::take($z), $beta, $p);
            $q = $matrix->times($p);
            $pq = Vectors::dot($p, $q);
            if ($pq <= 0.0 || ! is_finite($pq)) {
                $isNear = $isNear && $pq === 0.0;
                break;
            }
            $alpha = Vectors::dot($p, $r) / $pq;
            $x = Vectors::plus(Vectors::take($x), $alpha, $p);
            $r = Vectors::plus(Vectors::take($r), -$alpha, $q);
            $residual = Vectors::norm($r) / $scale;
            if ($isNear) {
                return new LinearSolution($x, $iteration + 1, $residual, true, false);
            }
            if ($progress !== null && ! $progress($iteration + 1, $residual, fn () => $x)) {
                return new LinearSolution($x, $iteration + 1, $residual, $residual <= $accuracy->residual, true);
            }
        }

        return new LinearSolution($x, $iteration, $residual, $isNear || $residual <= $accuracy->residual, false);
    }
}
