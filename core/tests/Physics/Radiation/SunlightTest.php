<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics\Radiation;

use Foehn\Model\Sun;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/**
 * Where the sun stands, and what surfaces take up of it beside everything else.
 *
 * @phpstan-import-type Result from ResultBuilder
 */
final class SunlightTest extends TestCase
{
    public function testTheClockFollowsTheLongitudeAndTheSeasons(): void
    {
        // Early in November the sun is 16.4 minutes ahead of the mean one; 15 degrees of longitude are an hour.
        self::assertEqualsWithDelta(12.0 + 16.4 / 60.0, Sun::solarHour(13.0, 307, deg2rad(15.0), 2.0) + 0.0, 0.01);
        [$height, $azimuth] = Sun::place(deg2rad(-35.0), 355, 12.0);
        self::assertEqualsWithDelta(90.0 - 35.0 + 23.4, rad2deg($height), 0.2);
        self::assertEqualsWithDelta(0.0, fmod(rad2deg($azimuth) + 1.0, 360.0) - 1.0, 0.01, 'in the north, south of the equator');
    }

    public function testAClearSkyIsWeakerLowDownAndDarkAtNight(): void
    {
        self::assertEqualsWithDelta(947.0, Sun::clear(M_PI / 2.0), 2.0);
        self::assertLessThan(600.0, Sun::clear(deg2rad(10.0)));
        self::assertSame(0.0, Sun::clear(-0.1));
    }

    public function testNorthAndUpAreThoseOfTheDrawing(): void
    {
        // At 45 degrees in the east, up along -y and north along x.
        $sun = Sun::at(M_PI / 4.0, M_PI / 2.0, [0.0, -1.0, 0.0], [1.0, 0.0, 0.0], 800.0, null);

        self::assertEqualsWithDelta([0.0, -M_SQRT1_2, M_SQRT1_2], array_map(fn (float $part): float => round(abs($part) < 1e-12 ? 0.0 : $part, 12), [$sun->direction[0], $sun->direction[1], abs($sun->direction[2])]), 1e-9);
        self::assertEqualsWithDelta(80.0 * M_SQRT1_2, $sun->diffuse, 1e-9);
    }

    public function testWhatIsTakenUpIsHeatAndLeavesAgain(): void
    {
        $result = self::block('surfaces', ['emissivity' => 0.9, 'absorptivity' => 0.4]);
        /** @var array<string, float> $routes */
        $routes = (array) $result['parts'][0]['routes'];

        // Its top faces the sun, its sides the diffuse light; nothing of it comes back from anywhere.
        self::assertEqualsWithDelta(-0.4 * (1000.0 * 4e-4 + 50.0 * 20e-4), $routes['sun'], 2e-3);
        self::assertEqualsWithDelta(2.0 - $routes['sun'], $routes['radiation'], 1e-5);
        self::assertEqualsWithDelta(-$routes['sun'], $result['radiation']['sun'] ?? NAN, 1e-9);
        self::assertLessThan(1e-6, $result['balance']['error']);
        self::assertSame([['from' => 'block', 'to' => 'surroundings']], array_map(fn (array $row): array => ['from' => $row['from'], 'to' => $row['to']], $result['radiation']['exchange'] ?? []));
    }

    public function testAFaceThatIsSwitchedOffNeitherRadiatesNorTakesUpLight(): void
    {
        $result = self::block('surroundings', ['emissivity' => 0.9, 'absorptivity' => 0.4], ['z+' => ['surface' => ['radiates' => false]]]);

        self::assertEqualsWithDelta(-0.4 * 50.0 * 16e-4, ((array) $result['parts'][0]['routes'])['sun'], 1e-9);
    }

    /**
     * A block of 20 mm at 2 W in vacuum, on a pillar of nothing, with its foot covered by the floor of the space.
     *
     * @param array<string, float> $surface
     * @param array<string, mixed> $faces
     * @return Result
     */
    private static function block(string $radiation, array $surface, array $faces = []): array
    {
        $model = Models::read(Models::block([
            'surroundings' => ['temperature' => 293.15, 'sun' => ['direction' => [0, 0, 2], 'flux' => 1000, 'diffuse' => 50]],
            'physics' => ['radiation' => $radiation],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.06, 0.04]], 'fluid' => null, 'sides' => ['z-' => ['kind' => 'symmetry']]],
            'materials' => ['metal' => ['conductivity' => 1e4]],
            'parts' => [['id' => 'block', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.02]], 'at' => [0.02, 0.02, 0], 'material' => 'metal', 'power' => '2 W', 'surface' => $surface, 'faces' => $faces]],
            'limits' => [], 'analysis' => ['grid' => ['cells' => [12, 12, 8]]],
        ]));

        return ResultBuilder::build((new SteadySolver($model))->solve(), '');
    }
}
