<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConvectiveSolver;
use Foehn\Numerics\SparseMatrix;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Numerics\Vectors;
use PHPUnit\Framework\TestCase;

/** Handles that are made once and solve for many right-hand sides, also of the transposed operator. */
final class SolverHandleTest extends TestCase
{
    public function testTheTransposeExchangesRowsAndColumns(): void
    {
        $matrix = self::stream(12);
        $transpose = $matrix->transposed();
        [$x, $y] = [self::wave($matrix->size, 0.7), self::wave($matrix->size, 1.9)];

        self::assertEqualsWithDelta(Vectors::dot($matrix->times($x), $y), Vectors::dot($x, $transpose->times($y)), 1e-10);
        self::assertNotEqualsWithDelta(Vectors::dot($matrix->times($x), $y), Vectors::dot($x, $matrix->times($y)), 1e-3, 'else the matrix would be symmetric');
        self::assertEquals($matrix->times($x), $transpose->transposed()->times($x));
    }

    public function testTheTransposedSolverTellsWhatAValueOwesToEachSource(): void
    {
        $matrix = self::stream(20);
        $solver = ConvectiveSolver::of($matrix, $matrix);
        $accuracy = new Accuracy(1e-12, mostIterations: 60);
        $zeros = array_fill(0, $matrix->size, 0.0);
        // One value of the solution for any right-hand side, by one solution of the transposed operator.
        $asked = $zeros;
        $asked[137] = 1.0;
        $influence = $solver->transposed()->solve($asked, $zeros, $accuracy)->x;
        foreach ([0.3, 1.1, 2.3] as $frequency) {
            $b = self::wave($matrix->size, $frequency);
            $x = $solver->solve($b, $zeros, $accuracy)->x;
            self::assertEqualsWithDelta(0.0, Vectors::norm(Vectors::plus($matrix->times($x), -1.0, $b)), 1e-8);
            self::assertEqualsWithDelta($x[137], Vectors::dot($influence, $b), 1e-8);
        }
    }

    public function testAHierarchyServesANearbyMatrix(): void
    {
        [$before, $matrix] = [self::stream(20), self::stream(20, 1.2)];
        $b = self::wave($matrix->size, 0.9);
        $zeros = array_fill(0, $matrix->size, 0.0);
        $accuracy = new Accuracy(1e-10, mostIterations: 80);
        $own = ConvectiveSolver::of($matrix, $matrix)->solve($b, $zeros, $accuracy);
        $old = ConvectiveSolver::of($before, $before);
        foreach ([$old->keepFor($matrix), $old->renewFor($matrix)] as $solver) {
            $solution = $solver->solve($b, $zeros, $accuracy);
            self::assertTrue($solution->converged);
            self::assertEqualsWithDelta(0.0, Vectors::norm(Vectors::plus($solution->x, -1.0, $own->x)), 1e-7 * Vectors::norm($own->x));
        }
    }

    public function testAHierarchyOfABoxServesOneWithOtherCouplings(): void
    {
        foreach ([[], [[260, 261, 300]]] as $ties) {
            [$before, $stencil] = [Boxes::stencil([12, 10, 8], [1.0, 5.0, 0.3], fn (): float => 0.1), Boxes::stencil([12, 10, 8], [1.1, 4.6, 0.33], fn (int $n): float => 0.1 + 0.02 * sin($n))];
            $b = array_map(fn (float $d, float $v): float => $d > 0.0 ? $v : 0.0, $stencil->diagonal, self::wave(count($stencil->diagonal), 0.9));
            $zeros = Stencil::zeros($stencil->cells);
            $own = (new StencilSolver($stencil, $ties))->solve($b, $zeros, new Accuracy(1e-11));
            $kept = (new StencilSolver($before, $ties))->keepFor($stencil)->solve($b, $zeros, new Accuracy(1e-11));

            self::assertTrue($kept->converged);
            self::assertLessThanOrEqual($own->iterations + 6, $kept->iterations);
            self::assertEqualsWithDelta(0.0, Vectors::farthest($own->x, $kept->x), 1e-8);
        }
    }

