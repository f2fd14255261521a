<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use Foehn\Codec\Problems;
use Foehn\Codec\Reader;
use Foehn\Codec\ShapeReader;
use Foehn\Model\ModelException;
use Foehn\Shapes\Fan;
use Foehn\Shapes\PlateFins;
use Foehn\Shapes\Screen;
use Foehn\Shapes\Shape;
use Foehn\Shapes\TwoResistancePackage;
use Foehn\Units\Parameters;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Every kind of shape as it is read: where it stands, what it fills, and what is said of one that makes no sense. */
final class ShapeReadersTest extends TestCase
{
    private const PINS = ['kind' => 'pinFins', 'size' => ['10 mm', '10 mm'], 'base' => '1 mm', 'height' => '4 mm', 'columns' => 2, 'rows' => 2, 'width' => '2 mm'];

    private const WIRE = ['kind' => 'path', 'diameter' => '1 mm', 'points' => [[0, 0, 0], ['5 mm', 0, 0]]];

    private const FAN = ['kind' => 'fan', 'direction' => 'x+', 'diameter' => '40 mm', 'curve' => [[0, '20 Pa'], ['5 l/s', 0]]];

    /**
     * @param array<string, mixed> $shape
     * @param array{float, float, float} $min mm
     * @param array{float, float, float} $max mm
     * @param ?float $volume mm3; null where the kind does not know it
     */
    #[DataProvider('bodies')]
    public function testStandsAtItsPlaceAndFillsWhatItSays(array $shape, array $min, array $max, ?float $volume): void
    {
        [$body] = self::read($shape);
        foreach ([0, 1, 2] as $axis) {
            self::assertEqualsWithDelta(1e-3 * ($min[$axis] + 1.0), $body->bounds()->min[$axis], 1e-9, 'xyz'[$axis]);
            self::assertEqualsWithDelta(1e-3 * ($max[$axis] + 1.0), $body->bounds()->max[$axis], 1e-9, 'xyz'[$axis]);
        }
        $filled = self::filled($body);
        self::assertGreaterThan(0.0, $filled);
        self::assertEqualsWithDelta($volume ?? $filled, $filled, 0.03 * ($volume ?? 1.0));
    }

