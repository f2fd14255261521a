<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Aggregation;
use Foehn\Numerics\BlockAggregates;
use Foehn\Numerics\ConjugateResiduals;
use Foehn\Numerics\DenseFactors;
use Foehn\Numerics\LinkPattern;
use Foehn\Numerics\Preconditioner;
use Foehn\Numerics\SparseMatrix;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;
use Foehn\Numerics\Vectors;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Matrices, and what the multigrid makes of them, each against what can be written down by hand. */
final class MatrixKernelsTest extends TestCase
{
    private const CELLS = [3, 2, 2];

    public function testAStencilMultipliesAsItsLinksSay(): void
    {
        $stencil = self::box(self::CELLS, [1.0, 2.0, 4.0], [0 => 0.5]);
        $x = Stencil::zeros(self::CELLS);
        for ($n = 0; $n < $stencil->size(); $n++) {
            $x[$stencil->pad + $n] = sin(1.0 + $n);
        }
        $y = $stencil->times($x);

        foreach (range(0, $stencil->size() - 1) as $n) {
            [$i, $j, $k] = [$n % 3, intdiv($n, 3) % 2, intdiv($n, 6)];
            $expected = $n === 0 ? 0.5 * $x[$stencil->pad] : 0.0;
            foreach ([[$i, 3, 1, 1.0], [$j, 2, 3, 2.0], [$k, 2, 6, 4.0]] as [$place, $count, $stride, $g]) {
                $own = $x[$stencil->pad + $n];
                $expected += $place > 0 ? $g * ($own - $x[$stencil->pad + $n - $stride]) : 0.0;
                $expected += $place < $count - 1 ? $g * ($own - $x[$stencil->pad + $n + $stride]) : 0.0;
            }
            self::assertEqualsWithDelta($expected, $y[$stencil->pad + $n], 1e-12);
        }
        self::assertSame(0.0, array_sum(array_slice($y, 0, $stencil->pad)), 'the padding stays as it was');
    }

    /** With values that are the same over every group, the small matrix says what the large one says in sums over the groups. */
    public function testTheMatrixBetweenGroupsIsTheLargeOneBetweenConstants(): void
    {
        $stencil = self::box(self::CELLS, [1.0, 2.0, 4.0], [3 => 0.7, 11 => 0.2]);
        $group = array_map(fn (int $c): int => $c % 5, range(0, count(Stencil::zeros(self::CELLS)) - 1));
        $small = $stencil->galerkin(self::inside($stencil, $group), 5);
        $values = [1.0, -2.0, 0.5, 3.0, 7.0];
        $x = array_map(fn (int $g): float => $values[$g], $group);
        $sums = array_fill(0, 5, 0.0);
        foreach ($stencil->times($x) as $c => $y) {
            if ($c >= $stencil->pad && $c < $stencil->pad + $stencil->size()) {
                $sums[$group[$c]] += $y;
            }
        }

        self::assertEqualsWithDelta($sums, $small->times($values), 1e-12);
    }

    public function testOnlyWhatIsJoinedToAGivenValueIsReached(): void
    {
        // Two bars of three cells that nothing joins; only the second knows a value.
        $zeros = Stencil::zeros([3, 2, 1]);
        $g = $zeros;
        foreach ([6, 7, 9, 10] as $c) {
            $g[$c] = 1.0;
        }
        $extra = $zeros;
        $extra[11] = 1.0;

        self::assertSame([false, false, false, true, true, true], array_slice((new Stencil([3, 2, 1], [$g, $zeros, $zeros], $extra))->reached(), 6, 6));
    }

    public function testUnknownsAreTheCellsThatTakePartAndOneForEachTie(): void
    {
        $stencil = self::box(self::CELLS, [1.0, 1.0, 1.0], [0 => 1.0]);
        $ties = [[6, 9], [16, 17]];
        [$sparse, $unknown] = $stencil->toSparse($ties);

        self::assertSame(10, $sparse->size);
        self::assertSame($unknown[6], $unknown[9]);
        self::assertSame($unknown[16], $unknown[17]);
        self::assertSame(-1, $unknown[0], 'the padding takes no part');
        $packed = array_map(fn (int $n): float => 1.5 * $n, range(0, 9));
        $x = Stencil::unpack($packed, $unknown);
        self::assertSame($packed, Stencil::pick($x, $unknown, 10));
        self::assertEqualsWithDelta(2 * $packed[$unknown[6]], Stencil::pack($x, $unknown, 10)[$unknown[6]], 1e-12, 'sums over the cells of an unknown');
        // Sources of the whole box reach the unknowns undiminished.
        self::assertEqualsWithDelta(12.0, array_sum(Stencil::pack(self::inside($stencil, array_fill(0, count($x), 1.0)), $unknown, 10)), 1e-12);
    }

