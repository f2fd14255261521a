<?php

declare(strict_types=1);

namespace Foehn\Tests\Grid;

use Foehn\Grid\Grid;
use Foehn\Grid\GridBuilder;
use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Tests\Domains;
use Foehn\Tests\Models;
use Foehn\Tests\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Where the physics of a model asks for cells. */
final class GridRulesTest extends TestCase
{
    private const SYMMETRY = ['kind' => 'symmetry'];

    private const STREAM = ['x-' => ['kind' => 'inlet', 'speed' => 1], 'x+' => ['kind' => 'outlet']];

    /** @param array<string, int> $grades */
    #[DataProvider('channels')]
    public function testAChannelHasCellsFromWallToWall(array $grades): void
    {
        foreach ($grades as $grade => $fewest) {
            $whole = self::grid(Domains::model([0.2, 0.01, 0.01], null, [...self::STREAM, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY], [], ['buoyancy' => false]), $grade);
            $half = self::grid(Domains::model([0.2, 0.005, 0.01], null, [...self::STREAM, 'y+' => self::SYMMETRY, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]), $grade);

            self::assertGreaterThanOrEqual($fewest, $whole->cells[1], $grade);
            self::assertLessThanOrEqual(2 * $fewest, $whole->cells[1], $grade);
            self::assertGreaterThanOrEqual(intdiv($fewest, 2), $half->cells[1], "$grade: half of it up to the plane of symmetry");
            self::assertLessThan($whole->widths[1][intdiv($whole->cells[1], 2)], $whole->widths[1][0], 'finer at the wall');
            self::assertSame(1, $whole->cells[2], 'nothing changes along z');
        }
    }

    public function testAProfileGivenByAFormulaAsksForCellsAlongTheAxesItFollows(): void
    {
        $along = fn (string $axis): int => self::grid(Domains::model([0.2, 0.01, 0.01], null, ['x-' => ['kind' => 'inlet', 'speed' => "1 m/s * $axis/(1 cm)"], 'x+' => ['kind' => 'outlet'], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY], [], ['buoyancy' => false]), 'working')->cells[2];

        self::assertSame(1, $along('y'));
        self::assertGreaterThan(3, $along('z'));
    }

    /** @return iterable<array{array<string, int>}> */
    public static function channels(): iterable
    {
        yield [['scout' => 6, 'working' => 12, 'sign-off' => 18]];
    }