    /** What the preconditioner asks for is of the size of the error, and one iteration follows it. */
    public function testACorrectionThatIsSmallEnoughEndsASolutionThatNear(): void
    {
        $stencil = Boxes::stencil([12, 10, 8], [1.0, 5.0, 0.3], fn (): float => 0.1);
        $stream = self::stream(20);
        $onBox = new StencilSolver($stencil);
        $x = array_map(fn (float $d, float $v): float => $d > 0.0 ? 20.0 * $v : 0.0, $stencil->diagonal, self::wave(count($stencil->diagonal), 0.7));
        $y = self::wave($stream->size, 0.7);
        foreach ([1.0, 1e-2, 1e-4] as $near) {
            foreach ([[$onBox->solve($stencil->times($x), Stencil::zeros($stencil->cells), new Accuracy(0.0, correction: $near)), $x], [ConvectiveSolver::of($stream, $stream)->solve($stream->times($y), array_fill(0, $stream->size, 0.0), new Accuracy(0.0, correction: $near)), $y]] as [$solution, $exact]) {
                self::assertTrue($solution->converged);
                self::assertLessThan($near, Vectors::farthest($solution->x, $exact));
            }
        }
        self::assertLessThan(
            $onBox->solve($stencil->times($x), Stencil::zeros($stencil->cells), new Accuracy(0.0, correction: 1e-6))->iterations,
            $onBox->solve($stencil->times($x), Stencil::zeros($stencil->cells), new Accuracy(0.0, correction: 1.0))->iterations,
        );
    }

    public function testOneHandleSolvesOnABoxAndOnTheFewCellsThatTakePart(): void
    {
        $cells = [8, 7, 6];
        foreach ([1.0, 0.1] as $taking) {
            $zeros = Stencil::zeros($cells);
            $coupling = [$zeros, $zeros, $zeros];
            $extra = $zeros;
            $pad = 56;
            // A bar along x through the box, or all of it.
            for ($n = 0; $n < 336; $n++) {
                [$i, $j, $k] = [$n % 8, intdiv($n, 8) % 7, intdiv($n, 56)];
                if ($taking === 1.0 || ($j < 2 && $k < 1)) {
                    $coupling[0][$pad + $n] = $i < 7 ? 2.0 : 0.0;
                    $extra[$pad + $n] = $i === 0 ? 1.0 : 0.0;
                }
            }
            $stencil = new Stencil($cells, [$coupling[0], $coupling[1], $coupling[2]], $extra);
            $solver = new StencilSolver($stencil);
            foreach ([0.4, 1.7] as $frequency) {
                $x = array_map(fn (float $d, float $v): float => $d > 0.0 ? $v : 0.0, $stencil->diagonal, self::wave(count($zeros), $frequency));
                $solution = $solver->solve($stencil->times($x), $zeros, new Accuracy(1e-11));
                self::assertEqualsWithDelta(0.0, Vectors::norm(Vectors::plus($solution->x, -1.0, $x)), 1e-7);
            }
            self::assertSame($solver, $solver->transposed(), 'a stencil is symmetric');
        }
    }

    /** Diffusion and a stream on a square of n x n cells, upwind. */
    private static function stream(int $n, float $speed = 1.0): SparseMatrix
    {
        $from = $to = $forth = $back = [];
        for ($j = 0; $j < $n; $j++) {
            for ($i = 0; $i < $n; $i++) {
                $c = $i + $n * $j;
                foreach ([[1, $i < $n - 1, 3.0 * $speed], [$n, $j < $n - 1, 1.0 * $speed]] as [$step, $inside, $carried]) {
                    if ($inside) {
                        [$from[], $to[]] = [$c, $c + $step];
                        // The cell downstream hears of the one upstream.
                        [$forth[], $back[]] = [1.0, 1.0 + $carried];
                    }
                }
            }
        }

        return SparseMatrix::fromLinks($from, $to, $forth, array_fill(0, $n * $n, 0.05), $back);
    }

    /** @return list<float> */
    private static function wave(int $size, float $frequency): array
    {
        return array_map(fn (int $n): float => sin($frequency * $n + 0.2) + 0.3 * cos(3 * $frequency * $n), range(0, $size - 1));
    }
}
