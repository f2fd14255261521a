<?php

declare(strict_types=1);

namespace Foehn\Tests\Grid;

use Foehn\Grid\Grid;
use Foehn\Grid\LearnedGrid;
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

final class LearnedGridTest extends TestCase
{
    private const PLANES = [[0.0, 0.31, 1.0], [0.0, 1.0], [0.0, 1.0]];

    public function testPutsTheCellsWhereTheSolutionBends(): void
    {
        $rules = self::uniform([20, 20, 1]);
        // Ten times the density over the first fifth of x, the same everywhere along y.
        $x = array_map(fn (int $n): float => $n < 2 ? 10.0 : 1.0, range(0, 9));
        $grid = LearnedGrid::of($rules, self::PLANES, 1.3, self::uniform([10, 10, 1]), [[$x, array_fill(0, 10, 1.0), [0.0]]]);

        self::assertLessThanOrEqual($rules->count(), $grid->count());
        self::assertGreaterThan(0.8 * $rules->count(), $grid->count());
        self::assertLessThan(0.6 * 0.05, $grid->widths[0][0]);
        self::assertGreaterThan(0.05, $grid->widths[0][$grid->cells[0] - 1], 'elsewhere there are fewer');
        self::assertGreaterThan($grid->cells[1], $grid->cells[0], 'cells go to the axis that bends');
        self::assertSame(1, $grid->cells[2]);
    }

    public function testKeepsThePlanesAndHalfOfTheLinesOfTheRules(): void
    {
        $rules = self::uniform([40, 1, 1]);
        $x = array_map(fn (int $n): float => $n === 0 ? 1000.0 : 0.0, range(0, 9));
        $grid = LearnedGrid::of($rules, self::PLANES, 2.0, self::uniform([10, 1, 1]), [[$x, [0.0], [0.0]]]);

        self::assertContains(0.31, $grid->lines[0]);
        self::assertSame([0.0, 1.0], [$grid->lines[0][0], $grid->lines[0][$grid->cells[0]]]);
        self::assertLessThan(2.5 * 0.025, Values::greatest($grid->widths[0]), 'nowhere much more than twice as wide as the rules say');
        for ($n = 1; $n < $grid->cells[0]; $n++) {
            self::assertGreaterThan(0.0, $grid->widths[0][$n]);
        }
    }

    public function testWidthsGrowByTheGivenRatio(): void
    {
        $x = array_map(fn (int $n): float => $n === 4 ? 50.0 : 1.0, range(0, 9));
        $grid = LearnedGrid::of(self::uniform([60, 1, 1]), [[0.0, 1.0], [0.0, 1.0], [0.0, 1.0]], 1.1, self::uniform([10, 1, 1]), [[$x, [0.0], [0.0]]]);

        for ($n = 1; $n < $grid->cells[0]; $n++) {
            $ratio = $grid->widths[0][$n] / $grid->widths[0][$n - 1];
            self::assertLessThan(1.25, max($ratio, 1.0 / $ratio));
        }
    }

    public function testCellsGivenByHandStay(): void
    {
        $x = array_map(fn (int $n): float => $n < 2 ? 10.0 : 1.0, range(0, 9));
        $grid = LearnedGrid::of(self::uniform([40, 1, 1]), self::PLANES, 1.3, self::uniform([10, 1, 1]), [[$x, [0.0], [0.0]]], [[[0.5, 1.0]], [], []]);
        [$from, $to] = $grid->range(0, 0.5, 1.0);

        self::assertGreaterThanOrEqual(19, $to - $from);
    }

    public function testWithNothingToLearnTheRulesStay(): void
    {
        $rules = self::uniform([8, 6, 4]);

        self::assertSame($rules, LearnedGrid::of($rules, self::PLANES, 1.2, self::uniform([4, 4, 4]), []));
        self::assertSame($rules, LearnedGrid::of($rules, self::PLANES, 1.2, self::uniform([4, 4, 4]), [[[0.0, 0.0, 0.0, 0.0], [0.0, 0.0, 0.0, 0.0], [0.0, 0.0, 0.0, 0.0]]]));
    }

    /** @param array{int, int, int} $cells */
    private static function uniform(array $cells): Grid
    {
        $lines = array_map(fn (int $n): array => array_map(fn (int $i): float => $i / $n, range(0, $n)), $cells);

        return new Grid([$lines[0], $lines[1], $lines[2]]);
    }
}
