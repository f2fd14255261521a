<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics\Radiation;

use Foehn\Codec\ModelCodec;
use Foehn\Observe\Readings;
use Foehn\Observe\SurfaceSums;
use Foehn\Physics\Radiation\Emission;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;
use Foehn\Study\Influence;
use Foehn\Study\Sensitivities;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/**
 * Bodies so well conducting that they have one temperature: P = eps sigma A (T^4 - T_r^4) + h A (T - T_a).
 *
 * @phpstan-import-type Document from Models
 */
final class ToSurroundingsTest extends TestCase
{
    private const SIDE = 0.02;

    public function testABodyInVacuumIsCooledByRadiationAlone(): void
    {
        $solution = self::solved(null, ['emissivity' => 0.8], ['radiantTemperature' => 250]);
        $area = 6.0 * self::SIDE ** 2;
        $expected = (2.0 / (0.8 * Emission::SIGMA * $area) + 250.0 ** 4) ** 0.25;

        self::assertTrue($solution->outcome->converged);
        self::assertEqualsWithDelta($expected, self::hottest($solution), 0.01);
        self::assertEqualsWithDelta(['radiation' => 2.0], (new SurfaceSums($solution->state))->routes(0), 1e-6);
        self::assertLessThan(1e-8, $solution->state->balance()->error());
    }

    public function testBesideMovingAirWhatLeavesIsSharedAndCloses(): void
    {
        $solution = self::solved('air', ['emissivity' => 0.5], []);
        $routes = (new SurfaceSums($solution->state))->routes(0);
        $surfaces = $solution->state->system->surfaces;
        $emitted = 0.0;
        foreach ($surfaces->elements->cell as $e => $_) {
            if ($surfaces->radiates($e)) {
                $emitted += 0.5 * Emission::SIGMA * $surfaces->elements->area[$e] * ($surfaces->surfaceTemperature($e, $solution->state->temperature) ** 4 - 293.15 ** 4);
            }
        }

        self::assertEqualsWithDelta($emitted, $routes['radiation'], 1e-6 * $emitted, 'linear about the temperatures that are found');
        self::assertEqualsWithDelta(2.0, $routes['radiation'] + $routes['fluid'], 1e-6);
        self::assertGreaterThan(0.1, $routes['fluid']);
        self::assertLessThan(1e-6, $solution->state->balance()->error());
    }

    public function testARoundBodyRadiatesWithItsTrueArea(): void
    {
        $solution = self::solved(null, ['emissivity' => 0.8], [], ['kind' => 'cylinder', 'axis' => 'z', 'radius' => 0.01, 'length' => self::SIDE], [0.03, 0.03, 0.02]);
        $area = 2.0 * M_PI * 1e-4 + 2.0 * M_PI * 0.01 * self::SIDE;
        $expected = (2.0 / (0.8 * Emission::SIGMA * $area) + 293.15 ** 4) ** 0.25;

        // Its flat ends are held by cells to 1 % of their area here.
        self::assertEqualsWithDelta($expected, self::hottest($solution), 0.004 * $expected);
    }

    public function testWhatIsEnclosedDoesNotSeeTheSurroundings(): void
    {
        $document = self::document(null, ['emissivity' => 0.8], []);
        $document['parts'] = [[...$document['parts'][0], 'faces' => ['z-' => ['heat' => ['kind' => 'film', 'coefficient' => 10, 'temperature' => 293.15]]]], ['id' => 'box', 'name' => 'Box', 'shape' => ['kind' => 'shell', 'size' => [0.05, 0.05, 0.05], 'wall' => 0.005], 'at' => [0.005, 0.005, 0.005], 'material' => 'metal', 'power' => '2 W', 'surface' => ['emissivity' => 0.5]]];
        $solution = (new SteadySolver(Models::read($document)))->solve();
        $sums = new SurfaceSums($solution->state);

        self::assertArrayNotHasKey('radiation', $sums->routes(0));
        self::assertEqualsWithDelta(['radiation' => 2.0], $sums->routes(1), 1e-6);
        $expected = (2.0 / (0.5 * Emission::SIGMA * 6.0 * 0.05 ** 2) + 293.15 ** 4) ** 0.25;
        self::assertEqualsWithDelta($expected, (new Readings($solution->state))->temperatures[1]['max'] ?? NAN, 0.05);
    }

    public function testWithoutAnEmissivityThereIsNoWayOut(): void
    {
        $this->expectExceptionMessage('way out');
        self::solved(null, [], []);
    }

