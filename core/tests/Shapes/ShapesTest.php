<?php

declare(strict_types=1);

namespace Foehn\Tests\Shapes;

use Foehn\Model\Box;
use Foehn\Shapes\Cylinder;
use Foehn\Shapes\PlateFins;
use Foehn\Shapes\Shape;
use Foehn\Shapes\Shell;
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

    /** @return iterable<string, array{Shape, float, float}> */
    public static function volumes(): iterable
    {
        yield 'cylinder along y' => [new Cylinder(1, [0.0, 0.0], 2.0, 1.0, 4.0), M_PI * 4 * 3, 0.01];
        yield 'shell' => [new Shell(new Box([0, 0, 0], [6, 6, 6]), 1.0), 216 - 64, 1e-9];
        yield 'fins up' => [new PlateFins(new Box([0, 0, 0], [6, 6, 6]), 2, 1, 0, 2.0, 4, 0.6), 72 + 4 * 0.6 * 6 * 4, 1e-9];
        yield 'fins down' => [new PlateFins(new Box([0, 0, 0], [6, 6, 6]), 2, -1, 1, 2.0, 4, 0.6), 72 + 4 * 0.6 * 6 * 4, 1e-9];
        yield 'single fin' => [new PlateFins(new Box([0, 0, 0], [6, 6, 6]), 0, 1, 1, 2.0, 1, 0.6), 72 + 0.6 * 6 * 4, 1e-9];
    }

    public function testTheDrawingOfFinsFillsTheirVolume(): void
    {
        foreach ([1, -1] as $up) {
            $fins = new PlateFins(new Box([0, 0, 0], [6, 6, 6]), 2, $up, 0, 2.0, 4, 0.6);
            $volume = 0.0;
            foreach ($fins->drawing() as $box) {
                $volume += ($box['max'][0] - $box['min'][0]) * ($box['max'][1] - $box['min'][1]) * ($box['max'][2] - $box['min'][2]);
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