    public function testAnAxisAlongWhichSomethingChangesIsNotOneCell(): void
    {
        $film = ['heat' => ['kind' => 'film', 'coefficient' => 10]];
        $block = ['id' => 'b', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.02]], 'material' => 'copper'];
        $still = ['z-' => self::SYMMETRY, 'z+' => self::SYMMETRY];

        self::assertSame(1, self::cellsAlongZ(['x-' => $film, ...$still], [$block]));
        self::assertGreaterThan(8, self::cellsAlongZ(['x-' => $film, 'z+' => $film], [$block]), 'heat leaves that way');
        self::assertGreaterThan(8, self::cellsAlongZ(['x-' => $film, ...$still], [['shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.01]]] + $block]), 'the part ends on the way');
        self::assertGreaterThan(8, self::cellsAlongZ(['x-' => $film, ...$still], [['faces' => ['z+' => $film]] + $block]), 'a face looks that way');
        self::assertGreaterThan(8, self::cellsAlongZ(['x-' => $film, ...$still], [['faces' => ['bare' => $film]] + $block]), 'any face may look that way');
        self::assertGreaterThan(8, self::cellsAlongZ(['x-' => ['heat' => ['kind' => 'temperature', 'temperature' => '300 K + 10 K * z / (1 m)']], ...$still], [$block]), 'a formula may follow it');
        self::assertGreaterThan(4, self::cellsAlongZ(['x-' => $film, ...$still], [['shape' => ['kind' => 'cylinder', 'axis' => 'x', 'radius' => 0.01, 'length' => 0.02], 'at' => [0, 0.01, 0.01]] + $block]), 'a cylinder across it');
        self::assertSame(1, self::cellsAlongZ(['x-' => $film, ...$still], [['shape' => ['kind' => 'cylinder', 'axis' => 'z', 'radius' => 0.01, 'length' => 0.02], 'at' => [0.01, 0.01, 0]] + $block]), 'and one along it');
    }

    public function testARoundFanOrOneThatSwirlsIsNotTheSameEverywhere(): void
    {
        $slip = ['slip' => true];
        $cells = fn (array $fan): int => self::grid(Domains::model([0.2, 0.04, 0.04], null, ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'outlet'], 'y-' => $slip, 'y+' => $slip, 'z-' => $slip, 'z+' => $slip], [
            ['id' => 'fan', 'at' => [0.1, 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'curve' => [[0, 10], [0.01, 0]], ...$fan]],
        ], ['buoyancy' => false]), 'working')->cells[1];

        self::assertSame(1, $cells(['size' => [0.04, 0.04]]));
        self::assertGreaterThan(1, $cells(['diameter' => 0.04]));
        self::assertGreaterThan(1, $cells(['size' => [0.04, 0.04], 'swirl' => 0.2]));
    }

    /** Air at 1 m/s along 0.5 m: Re = 1 * 0.5 * 1.2 / 2e-3 = 300, a layer of 3 * 0.5 / sqrt(300) = 87 mm. */
    public function testAWallHasCellsInItsBoundaryLayer(): void
    {
        $plate = fn (string $grade): Grid => self::grid(Domains::model([0.5, 2.0, 0.1], null, [...self::STREAM, 'y+' => ['kind' => 'outlet'], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]), $grade);
        // The fluid of the tests has a Prandtl number of 2e-3 * 1000 / 0.05 = 40: heat stays nearer to the wall.
        $layer = 3 * 0.5 / sqrt(300.0) / 40 ** (1 / 3);

        self::assertEqualsWithDelta($layer / 4, $plate('working')->widths[1][0], 0.3 * $layer / 4);
        self::assertLessThan($layer / 4, $plate('sign-off')->widths[1][0]);
        self::assertLessThan($plate('working')->widths[1][10], $plate('working')->widths[1][0], 'wider away from it');
    }

    public function testClosedBoxesAreFinestAtTheirWalls(): void
    {
        $grid = self::grid(Domains::model([0.1, 0.1, 0.1], null, ['x-' => ['heat' => ['kind' => 'temperature', 'temperature' => 310]], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY], [], ['buoyancy' => true]), 'working');

        self::assertGreaterThanOrEqual(28, $grid->cells[0]);
        self::assertGreaterThan(2.0, $grid->widths[0][intdiv($grid->cells[0], 2)] / $grid->widths[0][0]);
        self::assertLessThan(5.0, Values::greatest($grid->widths[0]) / $grid->widths[0][0]);
    }

    public function testAPatchThatHeatsHasCellsWithinAndAtItsEdge(): void
    {
        $document = Models::block(['analysis' => ['grid' => ['grade' => 'working']]]);
        $document['space']['sides']['z+']['patches'] = [['min' => ['4 mm', '8 mm'], 'max' => ['6 mm', '10 mm'], 'heat' => ['kind' => 'flux', 'flux' => 1e4]]];
        $grid = GridBuilder::build(Models::read($document));
        [$from, $to] = $grid->range(0, 0.004, 0.006);

        self::assertGreaterThanOrEqual(8, $to - $from);
        self::assertLessThanOrEqual(0.002 / 16 * 1.05, $grid->widths[0][$from]);
    }

    public function testWhatIsGivenByHandHolds(): void
    {
        $part = ['part' => 'block', 'size' => '0.4 mm'];
        $grid = self::byHand(['refine' => [$part]]);
        [$from, $to] = $grid->range(0, 0.0, 0.01);
        self::assertGreaterThanOrEqual(25, $to - $from, 'throughout a part');
        self::assertGreaterThan(4e-4, Values::greatest($grid->widths[0]), 'and not elsewhere');

        $face = self::byHand(['refine' => [['face' => 'z+', 'size' => '0.5 mm'] + $part]]);
        $top = array_search(0.01, $face->lines[2], true);
        self::assertIsInt($top);
        // The first cells grow from that width on already.
        self::assertLessThanOrEqual(1.15 * 5e-4, $face->widths[2][$top - 1]);
        self::assertLessThanOrEqual(1.15 * 5e-4, $face->widths[2][$top]);
        self::assertGreaterThan($face->widths[2][$top], $face->widths[2][0]);

        $box = self::byHand(['refine' => [['box' => ['min' => [0.012, 0.009, 0.009], 'max' => [0.014, 0.011, 0.011]], 'size' => '0.25 mm']]]);
        [$from, $to] = $box->range(0, 0.012, 0.014);
        self::assertGreaterThanOrEqual(8, $to - $from, 'in a box');

        self::assertLessThanOrEqual(6.001e-4, Values::greatest(self::byHand(['largest' => '0.6 mm'])->widths[1]));
        self::assertGreaterThan(self::byHand(['growth' => 1.5, ...['refine' => [$part]]])->count(), self::byHand(['growth' => 1.05, ...['refine' => [$part]]])->count());
    }

    public function testWhatIsGivenByHandIsChecked(): void
    {
        foreach ([
            'there is no part with the id "fan"' => ['refine' => [['part' => 'fan', 'size' => '1 mm']]],
            'either a "part" or a "box"' => ['refine' => [['size' => '1 mm']]],
            'a face belongs to a part' => ['refine' => [['face' => 'x-', 'box' => ['min' => [0, 0, 0], 'max' => [1, 1, 1]], 'size' => '1 mm']]],
            'its max must lie above its min' => ['refine' => [['box' => ['min' => [0, 0, 0], 'max' => [1, 0, 1]], 'size' => '1 mm']]],
            'a ratio of neighbouring cells from 1.02 to 2' => ['growth' => 3],
            'it belongs to a grade' => ['cells' => [2, 2, 2], 'largest' => '1 mm'],
        ] as $message => $given) {
            try {
                self::byHand($given);
                self::fail("accepted: $message");
            } catch (ModelException $e) {
                self::assertStringContainsString($message, $e->getMessage());
            }
        }
    }

    /** @param array<string, mixed> $given */
    private static function byHand(array $given): Grid
    {
        $document = Models::block(['analysis' => ['grid' => ['grade' => 'scout', ...$given]]]);
        $document['parts'][0]['shape']['size'] = ['10 mm', '10 mm', '10 mm'];
        $document['space']['fluid'] = 'air';

        return GridBuilder::build(Models::read($document));
    }

    /**
     * @param array<string, array<string, mixed>> $sides
     * @param list<array<string, mixed>> $parts
     */
    private static function cellsAlongZ(array $sides, array $parts): int
    {
        return self::grid(Domains::model([0.02, 0.02, 0.02], null, $sides, $parts, ['flow' => 'none']), 'working')->cells[2];
    }

    private static function grid(Model $model, string $grade): Grid
    {
        // As the rules ask for it: what the budget has to spare is not spent.
        return GridBuilder::asked($model->withGrade($grade)) ?? self::fail('The grid is given.');
    }
}