    /** @return iterable<string, array{array<string, mixed>, array{float, float, float}, array{float, float, float}, ?float}> */
    public static function bodies(): iterable
    {
        yield 'block' => [['kind' => 'block', 'size' => ['10 mm', '20 mm', '5 mm']], [0.0, 0.0, 0.0], [10.0, 20.0, 5.0], 1000.0];
        yield 'cylinder, whose place is the middle of its lower end' => [['kind' => 'cylinder', 'axis' => 'x', 'length' => '10 mm', 'radius' => '4 mm'], [0.0, -4.0, -4.0], [10.0, 4.0, 4.0], 160.0 * M_PI];
        yield 'shell' => [['kind' => 'shell', 'size' => ['9 mm', '9 mm', '9 mm'], 'wall' => '1 mm'], [0.0, 0.0, 0.0], [9.0, 9.0, 9.0], 729.0 - 343.0];
        yield 'board of three layers, across y' => [['kind' => 'board', 'normal' => 'y', 'size' => ['30 mm', '20 mm'], 'layers' => [['thickness' => '35 um', 'copper' => 0.5], ['thickness' => '1.53 mm'], ['thickness' => '35 um', 'copper' => 1]]], [0.0, 0.0, 0.0], [30.0, 1.6, 20.0], 960.0];
        yield 'vias' => [['kind' => 'vias', 'size' => ['5 mm', '5 mm'], 'thickness' => '1.6 mm', 'board' => 'b', 'drill' => '0.3 mm', 'count' => 4], [0.0, 0.0, 0.0], [5.0, 5.0, 1.6], 40.0];
        yield 'plate fins upside down' => [['kind' => 'plateFins', 'size' => ['20 mm', '9 mm'], 'base' => '2 mm', 'height' => '8 mm', 'count' => 5, 'thickness' => '1 mm', 'up' => 'z-'], [0.0, 0.0, 0.0], [20.0, 9.0, 10.0], 20.0 * (9.0 * 2.0 + 5.0 * 8.0)];
        yield 'plate fins on a wall' => [['kind' => 'plateFins', 'size' => ['9 mm', '20 mm'], 'base' => '2 mm', 'height' => '8 mm', 'count' => 5, 'thickness' => '1 mm', 'up' => 'x+', 'along' => 'z'], [0.0, 0.0, 0.0], [10.0, 9.0, 20.0], 20.0 * (9.0 * 2.0 + 5.0 * 8.0)];
        yield 'square pins' => [['kind' => 'pinFins', 'size' => ['10 mm', '10 mm'], 'base' => '1 mm', 'height' => '4 mm', 'columns' => 3, 'rows' => 2, 'width' => '2 mm', 'round' => false], [0.0, 0.0, 0.0], [10.0, 10.0, 5.0], 100.0 + 6.0 * 16.0];
        yield 'round pins' => [['kind' => 'pinFins', 'size' => ['10 mm', '10 mm'], 'base' => '1 mm', 'height' => '4 mm', 'columns' => 2, 'rows' => 2, 'width' => '3 mm'], [0.0, 0.0, 0.0], [10.0, 10.0, 5.0], 100.0 + 4.0 * 4.0 * 2.25 * M_PI];
        yield 'profile of an L, along y' => [['kind' => 'profile', 'axis' => 'y', 'length' => '10 mm', 'points' => [['0 mm', '0 mm'], ['8 mm', '0 mm'], ['8 mm', '2 mm'], ['2 mm', '2 mm'], ['2 mm', '6 mm'], ['0 mm', '6 mm']]], [0.0, 0.0, 0.0], [8.0, 10.0, 6.0], 240.0];
        yield 'the same, its corners the other way round' => [['kind' => 'profile', 'axis' => 'y', 'length' => '10 mm', 'points' => [['0 mm', '6 mm'], ['2 mm', '6 mm'], ['2 mm', '2 mm'], ['8 mm', '2 mm'], ['8 mm', '0 mm'], ['0 mm', '0 mm']]], [0.0, 0.0, 0.0], [8.0, 10.0, 6.0], 240.0];
        yield 'straight wire' => [['kind' => 'path', 'points' => [['0 mm', '0 mm', '0 mm'], ['20 mm', '0 mm', '0 mm']], 'diameter' => '4 mm'], [0.0, -2.0, -2.0], [20.0, 2.0, 2.0], 80.0 * M_PI];
        yield 'strip' => [['kind' => 'path', 'points' => [['0 mm', '0 mm', '0 mm'], ['20 mm', '0 mm', '0 mm']], 'width' => '4 mm', 'thickness' => '1 mm'], [0.0, -2.0, 0.0], [20.0, 2.0, 1.0], null];
        yield 'package' => [['kind' => 'package', 'size' => ['5 mm', '5 mm', '1 mm'], 'junctionToCase' => '3 K/W', 'junctionToBoard' => '8 K/W'], [0.0, 0.0, 0.0], [5.0, 5.0, 1.0], 25.0];
        yield 'tetrahedron of half the size, about its least corner' => [['kind' => 'mesh', 'scale' => 0.5, 'vertices' => self::vertices([4, 0, 0, 14, 0, 0, 4, 10, 0, 4, 0, 10]), 'triangles' => self::triangles([0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3])], [4.0, 0.0, 0.0], [9.0, 5.0, 5.0], 125.0 / 6.0];
        yield 'tetrahedron' => [['kind' => 'mesh', 'vertices' => self::vertices([0, 0, 0, 10, 0, 0, 0, 10, 0, 0, 0, 10]), 'triangles' => self::triangles([0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3])], [0.0, 0.0, 0.0], [10.0, 10.0, 10.0], 1000.0 / 6.0];
    }

