<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Model\ModelException;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\WallDistance;
use Foehn\Physics\Flow\WallLaw;
use Foehn\Physics\PhysicsException;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use Foehn\Tests\Solved;
use Foehn\Tests\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Flow and what it carries, each against a closed form or a published value.
 *
 * @phpstan-import-type Document from Models
 */
final class FlowTest extends TestCase
{
    private const SYMMETRY = ['kind' => 'symmetry'];

    public function testAHeatedBlockInADuctGivesItsWattsToTheAir(): void
    {
        $result = self::solve(self::duct());

        self::assertTrue($result->solver['converged']);
        self::assertEqualsWithDelta(2.0, $result->balance['out'], 2e-3);
        self::assertLessThan(1e-3, $result->flow()['balance']['error']);
        // Mixed, the air leaves warmer by watts over capacity flow.
        $warming = 2.0 / ($result->flow()['openings'][0]['in'] * $result->flow()['fluid']['specificHeat']);
        self::assertEqualsWithDelta(300.0 + $warming, $result->flow()['openings'][1]['temperature'], 0.01 * $warming);
        self::assertGreaterThan($result->flow()['openings'][1]['temperature'], $result->parts[0]['temperature']['min']);
        self::assertEqualsWithDelta(2.0, $result->parts[0]['routes']['fluid'], 2e-3);
    }

