<?php

declare(strict_types=1);

namespace Foehn\Tests\Geometry;

use Foehn\Geometry\Box;
use Foehn\Geometry\Rotation;
use Foehn\Geometry\Surface;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Turns, boxes and surfaces against their formulas. */
final class GeometryTest extends TestCase
{
    /** @return iterable<string, array{array{float, float, float}}> */
    public static function turns(): iterable
    {
        yield 'none' => [[0.0, 0.0, 0.0]];
        yield 'about x' => [[0.4, 0.0, 0.0]];
        yield 'about all three' => [[0.3, -0.7, 1.1]];
        yield 'a right angle about y' => [[0.0, M_PI_2, 0.0]];
        yield 'upside down' => [[M_PI, 0.0, 0.2]];
    }

    /** @param array{float, float, float} $angles */
    #[DataProvider('turns')]
    public function testATurnKeepsLengthsAndItsAnglesGiveItBack(array $angles): void
    {
        $turn = Rotation::about($angles);
        $v = $turn->apply([1.0, -2.0, 0.5]);

        self::assertEqualsWithDelta(1.0 + 4.0 + 0.25, $v[0] ** 2 + $v[1] ** 2 + $v[2] ** 2, 1e-12);
        self::assertEqualsWithDelta($v, Rotation::about($turn->angles())->apply([1.0, -2.0, 0.5]), 1e-9, 'angles of a turn are not unique, the turn is');
    }

    public function testTheTurnAboutXComesFirstAndThatAboutZLast(): void
    {
        // y goes to z about x, z goes to x about y, x goes to y about z.
        self::assertEqualsWithDelta([0.0, 1.0, 0.0], Rotation::about([M_PI_2, M_PI_2, M_PI_2])->apply([0.0, 1.0, 0.0]), 1e-12);
        $about = fn (int $axis, float $angle): Rotation => Rotation::about(array_map(fn (int $a): float => $a === $axis ? $angle : 0.0, [0, 1, 2]));
        $apart = $about(2, 1.1)->after($about(1, -0.7))->after($about(0, 0.3));
        self::assertEqualsWithDelta(Rotation::about([0.3, -0.7, 1.1])->apply([1.0, 2.0, 3.0]), $apart->apply([1.0, 2.0, 3.0]), 1e-12);
    }

    public function testRightTurnsAreExact(): void
    {
        $turn = Rotation::about([0.0, 0.0, M_PI_2]);
        self::assertTrue($turn->isRight());
        self::assertSame([0.0, 1.0, 0.0], $turn->apply([1.0, 0.0, 0.0]));
        self::assertSame([[1, 1], [0, -1], [2, 1]], [$turn->axis(0), $turn->axis(1), $turn->axis(2)]);
        self::assertSame([1, 0, 2], [$turn->before(0), $turn->before(1), $turn->before(2)]);
        self::assertFalse(Rotation::about([0.0, 0.0, 0.1])->isRight());
        self::assertTrue(Rotation::about([0.0, 2 * M_PI, 0.0])->isNone());
    }

    public function testABoxAroundBoxesHoldsThem(): void
    {
        $around = Box::around([new Box([0, 0, 0], [1, 2, 3]), new Box([-1, 1, 1], [0.5, 4, 2])]);

        self::assertSame([[-1.0, 0.0, 0.0], [1.0, 4.0, 3.0]], [array_map(floatval(...), $around->min), array_map(floatval(...), $around->max)]);
        self::assertTrue($around->contains(new Box([0, 0, 0], [1, 2, 3]), 1e-9));
        self::assertFalse($around->contains(new Box([0, 0, 0], [1, 2, 3.1]), 1e-9));
        self::assertSame(4.0, (float) $around->size(1));
    }

    /** Steps that follow a surface with normal n have |nx| + |ny| + |nz| times its area. */
    public function testSurfacesKnowTheStepsThatFollowThem(): void
    {
        $flat = Surface::flat(2.0, [0.0, 0.0, 1.0]);
        self::assertSame(1.0, $flat->steps());
        self::assertEqualsWithDelta(sqrt(2.0), $flat->turned(Rotation::about([M_PI_4, 0.0, 0.0]))->steps(), 1e-12);
        self::assertEqualsWithDelta(sqrt(3.0), Surface::flat(1.0, [1 / sqrt(3.0), 1 / sqrt(3.0), -1 / sqrt(3.0)])->steps(), 1e-12);
        self::assertEqualsWithDelta(4.0 / M_PI, Surface::round(3.0, [1.0, 0.0, 0.0], [0.0, 1.0, 0.0])->steps(), 1e-3);
        self::assertSame(1.0, Surface::none()->steps());
        // One m2 along the grid beside one askew.
        self::assertEqualsWithDelta(0.5 * (1.0 + sqrt(2.0)), Surface::flat(1.0, [1.0, 0.0, 0.0])->with(Surface::flat(1.0, [sqrt(0.5), sqrt(0.5), 0.0]))->steps(), 1e-12);
    }

    public function testAreasThatLookAlikeAreOne(): void
    {
        // A roof of many triangles with two slopes.
        $areas = [];
        for ($n = 0; $n < 50; $n++) {
            $areas[] = [0.01, 0.0, 0.02];
            $areas[] = [-0.01, 0.0, 0.02];
        }
        $roof = Surface::ofAreas($areas);

        self::assertEqualsWithDelta(0.03 / sqrt(0.0005), $roof->steps(), 1e-12);
        self::assertEqualsWithDelta($roof->steps(), $roof->towards(0, 1)->steps(), 1e-12, 'both slopes are alike');
        self::assertSame(1.0, $roof->towards(2, -1)->steps(), 'nothing looks down');
    }
}