    public function testThePatternOfLinksServesNewWeights(): void
    {
        [$from, $to] = [[0, 2, 1], [1, 1, 3]];
        $pattern = LinkPattern::of(4, $from, $to);
        self::assertTrue($pattern->isOf(4, $from, $to));
        self::assertFalse($pattern->isOf(4, $to, $from));

        foreach ([[1.0, 2.0, 3.0], [5.0, 0.5, 0.25]] as $weights) {
            $matrix = $pattern->matrix($weights, [0.1, 0.2, 0.3], [1.0, 0.0, 0.0, 0.0]);
            // Row 1 gives back to 0 and 2, and looks at 3 with its own weight.
            self::assertEqualsWithDelta([
                (1.0 + $weights[0]) * 1.0 - $weights[0] * 2.0,
                (0.1 + 0.2 + $weights[2]) * 2.0 - 0.1 * 1.0 - 0.2 * 4.0 - $weights[2] * 8.0,
                $weights[1] * (4.0 - 2.0),
                0.3 * (8.0 - 2.0),
            ], $matrix->times([1.0, 2.0, 4.0, 8.0]), 1e-12);
        }
    }

    public function testALineIsPairedAndABlockBecomesFours(): void
    {
        $line = self::box([8, 1, 1], [1.0, 0.0, 0.0], [0 => 1.0])->toSparse()[0];
        [$aggregate, $coarse] = Aggregation::coarsen($line);
        self::assertSame([0, 0, 1, 1, 2, 2, 3, 3], $aggregate);
        self::assertSame(4, $coarse->size, 'a constant over four cells in a row would be a poor correction');

        $plane = self::box([4, 4, 1], [1.0, 1.0, 0.0], [0 => 1.0])->toSparse()[0];
        [$aggregate, $coarse] = Aggregation::coarsen($plane);
        self::assertSame(4, $coarse->size);
        self::assertSame([4, 4, 4, 4], array_values(array_count_values($aggregate)));
    }

    public function testPairsFollowTheStrongestCoupling(): void
    {
        // Columns of a plane that conducts a hundred times better along y.
        [$aggregate] = Aggregation::coarsen(self::box([4, 4, 1], [1.0, 100.0, 0.0], [0 => 1.0])->toSparse()[0]);
        foreach ([0, 1, 2, 3] as $i) {
            self::assertSame($aggregate[$i], $aggregate[$i + 4]);
            self::assertNotSame($aggregate[$i], $aggregate[($i + 1) % 4]);
        }
    }

    /** @param array{float, float, float} $couplings */
    #[DataProvider('couplings')]
    public function testLinesRunAlongTheStiffestAxes(array $couplings, int $last): void
    {
        $axes = BlockAggregates::lineAxes(self::box([4, 4, 4], $couplings, [0 => 1.0]));
        self::assertSame($last, $axes[count($axes) - 1]);
    }

    /** @return iterable<string, array{array{float, float, float}, int}> */
    public static function couplings(): iterable
    {
        yield 'stiff along x' => [[10.0, 1.0, 1.0], 0];
        yield 'stiff along y' => [[1.0, 10.0, 2.0], 1];
        yield 'stiff along z' => [[1.0, 1.0, 10.0], 2];
        yield 'alike, so along z' => [[1.0, 1.0, 1.0], 2];
    }

    public function testTiedCellsAreOneAggregateWhereverTheyLie(): void
    {
        $stencil = self::box([4, 4, 4], [1.0, 1.0, 1.0], [0 => 1.0]);
        [$aggregate, $count] = BlockAggregates::of($stencil, [2], [[16, 79]]);
        self::assertSame($aggregate[16], $aggregate[79], 'the first and the last cell');
        self::assertSame(9, $count, 'eight blocks and the tied cells');
        self::assertSame(range(0, $count - 1), array_values(array_unique(array_slice($aggregate, 16, 64))));
    }