    /** A hot block in a duct with cold walls: what it radiates arrives at them and at the openings, and nothing is lost on the way. */
    public function testBetweenSurfacesAndMovingAirTheBalanceCloses(): void
    {
        $document = self::document('air', ['emissivity' => 0.7], []);
        $document['physics'] = ['radiation' => 'surfaces', 'flow' => 'laminar', 'buoyancy' => false];
        $document['space']['sides']['y-'] = ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 293.15]];
        $document['space']['sides']['y+'] = ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 20, 'temperature' => 293.15]];
        $solution = (new SteadySolver(Models::read($document)))->solve();
        $sums = new SurfaceSums($solution->state);
        $routes = $sums->routes(0);
        $carried = array_sum($solution->state->flow?->carried($solution->state->temperature) ?? []);

        self::assertTrue($solution->outcome->converged);
        self::assertLessThan(1e-6, $solution->state->balance()->error());
        self::assertEqualsWithDelta(2.0, $routes['radiation'] + $routes['fluid'], 1e-6);
        self::assertGreaterThan(0.3, $routes['radiation']);
        // To the openings, which see 293.15 K, goes the rest.
        $throughWalls = array_sum(array_map(fn (int $side): float => $sums->side($side)['heat'] ?? 0.0, range(0, 5)));
        $radiated = 0.0;
        foreach ($solution->state->system->surfaces->elements->cell as $e => $_) {
            $radiated += $solution->state->system->surfaces->radiated($e, $solution->state->temperature);
        }
        self::assertEqualsWithDelta(2.0, $carried + $throughWalls + $radiated, 1e-5);
        self::assertGreaterThan(0.0, $radiated);
    }

    /** A watt more warms by what the nonlinear solution is steeper. */
    public function testTheInfluenceOfWattsIsThatOfTheRadiatingModel(): void
    {
        $heat = (new SteadySolver(ModelCodec::fromDocument(self::document(null, ['emissivity' => 0.9], []))))->linearised();
        $perWatt = (new Influence($heat))->rows[0]['places'][0]['perWatt'][0];
        $temperature = self::hottest(self::solved(null, ['emissivity' => 0.9], []));

        self::assertEqualsWithDelta(1.0 / (4.0 * 0.9 * Emission::SIGMA * 6.0 * self::SIDE ** 2 * $temperature ** 3), $perWatt, 1e-3 * $perWatt);
    }

    /** dT/T = -d(eps)/eps (1 - (T_r/T)^4) / 4, by the adjoint. */
    public function testWhatWouldHelpKnowsTheFinish(): void
    {
        $document = self::document(null, ['emissivity' => 0.5], []);
        $document['limits'] = [['id' => 'l1', 'of' => ['part' => 'block'], 'atMost' => 400]];
        $heat = (new SteadySolver(ModelCodec::fromDocument($document)))->linearised();
        $sensitivities = new Sensitivities($heat);
        $limit = $sensitivities->worst();
        self::assertNotNull($limit);
        $found = array_column($sensitivities->of($limit), 'change', 'kind');
        $temperature = self::hottest(self::solved(null, ['emissivity' => 0.5], []));

        self::assertEqualsWithDelta(-0.2 * 0.25 * $temperature * (1.0 - (293.15 / $temperature) ** 4), $found['emissivity'], 0.2);
        self::assertEqualsWithDelta(-5.0 * (293.15 / $temperature) ** 3, $found['ambient'], 0.05, 'the surroundings that it sees');
    }

    private static function hottest(Solution $solution): float
    {
        return (new Readings($solution->state))->temperatures[0]['max'] ?? NAN;
    }

    /**
     * @param array<string, float> $surface
     * @param array<string, mixed> $surroundings
     * @param array<string, mixed>|null $shape
     * @param array{float, float, float} $at
     */
    private static function solved(?string $fluid, array $surface, array $surroundings, ?array $shape = null, array $at = [0.02, 0.02, 0.02]): Solution
    {
        return (new SteadySolver(Models::read(self::document($fluid, $surface, $surroundings, $shape, $at))))->solve();
    }

    /**
     * A block of 2 W in the middle of a space of 60 mm, through which the fluid flows where there is one.
     *
     * @param array<string, float> $surface
     * @param array<string, mixed> $surroundings
     * @param array<string, mixed>|null $shape
     * @param array{float, float, float} $at
     * @return Document
     */
    private static function document(?string $fluid, array $surface, array $surroundings, ?array $shape = null, array $at = [0.02, 0.02, 0.02]): array
    {
        return Models::block([
            'surroundings' => ['temperature' => 293.15, ...$surroundings],
            'physics' => ['radiation' => 'surroundings', 'flow' => $fluid === null ? 'none' : 'laminar', 'buoyancy' => false],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.06, 0.06]], 'fluid' => $fluid, 'sides' => $fluid === null ? [] : ['x-' => ['kind' => 'inlet', 'speed' => 0.2], 'x+' => ['kind' => 'outlet']]],
            'materials' => ['metal' => ['conductivity' => 5000]],
            'parts' => [['id' => 'block', 'name' => 'Block', 'shape' => $shape ?? ['kind' => 'block', 'size' => [self::SIDE, self::SIDE, self::SIDE]], 'at' => $at, 'material' => 'metal', 'power' => '2 W', ...($surface === [] ? [] : ['surface' => $surface])]],
            'limits' => [],
            'analysis' => ['grid' => ['cells' => $fluid === null ? [24, 24, 24] : [12, 12, 12]]],
        ]);
    }
}
