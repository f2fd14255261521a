<?php

declare(strict_types=1);

namespace Foehn\Tests\Grid;

use Foehn\Grid\GridBuilder;
use Foehn\Grid\GridLevels;
use Foehn\Grid\LineSpacing;
use Foehn\Grid\SurfaceFinder;
use Foehn\Grid\Voxels;
use Foehn\Observe\GridValues;
use Foehn\Solve\MemoryNeed;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Grids from coarse to fine, and the faces of them where different things meet. */
final class GridLevelsTest extends TestCase
{
    public function testGradesFollowOneAnotherUpToTheOneAskedFor(): void
    {
        foreach (['scout' => 1, 'working' => 2, 'sign-off' => 3] as $grade => $most) {
            $levels = GridLevels::of(Models::read(Models::demo())->withGrade($grade));
            $counts = array_map(fn (array $level): int => $level[1]->count(), $levels);

            self::assertSame($grade, $levels[count($levels) - 1][0]->grid->grade);
            self::assertSame($counts, self::sorted($counts), 'each finer than the one before');
            self::assertGreaterThanOrEqual($most, count($levels));
        }
    }

    public function testOnlyLargeGivenGridsAreHalved(): void
    {
        foreach ([[[6, 6, 24], 1], [[40, 40, 40], 2], [[80, 80, 80], 3]] as [$cells, $expected]) {
            $levels = GridLevels::of(Models::read(Models::block(['analysis' => ['grid' => ['cells' => $cells]]])));

            self::assertCount($expected, $levels, implode(' x ', $cells));
            self::assertSame($cells, $levels[count($levels) - 1][1]->cells);
            foreach ($levels as [, $grid]) {
                self::assertEqualsWithDelta([0.0, 0.02], [$grid->lines[2][0], $grid->lines[2][$grid->cells[2]]], 1e-15, 'the space stays what it is');
            }
        }
    }

    public function testALevelKnowsHowMuchFinerItIs(): void
    {
        $level = fn (int $x, int $y, int $z): GridValues => new GridValues($x * $y * $z, [$x, $y, $z], 1, 1.0, []);

        self::assertEqualsWithDelta(2.0, $level(8, 8, 8)->finerThan($level(4, 4, 4)), 1e-12);
        self::assertEqualsWithDelta(2.0, $level(8, 8, 1)->finerThan($level(4, 4, 1)), 1e-12, 'in a plane');
        self::assertEqualsWithDelta(3.0, $level(12, 4, 4)->finerThan($level(4, 4, 4)), 1e-12, 'along one axis');
        self::assertSame(1.0, $level(4, 4, 4)->finerThan($level(4, 4, 4)));
        $back = GridValues::fromArray($level(2, 3, 4)->toArray());
        self::assertSame([24, [2, 3, 4]], [$back->cells, $back->shape]);
    }

    /** @param array<int, int> $fewest */
    #[DataProvider('intervals')]
    public function testLinesKeepPlanesFewestCellsAndLargestWidth(array $fewest, float $largest, float $growth): void
    {
        $planes = [0.0, 0.001, 0.03, 0.0305, 0.1];
        $lines = LineSpacing::lines($planes, $largest, $fewest, $growth);
        $before = 0;

        foreach ($planes as $n => $plane) {
            $at = array_search(true, array_map(fn (float $line): bool => abs($line - $plane) < 1e-12, $lines), true);
            self::assertIsInt($at, "a line at $plane");
            if ($n > 0) {
                self::assertGreaterThanOrEqual($fewest[$n - 1], $at - $before);
            }
            $before = $at;
        }
        foreach (array_slice($lines, 1) as $n => $line) {
            self::assertGreaterThan($lines[$n], $line);
            self::assertLessThanOrEqual($largest * (1 + 1e-9), $line - $lines[$n]);
        }
    }

    /** @return iterable<string, array{array<int, int>, float, float}> */
    public static function intervals(): iterable
    {
        yield 'one each' => [[1, 1, 1, 1], 0.05, 1.5];
        yield 'thin ones in three' => [[3, 1, 3, 1], 0.05, 1.3];
        yield 'nothing wider than a millimetre' => [[1, 1, 1, 1], 0.001, 1.3];
        yield 'no growth to speak of' => [[2, 2, 2, 2], 0.01, 1.05];
    }

    public function testSurfacesLieWhereDifferentThingsMeet(): void
    {
        // A block of 2 x 2 x 2 cells in the middle of 4 x 4 x 4 of air: 24 faces of its own, seen from both sides, and 96 of the space.
        $model = Models::read(['format' => 'foehn-model', 'version' => 1, 'name' => 'Meet', 'surroundings' => ['temperature' => 300],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.04, 0.04, 0.04]], 'fluid' => 'air', 'sides' => ['z-' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 5]]]],
            'parts' => [['id' => 'block', 'name' => 'Block', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.02]], 'at' => [0.01, 0.01, 0.01], 'material' => 'copper', 'power' => 1]],
            'limits' => [], 'analysis' => ['grid' => ['cells' => [4, 4, 4]]]]);
        $voxels = Voxels::of($model, GridBuilder::build($model));
        $elements = SurfaceFinder::find($model, $voxels);
        $ofBlock = array_filter(array_keys($elements->cell), fn (int $n): bool => $voxels->owner[$elements->cell[$n]] === 0);

        self::assertCount(24, $ofBlock);
        $areas = array_fill(0, 6, 0.0);
        foreach ($ofBlock as $n) {
            $areas[$elements->direction[$n]] += $elements->area[$n];
        }
        self::assertEqualsWithDelta(array_fill(0, 6, 4e-4), $areas, 1e-12, 'its six faces');
        $place = array_search(21, $elements->cell, true);
        self::assertIsInt($place, 'the first cell of the block has a surface');
    }

    public function testMoreCellsAndAFlowNeedMoreMemory(): void
    {
        self::assertGreaterThan(MemoryNeed::bytes(100_000, false), MemoryNeed::bytes(200_000, false));
        self::assertGreaterThan(10 * MemoryNeed::bytes(1_000_000, false), MemoryNeed::bytes(1_000_000, true));
        self::assertGreaterThan(0.0, MemoryNeed::bytes(0, false), 'the process itself');
    }

    /**
     * @param list<int> $counts
     * @return list<int>
     */
    private static function sorted(array $counts): array
    {
        sort($counts);

        return $counts;
    }
}
