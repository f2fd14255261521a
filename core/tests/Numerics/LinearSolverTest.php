<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Aggregation;
use Foehn\Numerics\BlockAggregates;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\DenseFactors;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\SparseMatrix;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;
use Foehn\Numerics\Vectors;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class LinearSolverTest extends TestCase
{
    public function testAMatrixFromLinksMultipliesAsTheDenseOne(): void
    {
        $matrix = SparseMatrix::fromLinks([0, 2, 1], [1, 0, 2], [2.0, 3.0, 5.0], [1.0, 0.0, 0.5]);

        self::assertEqualsWithDelta([6 * 1 - 2 * 2 - 3 * 3, 7 * 2 - 2 * 1 - 5 * 3, 8.5 * 3 - 3 * 1 - 5 * 2], $matrix->times([1.0, 2.0, 3.0]), 1e-14);
    }

    /** With the tracing compiler a negated comparison takes NAN for small, once it has run often enough to be compiled. */
    public function testValuesThatAreNotFiniteAreSeenInCompiledCodeToo(): void
    {
        $seen = [];
        for ($n = 0; $n < 500; $n++) {
            $seen[(int) Vectors::areFinite([1.0, -2.0, (float) $n])] = true;
        }

        self::assertSame([1 => true], $seen);
        self::assertFalse(Vectors::areFinite([1.0, NAN, 2.0]));
        self::assertFalse(Vectors::areFinite([INF, 1.0]));
    }

    public function testASystemWithoutNumbersIsNotCalledSolved(): void
    {
        $matrix = SparseMatrix::fromLinks([0], [1], [1.0], [1.0, 1.0]);
        $solution = ConjugateGradient::solve($matrix, Multigrid::sparse($matrix), [NAN, 1.0], [0.0, 0.0], new Accuracy(1e-8));

        self::assertFalse($solution->converged);
    }

    public function testTheGalerkinMatrixKeepsRowSums(): void
    {
        $matrix = self::brick(6, 5, 4, [1.0, 10.0, 0.1]);
        [$aggregate, $coarse] = Aggregation::coarsen($matrix);
        $count = $coarse->size;
        $fineSums = $matrix->times(array_fill(0, $matrix->size, 1.0));
        $expected = array_fill(0, $count, 0.0);
        foreach ($aggregate as $i => $a) {
            $expected[$a] += $fineSums[$i];
        }

        self::assertLessThan(0.6 * $matrix->size, $count);
        self::assertEqualsWithDelta($expected, $coarse->times(array_fill(0, $count, 1.0)), 1e-10);
    }

    public function testCholeskySolvesExactly(): void
    {
        $matrix = self::brick(4, 3, 3, [1.0, 2.0, 3.0]);
        $x = array_map(fn (int $i) => sin($i), range(0, $matrix->size - 1));

        self::assertEqualsWithDelta($x, (new DenseFactors($matrix))->solve($matrix->times($x)), 1e-10);
    }

    /** @param array{float, float, float} $couplings along x, y, z */
    #[DataProvider('bricks')]
    public function testConvergesFastWhateverTheAspectOfTheCells(array $couplings, int $mostIterations): void
    {
        $matrix = self::brick(24, 22, 20, $couplings);
        $x = array_map(fn (int $i) => sin(0.37 * $i) + 2.0, range(0, $matrix->size - 1));
        $solution = ConjugateGradient::solve($matrix, Multigrid::sparse($matrix), $matrix->times($x), array_fill(0, $matrix->size, 0.0), new Accuracy(1e-10));

        self::assertTrue($solution->converged);
        self::assertLessThanOrEqual($mostIterations, $solution->iterations);
        self::assertEqualsWithDelta($x, $solution->x, 1e-5);
    }

    /** @return iterable<string, array{array{float, float, float}, int}> */
    public static function bricks(): iterable
    {
        yield 'cubes' => [[1.0, 1.0, 1.0], 20];
        yield 'thin layers' => [[1.0, 1.0, 1e5], 25];
        yield 'needles' => [[1e-4, 1.0, 1e3], 30];
    }

    public function testAHierarchyServesAMatrixWhoseCouplingsHaveChanged(): void
    {
        $multigrid = Multigrid::sparse(self::brick(16, 15, 14, [1.0, 2.0, 4.0]));
        $matrix = self::brick(16, 15, 14, [1.5, 2.5, 3.0]);
        $x = array_map(fn (int $i) => cos(0.2 * $i), range(0, $matrix->size - 1));
        $solution = ConjugateGradient::solve($matrix, $multigrid->with($matrix), $matrix->times($x), array_fill(0, $matrix->size, 0.0), new Accuracy(1e-10));

        self::assertLessThanOrEqual(22, $solution->iterations);
        self::assertEqualsWithDelta($x, $solution->x, 1e-6);
    }

    public function testSolvesAThinNetWithLoops(): void
    {
        // A serpentine trace with a few strong bridges: what defeats smoothers on a structured grid.
        [$from, $to, $g] = [[], [], []];
        $n = 4000;
        for ($i = 1; $i < $n; $i++) {
            array_push($from, $i - 1);
            array_push($to, $i);
            array_push($g, 1.0 + 0.5 * sin($i));
            if ($i % 50 === 0 && $i > 200) {
                array_push($from, $i);
                array_push($to, $i - 199);
                array_push($g, 1e-3);
            }
        }
        $extra = array_fill(0, $n, 0.0);
        $extra[0] = 1.0;
        $matrix = SparseMatrix::fromLinks($from, $to, $g, $extra);
        $b = array_fill(0, $n, 0.0);
        $b[$n - 1] = 1.0;
        $solution = ConjugateGradient::solve($matrix, Multigrid::sparse($matrix), $b, $b, new Accuracy(1e-8));

        self::assertTrue($solution->converged);
        self::assertLessThanOrEqual(60, $solution->iterations);
        self::assertEqualsWithDelta(1.0, $solution->x[0], 1e-5, 'all that goes in leaves at the earthed end');
    }

    public function testStopsWhenAsked(): void
    {
        $matrix = self::brick(10, 10, 10, [1.0, 1.0, 1.0]);
        $b = array_fill(0, 1000, 1.0);
        $solution = ConjugateGradient::solve($matrix, Multigrid::sparse($matrix), $b, array_fill(0, 1000, 0.0), new Accuracy(1e-12), fn (int $i) => $i < 2);

        self::assertTrue($solution->stopped);
        self::assertSame(2, $solution->iterations);
    }

    /** @return iterable<string, array{array{float, float, float}}> */
    public static function stiffAxes(): iterable
    {
        yield 'isotropic' => [[1.0, 1.0, 1.0]];
        yield 'along x' => [[50.0, 1.0, 2.0]];
        yield 'along y' => [[1.0, 50.0, 2.0]];
        yield 'along z' => [[1.0, 2.0, 200.0]];
    }

    /** @param array{float, float, float} $couplings */
    #[DataProvider('stiffAxes')]
    public function testLinesAndBlocksSolveWhatTheSparseMatrixSays(array $couplings): void
    {
        $stencil = self::stencil([13, 11, 9], $couplings);
        [$matrix, $unknown] = $stencil->toSparse();
        $exact = array_map(fn (int $u) => $u < 0 ? 0.0 : sin(0.37 * $u), $unknown);
        $b = $stencil->times($exact);

        self::assertEqualsWithDelta(Stencil::pack($b, $unknown, $matrix->size), $matrix->times(Stencil::pack($exact, $unknown, $matrix->size)), 1e-9);
        $solution = ConjugateGradient::solve($stencil, Multigrid::box($stencil), $b, Stencil::zeros($stencil->cells), new Accuracy(1e-11));
        self::assertTrue($solution->converged);
        self::assertLessThan(25, $solution->iterations);
        self::assertEqualsWithDelta($exact, $solution->x, 1e-7);
    }

    /** Good conductors along every axis in a bad one, which no order of planes and lines suits everywhere. */
    public function testThinMetalWallsInAirTakeNoMoreIterationsThanABlock(): void
    {
        $cells = [26, 24, 22];
        $metal = fn (int $i, int $j, int $k): bool => in_array($i, [1, 24], true) || in_array($j, [1, 12, 22], true) || $k === 2 || ($k > 2 && $k < 12 && $i > 5 && $i < 20 && $j % 3 === 0);
        $conductivity = fn (int $n): float => $metal($n % 26, intdiv($n, 26) % 24, intdiv($n, 26 * 24)) ? 200.0 : 0.026;
        $stencil = self::stencil($cells, [1.0, 2.0, 4.0], fn (int $n, int $next): float => 2 / (1 / $conductivity($n) + 1 / $conductivity($next)));
        $exact = array_map(fn (int $c, float $d) => $d > 0.0 ? 2.0 + sin(0.37 * $c) : 0.0, array_keys($stencil->diagonal), $stencil->diagonal);
        $solution = ConjugateGradient::solve($stencil, Multigrid::box($stencil), $stencil->times($exact), Stencil::zeros($cells), new Accuracy(1e-10));

        self::assertTrue($solution->converged);
        self::assertLessThanOrEqual(25, $solution->iterations);
        self::assertEqualsWithDelta($exact, $solution->x, 1e-4);
    }

    public function testBlocksDoNotJoinMetalAndAirAndTiedCellsAreOne(): void
    {
        $stencil = self::stencil([4, 4, 4], [1.0, 1.0, 1.0], fn (int $n, int $next): float => $n < 16 && $next < 16 ? 1000.0 : 1.0);
        [$aggregate, $count] = BlockAggregates::of($stencil, [1], [[16 + 60, 16 + 3, 16 + 33]]);
        $of = fn (int $i, int $j, int $k): int => $aggregate[16 + $i + 4 * ($j + 4 * $k)];

        self::assertSame($of(0, 0, 0), $of(1, 1, 0), 'metal cells of one block');
        self::assertNotSame($of(0, 0, 0), $of(0, 0, 1), 'metal and air');
        self::assertSame($of(2, 0, 2), $of(3, 1, 3), 'air cells of one block');
        self::assertNotSame($of(1, 0, 2), $of(0, 0, 2), 'a tied cell and its neighbour');
        self::assertNotSame($of(1, 0, 2), $of(2, 0, 2), 'neighbouring blocks');
        self::assertSame($of(0, 3, 3), $of(3, 0, 0), 'tied cells wherever they are');
        self::assertSame($count, count(array_unique(array_slice($aggregate, 16, 64))));
    }

    public function testCellsThatTakeNoPartStayZeroAndTiedCellsShareOneValue(): void
    {
        $whole = self::stencil([6, 5, 4], [1.0, 1.0, 1.0]);
        $coupling = $whole->coupling;
        $extra = $whole->extra;
        $lone = $whole->pad + 2 + 6 * (2 + 5 * 1);
        foreach ($whole->strides() as $axis => $stride) {
            $coupling[$axis][$lone] = $coupling[$axis][$lone - $stride] = 0.0;
        }
        $stencil = new Stencil([6, 5, 4], $coupling, $extra);
        $ties = [[$whole->pad + 4, $whole->pad + 5, $whole->pad + 11]];
        $b = $stencil->times(array_map(fn (int $c) => $c === $lone ? 0.0 : cos($c), array_keys($extra)));
        foreach (range(0, $whole->pad - 1) as $c) {
            $b[$c] = $b[count($b) - 1 - $c] = 0.0;
        }
        $b = TiedCells::project($b, $ties);
        $tied = new TiedCells($stencil, Multigrid::box($stencil), $ties);
        $x = ConjugateGradient::solve($tied, $tied, $b, Stencil::zeros([6, 5, 4]), new Accuracy(1e-12))->x;
        [$matrix, $unknown] = $stencil->toSparse($ties);
        $direct = (new DenseFactors($matrix))->solve(Stencil::pack($b, $unknown, $matrix->size));

        self::assertSame(0.0, $x[$lone]);
        self::assertSame($x[$ties[0][0]], $x[$ties[0][2]]);
        self::assertEqualsWithDelta(Stencil::unpack($direct, $unknown), $x, 1e-9);
    }

    /**
     * @param array{int, int, int} $cells
     * @param array{float, float, float} $couplings
     * @param ?callable(int, int): float $factor of the coupling between a cell and the next
     */
    private static function stencil(array $cells, array $couplings, ?callable $factor = null): Stencil
    {
        return Boxes::stencil($cells, $couplings, fn (int $n): float => $n % $cells[0] === 0 ? 2 * $couplings[0] : 0.0, $factor ?? fn (int $n): float => 1 + 0.1 * sin($n));
    }

    /** @param array{float, float, float} $couplings */
    private static function brick(int $nx, int $ny, int $nz, array $couplings): SparseMatrix
    {
        [$from, $to, $g] = [[], [], []];
        $extra = [];
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                for ($i = 0; $i < $nx; $i++) {
                    $c = $i + $nx * ($j + $ny * $k);
                    $extra[] = $i === 0 ? 2 * $couplings[0] : 0.0;
                    foreach ([[$i + 1 < $nx, 1], [$j + 1 < $ny, $nx], [$k + 1 < $nz, $nx * $ny]] as $axis => [$inside, $stride]) {
                        if ($inside) {
                            $from[] = $c;
                            $to[] = $c + $stride;
                            $g[] = $couplings[$axis];
                        }
                    }
                }
            }
        }

        return SparseMatrix::fromLinks($from, $to, $g, $extra);
    }
}