    public function testResidualsAreLeastAndASmallSystemIsSolvedExactly(): void
    {
        $matrix = SparseMatrix::fromLinks([0, 1, 2, 0], [1, 2, 3, 3], [4.0, 0.5, 2.0, 0.1], [1.0, 0.0, 0.2, 0.0], [0.5, 3.0, 1.0, 0.0]);
        $exact = [1.0, -2.0, 0.5, 3.0];
        $plain = new class () implements Preconditioner {
            public function apply(array $b): array
            {
                return $b;
            }
        };
        $b = $matrix->times($exact);
        $solution = ConjugateResiduals::solve($matrix, $plain, $b, [0.0, 0.0, 0.0, 0.0], new Accuracy(1e-12, mostIterations: 4));
        self::assertEqualsWithDelta($exact, $solution->x, 1e-9, 'as many steps as unknowns');

        $before = Vectors::norm($b);
        foreach ([1, 2, 3] as $steps) {
            $x = ConjugateResiduals::solve($matrix, $plain, $b, [0.0, 0.0, 0.0, 0.0], new Accuracy(0.0, mostIterations: $steps))->x;
            $left = Vectors::norm(Vectors::combine(1.0, $b, -1.0, $matrix->times($x)));
            self::assertLessThan($before, $left);
            $before = $left;
        }
        $from = ConjugateResiduals::solve($matrix, $plain, $b, $exact, new Accuracy(1e-10));
        self::assertTrue($from->converged);
        self::assertLessThanOrEqual(1, $from->iterations, 'nothing is left to do');
    }

    public function testAFloatingPieceIsHeldWhileTheRestIsSolved(): void
    {
        // Unknowns 2 and 3 are joined to each other only.
        $x = (new DenseFactors(SparseMatrix::fromLinks([0, 2], [1, 3], [1.0, 1.0], [2.0, 0.0, 0.0, 0.0])))->solve([2.0, 3.0, 0.0, 0.0]);

        self::assertEqualsWithDelta([2.5, 5.5], array_slice($x, 0, 2), 1e-12);
        self::assertTrue(Vectors::areFinite($x));
    }

    public function testProjectionOntoTiesKeepsSumsAndIsDoneOnce(): void
    {
        $x = [1.0, 2.0, 3.0, 10.0, 20.0];
        $projected = TiedCells::project($x, [[0, 3], [1, 2, 4]]);

        self::assertEqualsWithDelta([5.5, 25 / 3, 25 / 3, 5.5, 25 / 3], $projected, 1e-12);
        self::assertEqualsWithDelta($projected, TiedCells::project($projected, [[0, 3], [1, 2, 4]]), 1e-12);
    }

    public function testVectorsSayWhatTheyAreNamedFor(): void
    {
        [$x, $y] = [[3.0, -4.0], [1.0, 0.5]];
        self::assertSame([1.0, 5.0], [Vectors::dot($x, $y), Vectors::norm($x)]);
        self::assertSame([[5.0, -3.0], [7.0, -11.0], [3.0, -2.0], [1 / 3, -0.25]], [Vectors::plus($x, 2.0, $y), Vectors::combine(3.0, $x, -2.0, [1.0, -0.5]), Vectors::times($x, $y), Vectors::inverse($x)]);
        self::assertSame([7.0, 6.5, 4.5, 4.0, 7.0], [Vectors::amount($x), Vectors::distance($x, $y), Vectors::farthest($x, $y), Vectors::largest($x), Vectors::spread($x)]);
        self::assertSame([0.0, 0.0], [Vectors::largest([]), Vectors::spread([])]);
        self::assertSame([[3.0, -4.0], []], [Vectors::take($x), $x]);
    }

    /**
     * A box of cells with one coupling per axis.
     *
     * @param array{int, int, int} $cells
     * @param array{float, float, float} $couplings
     * @param array<int, float> $extra by cell
     */
    private static function box(array $cells, array $couplings, array $extra): Stencil
    {
        return Boxes::stencil($cells, $couplings, fn (int $n): float => $extra[$n] ?? 0.0);
    }

    /**
     * The values of cells, and -1 in the padding.
     *
     * @template T of int|float
     * @param array<int, T> $values padded
     * @return array<int, T|int>
     */
    private static function inside(Stencil $stencil, array $values): array
    {
        foreach ($values as $c => $value) {
            if ($c < $stencil->pad || $c >= $stencil->pad + $stencil->size()) {
                $values[$c] = -1;
            }
        }

        return $values;
    }
}
