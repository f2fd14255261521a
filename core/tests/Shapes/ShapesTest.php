<?php

declare(strict_types=1);

namespace Foehn\Tests\Shapes;

use Foehn\Geometry\Box;
use Foehn\Shapes\Block;
use Foehn\Shapes\Cylinder;
use Foehn\Shapes\Fan;
use Foehn\Shapes\FanCurve;
use Foehn\Shapes\FinAxes;
use Foehn\Shapes\Mesh;
use Foehn\Shapes\Outline;
use Foehn\Shapes\Path;
use Foehn\Shapes\PinFins;
use Foehn\Shapes\PlateFins;
use Foehn\Shapes\Profile;
use Foehn\Shapes\Screen;
use Foehn\Shapes\Shape;
use Foehn\Shapes\Shell;
use Foehn\Shapes\Turned;
use Foehn\Tests\Nested;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ShapesTest extends TestCase
{
    #[DataProvider('volumes')]
    public function testContainsItsVolume(Shape $shape, float $expected, float $tolerance): void
    {
        $box = $shape->bounds();
        $inside = 0;
        $n = 60;
        for ($i = 0; $i < $n; $i++) {
            for ($j = 0; $j < $n; $j++) {
                for ($k = 0; $k < $n; $k++) {
                    $inside += $shape->contains(
                        $box->min[0] + $box->size(0) * ($i + 0.5) / $n,
                        $box->min[1] + $box->size(1) * ($j + 0.5) / $n,
                        $box->min[2] + $box->size(2) * ($k + 0.5) / $n,
                    ) ? 1 : 0;
                }
            }
        }
        $volume = $box->size(0) * $box->size(1) * $box->size(2) * $inside / $n ** 3;

        self::assertEqualsWithDelta($expected, $volume, $tolerance * $expected);
    }

    public function testAFanBuildsUpLessPressureInThinAirAndMovesAsMuch(): void
    {
        $fan = fn (?float $measuredIn) => (new Fan(new Outline(0, 0.0, [0.0, 0.0], [0.04, 0.04], true, 0.4), 1, new FanCurve([[0.0, 40.0], [0.004, 0.0]], 0.5, $measuredIn)))->in(0.9);
        // Half the speed: half the flow and a quarter of the pressure; then three quarters of the density.
        self::assertEqualsWithDelta([7.5, 3.75, 0.0], [$fan(1.2)->rise(0.0)[0], $fan(1.2)->rise(0.001)[0], $fan(1.2)->rise(0.002)[0]], 1e-12);
        self::assertEqualsWithDelta([10.0, 0.002], [$fan(null)->rise(0.0)[0], $fan(1.2)->freeFlow()], 1e-12);
    }

    public function testAirHasComeAsFarAsFromWhereItEntersBetweenTheFins(): void
    {
        $fins = new PlateFins(new Box([0.0, 0.0, 0.0], [0.1, 0.05, 0.03]), new FinAxes(2, 1, 0), 0.005, 6, 0.001);
        $way = fn (float $along, float $up) => $fins->way([0.03, 0.02, 0.02], [0.002, 0.003, 0.004], $along, $up);
        self::assertEqualsWithDelta([0.029, 0.031], $way(1.0, 0.0), 1e-12);
        self::assertEqualsWithDelta([0.069, 0.071], $way(-1.0, 0.5), 1e-12);
        self::assertEqualsWithDelta([0.008, 0.012], $way(0.0, -1.0), 1e-12);
        // Half along, half down: half of each way.
        self::assertEqualsWithDelta([0.0185, 0.0215], $way(1.0, -1.0), 1e-12);
    }

    public function testAQuarterTurnKeepsPlanesFacesAndThinThings(): void
    {
        $turned = Turned::by(new Block(new Box([0.0, 0.0, 0.0], [0.06, 0.02, 0.004])), [0.0, 0.0, M_PI / 2]);
        self::assertInstanceOf(Turned::class, $turned);
        self::assertEqualsWithDelta([[0.02, 0.04], [-0.02, 0.04]], [$turned->planes(0), $turned->planes(1)], 1e-12);
        // What looked along x before looks along y now.
        self::assertSame('x+', $turned->faceTowards(1, 1));
        self::assertSame('y+', $turned->faceTowards(0, -1));
        self::assertSame([2, 'thickness'], [$turned->features()[0]->axis, $turned->features()[0]->name]);
        self::assertEqualsWithDelta(0.0, $turned->surfaceExcess(), 1e-12);
    }

    public function testATurnedPlateSaysWhatItsStepsCost(): void
    {
        $edge = Turned::by(new Block(new Box([0.0, 0.0, 0.0], [0.1, 0.1, 1e-9])), [M_PI / 4, 0.0, 0.0]);
        self::assertInstanceOf(Turned::class, $edge);
        self::assertEqualsWithDelta(sqrt(2.0) - 1.0, $edge->surfaceExcess(), 1e-6);
        self::assertGreaterThan(20, $edge->features()[0]->cells);
    }

    /** The mean of |nx| + |ny| + |nz|: 1 along the grid, 4/pi around an axis. */
    public function testStepsOfRoundAndSlantedSurfaces(): void
    {
        $rod = new Cylinder(2, [0.0, 0.0], 0.01, 0.0, 0.05);
        self::assertEqualsWithDelta([4 / M_PI, 1.0], [$rod->surface('side')->steps(), $rod->surface('end')->steps()], 1e-3);
        $wire = new Path([[0.0, 0.0, 0.0], [0.1, 0.0, 0.0]], 0.001);
        self::assertEqualsWithDelta(4 / M_PI, $wire->surface('side')->steps(), 1e-3);
        // Two legs along the grid and one of the same length at 45 degrees.
        $wedge = new Profile(2, [[0.0, 0.0], [1.0, 0.0], [0.0, 1.0]], 0.0, 1.0);
        self::assertEqualsWithDelta((2.0 + 2.0) / (2.0 + sqrt(2.0)), $wedge->surface('side')->steps(), 1e-9);
        $pins = new PinFins(new Box([0.0, 0.0, 0.0], [0.04, 0.04, 0.02]), 2, 1, 1e-6, [5, 5], 0.002, true);
        self::assertEqualsWithDelta([4 / M_PI, 1.0], [$pins->surface('x+')->steps(), $pins->surface('z+')->steps()], 1e-3);

        $mesh = self::prism(array_map(fn (int $n): array => [cos(2 * M_PI * $n / 64), sin(2 * M_PI * $n / 64)], range(0, 63)), 1.0);
        self::assertEqualsWithDelta([4 / M_PI, 1.0], [$mesh->surface('x-')->steps(), $mesh->surface('z-')->steps()], 2e-3);
        $turned = Turned::by($rod, [M_PI / 2, 0.0, 0.0]);
        self::assertEqualsWithDelta(4 / M_PI, $turned->surface('side')->steps(), 1e-3);
    }

    #[DataProvider('screens')]
    public function testLossOfScreensByTheirHoles(float $loss, float $expected): void
    {
        self::assertEqualsWithDelta($expected, $loss, 0.02 * $expected);
    }

    /** @return iterable<string, array{float, float}> values of the tables of Idelchik's diagrams */
    public static function screens(): iterable
    {
        yield 'thin plate, half open' => [Screen::ofFreeArea(0.5), 4.37];
        yield 'thick plate attaches: half open, as deep as wide' => [Screen::ofThickPlate(0.5, 1.0), 4.0 * (0.5 * 0.5946 + 0.24 * 0.3856 + 0.25 + 0.02)];
        yield 'thick plate without depth is a sharp edge' => [Screen::ofThickPlate(0.5, 0.0), 4.0 * (0.5 * 0.5946 + 1.35 * 0.3856 + 0.25)];
        yield 'net of wires, half open' => [Screen::ofWires(0.5), 1.65];
    }

    public function testAMeshFollowsItsFlatFacesAndTellsOpenEdges(): void
    {
        $mesh = self::prism([[0.0, 0.0], [0.04, 0.0], [0.04, 0.02], [0.01, 0.02], [0.01, 0.03], [0.0, 0.03]], 0.01);
        self::assertSame(0, $mesh->openEdges());
        self::assertEqualsWithDelta((0.04 * 0.02 + 0.01 * 0.01) * 0.01, $mesh->volume(), 1e-12);
        $planes = array_map(fn (int $axis) => array_values(array_unique($mesh->planes($axis))), [0, 1, 2]);
        array_walk($planes, fn (array &$own) => sort($own));
        self::assertSame([[0.0, 0.01, 0.04], [0.0, 0.02, 0.03], [0.0, 0.01]], $planes);
        self::assertTrue($mesh->contains(0.005, 0.025, 0.005));
        self::assertFalse($mesh->contains(0.02, 0.025, 0.005));
        self::assertFalse($mesh->contains(0.005, 0.025, 0.011));

        self::assertSame(3, (new Mesh([0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0, 1], [0, 1, 2, 0, 1, 3, 0, 2, 3]))->openEdges());
    }

    /**
     * @param non-empty-list<array{float, float}> $outline star-shaped about its first corner, counter-clockwise
     */
    private static function prism(array $outline, float $height): Mesh
    {
        $n = count($outline);
        [$vertices, $triangles] = [[], []];
        foreach ([0.0, $height] as $z) {
            foreach ($outline as [$x, $y]) {
                array_push($vertices, $x, $y, $z);
            }
        }
        for ($i = 0; $i < $n; $i++) {
            $j = ($i + 1) % $n;
            array_push($triangles, $i, $j, $n + $j, $i, $n + $j, $n + $i);
            if ($i > 0 && $j > 0) {
                array_push($triangles, 0, $j, $i, $n, $n + $i, $n + $j);
            }
        }

        return new Mesh($vertices, $triangles);
    }

    /** @return iterable<string, array{Shape, float, float}> */
    public static function volumes(): iterable
    {
        $plate = new Block(new Box([0.01, 0.02, 0.0], [0.07, 0.04, 0.005]));
        yield 'turned block' => [Turned::by($plate, [0.3, -0.5, 0.7]), 0.06 * 0.02 * 0.005, 0.05];
        yield 'block, a quarter turn' => [Turned::by($plate, [0.0, M_PI / 2, 0.0]), 0.06 * 0.02 * 0.005, 1e-9];
        yield 'angle profile' => [new Profile(1, [[0.0, 0.0], [0.03, 0.0], [0.03, 0.002], [0.002, 0.002], [0.002, 0.02], [0.0, 0.02]], 0.0, 0.1), 0.1 * (0.03 * 0.002 + 0.018 * 0.002), 0.05];
        yield 'triangle' => [new Profile(2, [[0.0, 0.0], [0.04, 0.0], [0.0, 0.02]], 0.0, 0.01), 4e-6, 0.02];
        $hexagon = array_map(fn (int $n) => [0.01 * cos($n * M_PI / 3), 0.01 * sin($n * M_PI / 3)], range(0, 5));
        yield 'square pins' => [new PinFins(new Box([0, 0, 0], [0.04, 0.03, 0.02]), 2, 1, 0.005, [4, 3], 0.004, false), 0.04 * 0.03 * 0.005 + 12 * 0.004 ** 2 * 0.015, 0.03];
        yield 'round pins, hanging' => [new PinFins(new Box([0, 0, 0], [0.02, 0.03, 0.04]), 0, -1, 0.005, [2, 3], 0.006, true), 0.005 * 0.03 * 0.04 + 6 * M_PI / 4 * 0.006 ** 2 * 0.015, 0.03];
        // Straight ends; a quarter of a disc fills the outer side of the bend.
        yield 'bent strip' => [new Path([[0.0, 0.0, 0.0], [0.04, 0.0, 0.0], [0.04, 0.03, 0.0]], 0.004, 2, 0.001), 0.001 * (0.036 * 0.008 + 0.026 * 0.008 + 0.004 ** 2 * (3 + M_PI / 4)), 0.02];
        yield 'slanted wire' => [new Path([[0.0, 0.0, 0.0], [0.03, 0.02, 0.01]], 0.004), M_PI * 0.004 ** 2 * sqrt(14) * 0.01, 0.03];
        yield 'mesh' => [self::prism($hexagon, 0.02), 1.5 * sqrt(3) * 1e-4 * 0.02, 0.01];
        yield 'cylinder along y' => [new Cylinder(1, [0.0, 0.0], 2.0, 1.0, 4.0), M_PI * 4 * 3, 0.01];
        yield 'shell' => [new Shell(new Box([0, 0, 0], [6, 6, 6]), 1.0), 216 - 64, 1e-9];
        yield 'fins up' => [new PlateFins(new Box([0, 0, 0], [6, 6, 6]), new FinAxes(2, 1, 0), 2.0, 4, 0.6), 72 + 4 * 0.6 * 6 * 4, 1e-9];
        yield 'fins down' => [new PlateFins(new Box([0, 0, 0], [6, 6, 6]), new FinAxes(2, -1, 1), 2.0, 4, 0.6), 72 + 4 * 0.6 * 6 * 4, 1e-9];
        yield 'single fin' => [new PlateFins(new Box([0, 0, 0], [6, 6, 6]), new FinAxes(0, 1, 1), 2.0, 1, 0.6), 72 + 0.6 * 6 * 4, 1e-9];
    }

    public function testTheDrawingOfFinsFillsTheirVolume(): void
    {
        foreach ([1, -1] as $up) {
            $fins = new PlateFins(new Box([0, 0, 0], [6, 6, 6]), new FinAxes(2, $up, 0), 2.0, 4, 0.6);
            $volume = 0.0;
            foreach ($fins->drawing() as $box) {
                $volume += array_product(array_map(fn (int $axis): float => Nested::number($box, 'max', $axis) - Nested::number($box, 'min', $axis), [0, 1, 2]));
            }
            self::assertEqualsWithDelta(72 + 57.6, $volume, 1e-9);
        }
    }

    public function testNamesTheFacesOfACylinder(): void
    {
        $cylinder = new Cylinder(2, [0.0, 0.0], 1.0, 0.0, 1.0);

        self::assertSame(['side', 'start', 'end'], [$cylinder->faceTowards(0, 1), $cylinder->faceTowards(2, -1), $cylinder->faceTowards(2, 1)]);
    }
}