    /** A hot lid moves over stably layered fluid, Re 100 and Gr 1e5: buoyancy outweighs the lid ten to one, and temperatures that lag behind the flow swing. */
    public function testAHotLidOverLayeredFluidComesToRest(): void
    {
        $wall = fn (float $temperature): array => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => $temperature]];
        $nusselt = [];
        foreach ([16, 32, 64] as $cells) {
            $result = self::solve(self::document([
                'surroundings' => ['temperature' => 300, 'gravity' => [0, -10, 0]],
                'physics' => ['flow' => 'laminar', 'buoyancy' => true],
                'materials' => ['f' => ['fluid' => true, 'density' => 1, 'viscosity' => 0.01, 'conductivity' => 10 / 0.71, 'specificHeat' => 1000, 'expansion' => 1]],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 1, 0.1]], 'fluid' => 'f', 'sides' => [
                    'y+' => [...$wall(300.5), 'velocity' => [1, 0, 0]], 'y-' => $wall(299.5), 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
                'analysis' => ['grid' => ['cells' => [$cells, $cells, 1]]],
            ]));
            self::assertTrue($result->solver['converged'], "$cells cells");
            $nusselt[] = -$result->side('y+')['heat'] / (0.1 * 10 / 0.71);
        }

        // What a grid changes falls with the square of its cells.
        self::assertEqualsWithDelta(4.0, ($nusselt[1] - $nusselt[0]) / ($nusselt[2] - $nusselt[1]), 1.0);
    }

    /** Fan curve and velocity heads meet at 14.18230 l/s and 24.9437 Pa (case P17), with a fluid whose properties do not change also where it is heated. */
    public function testHeatLeavesTheOperatingPointOfAFanWhereItIs(): void
    {
        $slip = ['slip' => true];
        $result = self::solve(self::document([
            'surroundings' => ['gravity' => [0, 0, 0]], 'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1.16, 'viscosity' => 1.8e-5, 'conductivity' => 0.026, 'specificHeat' => 1007]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.3, 0.08, 0.08]], 'fluid' => 'f', 'source' => '1e4 W/m^3',
                'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'outlet'], 'y-' => $slip, 'y+' => $slip, 'z-' => $slip, 'z+' => $slip]],
            'parts' => [
                ['id' => 'fan', 'at' => [0.1, 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.08, 0.08], 'curve' => [[0, 60], [0.005, 52], [0.01, 40], [0.015, 22], [0.02, 0]]]],
                ['id' => 'plate', 'at' => [0.2, 0, 0], 'shape' => ['kind' => 'screen', 'normal' => 'x', 'size' => [0.08, 0.08], 'lossCoefficient' => 7.757885]],
            ],
            'analysis' => ['grid' => ['cells' => [30, 4, 4]]],
        ]));
        $point = $result->flow()['fans'][0];

        self::assertEqualsWithDelta(14.18230e-3, $point['flow'], 5e-4 * 14.18230e-3);
        self::assertEqualsWithDelta(24.9437, $point['rise'], 1e-3 * 24.9437);
    }

    public function testTurbulentFrictionAndHeatInAChannelAreThoseOfBlasiusAndGnielinski(): void
    {
        [$height, $density, $viscosity, $conductivity, $specificHeat] = [0.02, 1.16, 1.85e-5, 0.0263, 1007.0];
        $diameter = 2 * $height;
        $speed = 2e4 * $viscosity / $density / $diameter;
        $wall = ['heat' => ['kind' => 'flux', 'flux' => 200]];
        foreach ([10, 20] as $across) {
            $solution = (new SteadySolver(ModelCodec::fromDocument(self::document([
                'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
                'physics' => ['flow' => 'turbulent'],
                'materials' => ['f' => ['fluid' => true, 'density' => $density, 'viscosity' => $viscosity, 'conductivity' => $conductivity, 'specificHeat' => $specificHeat]],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.8, $height, 0.01]], 'fluid' => 'f', 'sides' => [
                    'x-' => ['kind' => 'inlet', 'speed' => $speed, 'temperature' => 300], 'x+' => ['kind' => 'outlet'], 'y-' => $wall, 'y+' => $wall, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
                'analysis' => ['grid' => ['cells' => [80, $across, 1]]],
            ]))))->solve();
            $flow = $solution->state->flow;
            self::assertNotNull($flow);
            $layout = $flow->domain->layout;
            $gradient = ($flow->pressure[$layout->index(60, 1, 1)] - $flow->pressure[$layout->index(76, 1, 1)]) / 0.16;
            self::assertEqualsWithDelta(1.0, $gradient * 2 * $diameter / ($density * $speed ** 2) / (0.316 / 2e4 ** 0.25), 0.12, "$across cells");

            // Film between the wall and the air mixed over the section, in the 72nd of 80 columns.
            [$mass, $carried] = [0.0, 0.0];
            for ($j = 1; $j <= $across; $j++) {
                $through = $flow->flux[0][$layout->index(72, $j, 1)];
                $mass += $through;
                $carried += $through * $solution->state->temperature[71 + 80 * ($j - 1)];
            }
            $faces = $solution->state->system->surfaces;
            $nusselt = 0.0;
            for ($f = 0; $f < $faces->count(); $f++) {
                if ($faces->elements->side[$f] === 2 && $faces->elements->cell[$f] % 80 === 71) {
                    $nusselt = 200 * $diameter / $conductivity / ($faces->surfaceTemperature($f, $solution->state->temperature) - $carried / $mass);
                }
            }
            $prandtl = $viscosity * $specificHeat / $conductivity;
            $friction = (0.79 * log(2e4) - 1.64) ** -2 / 8;
            $gnielinski = $friction * 19000 * $prandtl / (1 + 12.7 * sqrt($friction) * ($prandtl ** (2 / 3) - 1));
            self::assertEqualsWithDelta(1.0, $nusselt / $gnielinski, 0.12, "$across cells");
        }
    }

    /** In a turbulent stream a plate of 20 mm has a layer of under a millimetre; cells of 4 and 8 mm know nothing of it (Pohlhausen, ZAMM 1 (1921) 115). */
    public function testAShortPlateBesideThickCellsTakesTheHeatOfAYoungLayer(): void
    {
        $plate = ['min' => ['20 mm', 0], 'max' => ['40 mm', '10 mm'], 'kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 310]];
        foreach ([2, 4] as $cells) {
            $result = self::solve([
                'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]], 'physics' => ['flow' => 'turbulent'],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.01, 0.016]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => 3], 'x+' => ['kind' => 'outlet'],
                    'y-' => self::SYMMETRY, 'y+' => self::SYMMETRY, 'z-' => [...self::SYMMETRY, 'patches' => [$plate]], 'z+' => self::SYMMETRY]],
                'watches' => [['id' => 'heat', 'of' => ['side' => 'z-', 'patch' => 0], 'quantity' => 'heat']],
                'analysis' => ['grid' => ['cells' => [10, 1, $cells]]],
            ]);
            $film = 0.664 * sqrt(3 * 0.02 * 1.177 / 1.846e-5) * 0.707 ** (1 / 3) * 0.0263 / 0.02;
            self::assertEqualsWithDelta(1.0, -$result->watches[0]['value'] / (2e-4 * 10 * $film), 0.2, "$cells cells");
        }
    }

    /** @return iterable<string, array{array<string, mixed>}> */
    public static function sameFlows(): iterable
    {
        yield 'volume flow' => [['volumeFlow' => '0.24 l/s']];
        yield 'velocity' => [['velocity' => [0.5, 0, 0]]];
    }

    /** @param array<string, mixed> $amount */
    #[DataProvider('sameFlows')]
    public function testInletsSayTheSameInDifferentWords(array $amount): void
    {
        $model = self::duct();
        $model['space']['sides']['x-'] = ['kind' => 'inlet', 'temperature' => 300, ...$amount];

        self::assertEqualsWithDelta(0.24e-3 * 1.1, self::solve($model)->flow()['openings'][0]['in'], 1e-9);
    }

    public function testWarmAirRisesThroughOpenSidesAndColdAirFollows(): void
    {
        $wall = ['heat' => ['kind' => 'temperature', 'temperature' => 340]];
        $result = self::solve([
            'surroundings' => ['temperature' => 300],
            'physics' => ['flow' => 'laminar'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.01, 0.01, 0.1]], 'fluid' => 'air', 'sides' => [
                'x-' => $wall, 'x+' => $wall, 'y-' => self::SYMMETRY, 'y+' => self::SYMMETRY, 'z-' => ['kind' => 'open'], 'z+' => ['kind' => 'open']]],
            'analysis' => ['grid' => ['cells' => [12, 1, 40]]],
        ]);
        [$low, $high] = $result->flow()['openings'];

        self::assertTrue($result->solver['converged']);
        self::assertGreaterThan(0.0, $low['in']);
        self::assertLessThan(1e-3, $result->flow()['balance']['error']);
        // A wrong pressure at the openings once gave a jet of 20 m/s here; a chimney of 0.1 m cannot exceed sqrt(2 g h dT/T).
        self::assertLessThan(sqrt(2 * 9.81 * 0.1 * 40 / 300), $result->flow()['largestVelocity']);
        self::assertGreaterThan(320.0, $high['temperature']);
        self::assertLessThan(340.0, $high['temperature']);
    }

    public function testSlowAirInAWideBoxIsFoundLaminarAndSaidSo(): void
    {
        $model = self::duct();
        $model['physics']['flow'] = 'auto';
        $regime = self::solve($model)->flow()['regime'];

        self::assertSame(['auto', 'laminar'], [$regime['chosen'], $regime['model']]);
        self::assertLessThan(3000.0, $regime['reynolds']);
    }

    public function testAirUnderAWarmLidRestsAndThatIsSteady(): void
    {
        $wall = fn (float $t): array => ['heat' => ['kind' => 'temperature', 'temperature' => $t]];
        $result = self::solve(self::document([
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, -9.81]], 'physics' => ['flow' => 'auto'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.06, 0.03]], 'fluid' => 'air', 'sides' => ['z-' => $wall(300), 'z+' => $wall(310)]],
            'watches' => [['id' => 'middle', 'name' => 'Middle', 'of' => ['point' => [0.03, 0.03, 0.015]], 'quantity' => 'temperature']],
            'analysis' => ['grid' => ['cells' => [10, 10, 12]]],
        ]));

        self::assertTrue($result->solver['converged']);
        self::assertEqualsWithDelta(305.0, $result->watches[0]['value'], 0.1);
        self::assertLessThan(1e-5, $result->flow()['largestVelocity']);
    }

    public function testADevelopedInletIsAParabolaBetweenItsOwnEdges(): void
    {
        $model = self::duct();
        $model['physics']['heat'] = false;
        $model['parts'] = [];
        $model['space']['sides'] = ['y-' => self::SYMMETRY, 'y+' => self::SYMMETRY, 'x+' => ['kind' => 'outlet'],
            'x-' => ['patches' => [['min' => [0, 0.01], 'max' => [0.024, 0.02], 'kind' => 'inlet', 'speed' => 0.1, 'profile' => 'developed']]]];
        $model['analysis']['grid']['cells'] = [8, 1, 40];
        $model['watches'] = array_map(fn (float $z): array => ['id' => "at $z", 'name' => "At $z", 'of' => ['point' => [0, 0.012, $z]], 'quantity' => 'velocityX'], [0.01125, 0.01475]);

        foreach (self::solve($model)->watches as $n => $watch) {
            $s = ([0.01125, 0.01475][$n] - 0.01) / 0.01;
            self::assertEqualsWithDelta(0.6 * $s * (1 - $s), $watch['value'], 2e-3);
        }
    }

    public function testInflowWithoutOutletIsRefused(): void
    {
        $model = self::duct();
        $model['space']['sides']['x+'] = [];

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('no opening lets the difference pass');
        self::solve($model);
    }

    public function testAFanInsideASolidIsRefused(): void
    {
        $model = self::duct();
        $model['parts'][] = ['id' => 'fan', 'name' => 'Fan', 'at' => [0.02, 0.008, 0.008], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.004, 0.004], 'curve' => [[0, 10], [0.001, 0]]]];
        $model['parts'][0]['at'] = [0.01, 0.004, 0.004];
        $model['parts'][0]['shape']['size'] = [0.02, 0.014, 0.014];

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('lies nowhere in the fluid');
        self::solve($model);
    }

    public function testAFanTurnsTheAirAboutTheWayItBlows(): void
    {
        $solve = function (float $swirl): array {
            $at = fn (string $id, string $quantity, float $y) => ['id' => $id, 'name' => $id, 'of' => ['point' => [0.033, $y, 0.02]], 'quantity' => $quantity];
            $result = self::solve(self::document([
                'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
                'physics' => ['heat' => false, 'flow' => 'laminar'],
                'materials' => ['f' => ['fluid' => true, 'density' => 1.1, 'viscosity' => 1e-3, 'conductivity' => 0.03, 'specificHeat' => 1000]],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.08, 0.04, 0.04]], 'fluid' => 'f', 'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open']]],
                'parts' => [['id' => 'fan', 'name' => 'Fan', 'at' => [0.03, 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.04, 0.04], 'curve' => [[0, 4], [0.003, 0]], 'swirl' => $swirl]]],
                'watches' => [$at('left', 'velocityZ', 0.03), $at('right', 'velocityZ', 0.01), $at('along', 'velocityX', 0.03)],
                'analysis' => ['grid' => ['cells' => [16, 10, 10]]],
            ]));

            return $result->values();
        };
        $straight = $solve(0.0);
        self::assertEqualsWithDelta(0.0, $straight['left'], 1e-3 * $straight['along']);
        $turned = $solve(0.4);
        // Right-handed about x: rising on the side of greater y; friction takes some of it before the watch.
        self::assertEqualsWithDelta(0.4, $turned['left'] / $turned['along'], 0.12);
        self::assertEqualsWithDelta(-$turned['left'], $turned['right'], 0.02 * $turned['along']);
    }

    public function testTemperaturesAloneOnAFrozenFlowRiseWithTheWatts(): void
    {
        $model = self::duct();
        $first = (new SteadySolver(ModelCodec::fromDocument($model)))->solve();
        $model['parts'][0]['power'] = 6;
        $frozen = (new SteadySolver(ModelCodec::fromDocument($model), start: new Start($first->checkpoint, frozen: true)))->solve();

        self::assertTrue($frozen->outcome->converged);
        self::assertEqualsWithDelta(3 * (Values::greatest($first->state->temperature) - 300.0), Values::greatest($frozen->state->temperature) - 300.0, 0.02 * (Values::greatest($first->state->temperature) - 300.0));
        self::assertLessThan(1e-3, ResultBuilder::build($frozen, '')['balance']['error']);

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('compute the flow first');
        (new SteadySolver(ModelCodec::fromDocument($model), start: new Start(frozen: true)))->solve();
    }

    public function testWhatIsMissingInAnInletOrAFanIsNamed(): void
    {
        $model = self::duct();
        $model['space']['sides']['x-'] = ['kind' => 'inlet', 'speed' => 1, 'massFlow' => 1];
        $model['parts'][] = ['id' => 'fan', 'at' => [0.02, 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.01, 0.01], 'curve' => [[0.002, 10], [0.001, 0]]]];
        try {
            ModelCodec::fromDocument($model);
            self::fail('accepted');
        } catch (ModelException $e) {
            $text = implode("\n", array_map(fn ($p) => "$p->pointer: $p->message", $e->problems));
            self::assertStringContainsString('exactly one of speed, volumeFlow, massFlow, velocity; speed and massFlow are given', $text);
            self::assertStringContainsString('the volume flows of a fan curve must rise', $text);
        }
    }

    public function testWallDistanceBetweenPlatesIsExact(): void
    {
        $model = ModelCodec::fromDocument(self::document([
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.01, 0.1]], 'fluid' => 'air', 'sides' => array_fill_keys(['x-', 'x+', 'z-', 'z+'], self::SYMMETRY)],
            'analysis' => ['grid' => ['cells' => [2, 20, 2]]],
        ]));
        $grid = GridBuilder::build($model);
        $wall = new WallDistance(DomainBuilder::build($model, Voxels::of($model, $grid), 1.0));

        self::assertEqualsWithDelta(0.00225, $wall->distance[2 * 4], 3e-5);
        self::assertEqualsWithDelta(0.00475, $wall->distance[2 * 9], 6e-5);
        self::assertEqualsWithDelta(0.01, $wall->gap[2 * 9], 1e-4);
    }

    public function testTheWallLawIsLinearInTheSublayerAndLogarithmicBeyond(): void
    {
        $law = new WallLaw(0.71);
        self::assertEqualsWithDelta(1.0, $law->shear[WallLaw::place(10.0)], 0.01);
        // u+ = ln(E y+)/kappa at y+ = 200: Reynolds number u+ y+ = 200 * 18.5.
        self::assertEqualsWithDelta(200.0 / 18.5, $law->shear[WallLaw::place(200.0 * 18.5)], 0.4);
        self::assertEqualsWithDelta(1.0, $law->heat[WallLaw::place(4.0)], 0.02);
    }

    /** @return Document */
    private static function duct(): array
    {
        return self::document([
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['gas' => ['fluid' => true, 'density' => 1.1, 'viscosity' => 2e-5, 'conductivity' => 0.03, 'specificHeat' => 1000]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.08, 0.024, 0.02]], 'fluid' => 'gas',
                'sides' => ['x-' => ['kind' => 'inlet', 'speed' => 0.5, 'temperature' => 300], 'x+' => ['kind' => 'outlet']]],
            'parts' => [['id' => 'block', 'at' => [0.02, 0.008, 0], 'shape' => ['kind' => 'block', 'size' => [0.02, 0.008, 0.006]], 'material' => 'aluminium-6061', 'power' => 2]],
            'analysis' => ['grid' => ['cells' => [24, 12, 10]]],
        ]);
    }

    /**
     * @param array<string, mixed> $document
     * @return Document
     */
    private static function document(array $document): array
    {
        /** @var Document */
        return ['format' => 'foehn-model', 'version' => 1, ...$document];
    }

    /** @param array<string, mixed> $document */
    private static function solve(array $document): Solved
    {
        return new Solved(self::document($document));
    }
}