    /** @param array<string, mixed> $shape */
    #[DataProvider('mistakes')]
    public function testSaysWhatMakesNoSenseAndWhere(array $shape, string $pointer, string $message): void
    {
        [, $problems] = self::read($shape);
        $found = array_filter($problems, fn (string $text) => str_starts_with($text, "/shape$pointer ") && str_contains($text, $message));
        self::assertNotEmpty($found, implode("\n", $problems));
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function mistakes(): iterable
    {
        $mesh = ['kind' => 'mesh', 'vertices' => self::vertices([0, 0, 0, 10, 0, 0, 0, 10, 0, 0, 0, 10]), 'triangles' => self::triangles([0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 3])];

        yield 'a body of no size' => [['scale' => 0] + $mesh, '/scale', 'above 0'];
        yield 'no such kind' => [['kind' => 'ball'], '/kind', '"block", "cylinder"'];
        yield 'a size below 0' => [['kind' => 'block', 'size' => ['-3 mm', '1 mm', '1 mm']], '/size/0', 'a size of -3 mm is given; every size must be above 0'];
        yield 'a length that is a mass' => [['kind' => 'cylinder', 'length' => '3 kg', 'radius' => '1 mm'], '/length', 'but here a length'];
        yield 'a field of another kind' => [['kind' => 'block', 'size' => ['1 mm', '1 mm', '1 mm'], 'radius' => '1 mm'], '/radius', 'unknown field "radius"; known here: kind, size'];
        yield 'a board of nothing' => [['kind' => 'board', 'size' => ['1 mm', '1 mm'], 'layers' => []], '/layers', 'at least one layer'];
        yield 'a layer with more copper than layer' => [['kind' => 'board', 'size' => ['1 mm', '1 mm'], 'layers' => [['thickness' => '35 um', 'copper' => 1.2]]], '/layers/0/copper', 'at most 1 (100 %)'];
        yield 'fins that run along themselves' => [['kind' => 'plateFins', 'size' => ['20 mm', '9 mm'], 'base' => '2 mm', 'height' => '8 mm', 'count' => 5, 'thickness' => '1 mm', 'along' => 'z'], '/along', 'the fins stand along z, so they cannot run along it'];
        yield 'pins without gaps' => [['rows' => 5] + self::PINS, '/rows', '5 pins of 2 mm do not fit into 10 mm with gaps between them'];
        yield 'half a pin' => [['columns' => 2.5] + self::PINS, '/columns', 'a whole number from 1 to 200 is expected, not 2.5'];
        yield 'two corners' => [['kind' => 'profile', 'length' => '1 mm', 'points' => [[0, 0], ['1 mm', 0]]], '/points', 'at least three corners, 2 are given'];
        yield 'corners in line' => [['kind' => 'profile', 'length' => '1 mm', 'points' => [[0, 0], ['1 mm', 0], ['2 mm', 0]]], '/points', 'enclose no area'];
        yield 'a corner in space' => [['kind' => 'profile', 'axis' => 'x', 'length' => '1 mm', 'points' => [[0, 0, 0], ['1 mm', 0], [0, '1 mm']]], '/points/0', 'a pair of lengths along y and z'];
        yield 'one point' => [['points' => [[0, 0, 0]]] + self::WIRE, '/points', 'at least two points, 1 are given'];
        yield 'a point twice' => [['points' => [[0, 0, 0], ['5 mm', 0, 0], ['5 mm', 0, 0]]] + self::WIRE, '/points', 'the points 2 and 3 are the same'];
        yield 'more points than taken' => [['points' => array_map(fn (int $n) => ["$n mm", 0, 0], range(1, 201))] + self::WIRE, '/points', '201 points is given; at most 200'];
        yield 'a strip out of its plane' => [['kind' => 'path', 'width' => '1 mm', 'thickness' => '1 mm', 'points' => [[0, 0, 0], [0, 0, '5 mm']]], '/points', 'must have the same z'];
        yield 'a fan without a curve' => [['curve' => [[0, '20 Pa']]] + self::FAN, '/curve', 'at least two pairs'];
        yield 'a curve that turns back' => [['curve' => [[0, '20 Pa'], ['5 l/s', '9 Pa'], ['4 l/s', 0]]] + self::FAN, '/curve/2/0', 'must rise'];
        yield 'a curve the wrong way round' => [['curve' => [['20 Pa', 0], [0, '5 l/s']]] + self::FAN, '/curve/0/0', 'but here a volume flow'];
        yield 'a hub as large as its fan' => [['hub' => 1] + self::FAN, '/hub', 'must be below 1'];
        yield 'a direction without a sign' => [['direction' => 'x'] + self::FAN, '/direction', '"x-", "x+"'];
        yield 'a screen of nothing' => [['kind' => 'screen', 'size' => ['1 mm', '1 mm']], '', 'either "lossCoefficient" or "freeArea"'];
        yield 'a screen of both' => [['kind' => 'screen', 'size' => ['1 mm', '1 mm'], 'freeArea' => 0.5, 'lossCoefficient' => 2], '', 'either "lossCoefficient" or "freeArea"'];
        yield 'a screen freer than free' => [['kind' => 'screen', 'size' => ['1 mm', '1 mm'], 'freeArea' => 1.5], '/freeArea', 'lies between 0 and 1'];
        yield 'a resistance of nothing' => [['kind' => 'package', 'size' => ['1 mm', '1 mm', '1 mm'], 'junctionToCase' => 0, 'junctionToBoard' => 1], '/junctionToCase', 'must be above 0'];
        yield 'a body that is no base64' => [['vertices' => '***'] + $mesh, '/vertices', 'four-byte numbers in base64'];
        yield 'a triangle of a vertex too many' => [['triangles' => self::triangles([0, 2, 1, 0, 1, 3, 0, 3, 2, 1, 2, 4])] + $mesh, '/triangles', 'name vertices that are not there'];
        yield 'three triangles' => [['triangles' => self::triangles([0, 2, 1, 0, 1, 3, 0, 3, 2])] + $mesh, '/triangles', 'at least four triangles, 3 are given'];
        yield 'a flat body' => [['vertices' => self::vertices([0, 0, 0, 10, 0, 0, 0, 10, 0, 10, 10, 0])] + $mesh, '/triangles', 'the body is flat'];
        yield 'a body with a hole in its numbers' => [['vertices' => self::vertices([0, 0, 0, NAN, 0, 0, 0, 10, 0, 0, 0, 10])] + $mesh, '/triangles', 'a vertex is not a number'];
    }

    public function testAFanIsAnnularByItsHubAndBlowsOneWay(): void
    {
        [$fan] = self::read(['kind' => 'fan', 'direction' => 'y-', 'diameter' => '40 mm', 'hub' => 0.4, 'speedFactor' => 0.5, 'curve' => [[0, '20 Pa'], ['6 l/s', 0]]]);

        self::assertInstanceOf(Fan::class, $fan);
        self::assertSame(-1, $fan->direction);
        self::assertSame(1, $fan->axis);
        self::assertTrue($fan->round);
        self::assertEqualsWithDelta(0.4, $fan->hub, 1e-12);
        // At half the speed half the flow and a quarter of the rise.
        self::assertEqualsWithDelta(3e-3, $fan->freeFlow(), 1e-9);
        self::assertEqualsWithDelta(5.0, $fan->rise(0.0)[0], 1e-9);
    }

    /**
     * Loss coefficients by Idelchik's formulas, with the velocity in front of the screen.
     *
     * @param array<string, mixed> $fields
     */
    #[DataProvider('screens')]
    public function testAScreenLosesByItsHoles(array $fields, float $loss): void
    {
        [$screen] = self::read(['kind' => 'screen', 'size' => ['40 mm', '40 mm'], ...$fields]);

        self::assertInstanceOf(Screen::class, $screen);
        self::assertEqualsWithDelta($loss, $screen->loss, 1e-5 * $loss);
    }

    /** @return iterable<string, array{array<string, mixed>, float}> */
    public static function screens(): iterable
    {
        yield 'given' => [['lossCoefficient' => 3.5], 3.5];
        yield 'thin plate, half of it free' => [['freeArea' => 0.5], 4.36953];
        yield 'wires' => [['freeArea' => 0.5, 'holes' => 'wire'], 1.65];
    }

    public function testAThickPlateLosesLessThanAThinOne(): void
    {
        $loss = function (string $holes, string $thickness): float {
            [$screen] = self::read(['kind' => 'screen', 'size' => ['40 mm', '40 mm'], 'freeArea' => 0.5, 'holes' => $holes, ...($holes === 'thin' ? [] : ['holeSize' => '3 mm', 'thickness' => $thickness])]);

            return $screen instanceof Screen ? $screen->loss : NAN;
        };

        self::assertLessThan($loss('round', '0.3 mm'), $loss('round', '3 mm'));
        self::assertLessThan($loss('thin', ''), $loss('round', '3 mm'));
        self::assertEqualsWithDelta($loss('round', '3 mm'), $loss('slot', '6 mm'), 1e-9, 'a slot has twice its width as hydraulic diameter');
    }

    public function testFinsHaveWhatIsBetweenThem(): void
    {
        [$fins] = self::read(['kind' => 'plateFins', 'size' => ['20 mm', '9 mm'], 'base' => '2 mm', 'height' => '8 mm', 'count' => 5, 'thickness' => '1 mm']);

        self::assertInstanceOf(PlateFins::class, $fins);
        self::assertEqualsWithDelta(1e-3, $fins->gap(), 1e-12);
        self::assertSame([0, 1, 2], [$fins->along, $fins->across, $fins->up]);
    }

    public function testAPackageStandsOnTheSideOfItsBoard(): void
    {
        [$package] = self::read(['kind' => 'package', 'size' => ['5 mm', '5 mm', '1 mm'], 'junctionToCase' => '3 K/W', 'junctionToBoard' => '8 K/W', 'boardFace' => 'x+']);

        self::assertInstanceOf(TwoResistancePackage::class, $package);
        self::assertSame([0, 1], [$package->boardAxis, $package->boardSign]);
    }

    public function testOnlyWhatMayStandAskewIsTurned(): void
    {
        $turn = ['turn' => [0, 0, '30 deg']];

        self::assertSame([], self::read(['kind' => 'block', 'size' => ['1 mm', '1 mm', '1 mm']], $turn)[1]);
        self::assertStringContainsString('a package cannot be turned', self::read(['kind' => 'package', 'size' => ['5 mm', '5 mm', '1 mm'], 'junctionToCase' => 3, 'junctionToBoard' => 8], $turn)[1][0]);
        self::assertStringContainsString('it blows in one of the directions', self::read(self::FAN, $turn)[1][0]);
    }

    /**
     * The shape of a part at (1 mm, 1 mm, 1 mm), and what was said of it.
     *
     * @param array<string, mixed> $shape
     * @param array<string, mixed> $part other fields of the part
     * @return array{Shape, list<string>} place and message of each problem
     */
    private static function read(array $shape, array $part = []): array
    {
        $problems = new Problems();
        $reader = new Reader(['shape' => $shape, 'at' => ['1 mm', '1 mm', '1 mm'], ...$part], '', $problems, new Parameters([]));
        $read = ShapeReader::read($reader);
        try {
            $problems->throwIfAny();
        } catch (ModelException $e) {
            return [$read, array_map(fn ($problem) => "$problem->pointer $problem->message", $e->problems)];
        }

        return [$read, []];
    }

    /** Volume in mm3, by asking a fine raster of places. */
    private static function filled(Shape $shape): float
    {
        $box = $shape->bounds();
        $n = 36;
        $inside = 0;
        for ($i = 0; $i < $n ** 3; $i++) {
            [$x, $y, $z] = array_map(fn (int $axis, int $k) => $box->min[$axis] + ($k + 0.5) / $n * $box->size($axis), [0, 1, 2], [$i % $n, intdiv($i, $n) % $n, intdiv($i, $n * $n)]);
            $inside += $shape->contains($x, $y, $z) ? 1 : 0;
        }

        return 1e9 * $inside / $n ** 3 * $box->size(0) * $box->size(1) * $box->size(2);
    }

    /** @param list<int|float> $millimetres */
    private static function vertices(array $millimetres): string
    {
        return base64_encode(pack('g*', ...array_map(fn ($v) => 1e-3 * $v, $millimetres)));
    }

    /** @param list<int> $corners */
    private static function triangles(array $corners): string
    {
        return base64_encode(pack('V*', ...$corners));
    }
}
