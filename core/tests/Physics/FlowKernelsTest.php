<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Physics\Flow\Devices;
use Foehn\Physics\Flow\FlowLayout;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\Forces;
use Foehn\Physics\Flow\Friction;
use Foehn\Physics\Flow\GasDensity;
use Foehn\Physics\Flow\MolecularProperties;
use Foehn\Physics\Flow\StrainRate;
use Foehn\Physics\Flow\Turbulence;
use Foehn\Physics\Flow\WallDistance;
use Foehn\Solve\FlowState;
use Foehn\Tests\Domains;
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

/** Single terms of the flow against what they are exactly. */
final class FlowKernelsTest extends TestCase
{
    private const MOVES = ['kind' => 'wall', 'velocity' => [0.3, 0, 0]];

    public function testShearBetweenAMovingAndAStandingWallIsTheSameEverywhere(): void
    {
        $height = 0.02;
        $domain = Domains::domain(Domains::model([0.04, $height, 0.04], [4, 8, 4], ['x-' => ['kind' => 'symmetry'], 'x+' => ['kind' => 'symmetry'], 'y+' => self::MOVES, 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]));
        $u = Domains::sample($domain->layout, 0, fn (float $x, float $y): float => 0.3 * $y / $height);
        $zeros = $domain->layout->zeros();
        $squared = StrainRate::squared($domain, [$u, $zeros, $zeros]);
        // Cells beside the ends along x see faces whose velocity is given; the others the plain shear, next to both walls too.
        for ($j = 1; $j <= 8; $j++) {
            self::assertEqualsWithDelta((0.3 / $height) ** 2, $squared[$domain->layout->index(2, $j, 2)], 1e-9, "row $j");
        }
        self::assertEqualsWithDelta(0.3 * 0.5, StrainRate::speeds($domain->layout, [$u, $zeros, $zeros])[$domain->layout->index(2, 4, 2)], 0.3 / 16 + 1e-9);
    }

    public function testStretchingCountsInEveryPairOfAxes(): void
    {
        $domain = Domains::domain(Domains::model([0.06, 0.06, 0.06], [6, 6, 6]));
        // u = a x, v = -a y: 2 S S = 2 (a2 + a2).
        $velocity = [Domains::sample($domain->layout, 0, fn (float $x): float => 5.0 * $x), Domains::sample($domain->layout, 1, fn (float $x, float $y): float => -5.0 * $y), $domain->layout->zeros()];

        self::assertEqualsWithDelta(100.0, StrainRate::squared($domain, $velocity)[$domain->layout->index(3, 3, 3)], 1e-9);
    }

    public function testFrictionOfALinearProfilePullsAtTheWallsOnly(): void
    {
        $height = 0.02;
        $domain = Domains::domain(Domains::model([0.04, $height, 0.04], [4, 8, 4], ['x-' => ['kind' => 'symmetry'], 'x+' => ['kind' => 'symmetry'], 'y+' => self::MOVES, 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]));
        $level = Domains::level($domain);
        $level->velocity[0] = Domains::sample($domain->layout, 0, fn (float $x, float $y): float => 0.3 * $y / $height);
        $stress = Domains::VISCOSITY * 0.3 / $height;
        $area = 0.01 * 0.01;
        [$drag, $pull] = [$level->friction->drag[0], $level->friction->pull[0]];
        foreach ([[1, -$stress], [8, $stress]] as [$row, $expected]) {
            $c = $domain->layout->index(2, $row, 2);
            self::assertEqualsWithDelta($expected * $area, $pull[$c] - $drag[$c] * $level->velocity[0][$c], 1e-12, "row $row");
        }
        self::assertSame(0.0, $drag[$domain->layout->index(2, 4, 2)]);
        self::assertEqualsWithDelta(Domains::VISCOSITY * $area / ($height / 8), $level->friction->across[0][0][$domain->layout->index(2, 4, 2)], 1e-15);
    }

    public function testDistancesBetweenPlatesAreExact(): void
    {
        $height = 0.03;
        $wall = new WallDistance($domain = Domains::domain(Domains::model([0.3, $height, 0.3], [4, 40, 4], array_fill_keys(['x-', 'x+', 'z-', 'z+'], ['kind' => 'symmetry']))));
        foreach ([0, 9, 19, 33] as $j) {
            $y = $domain->layout->grid->centres[1][$j];
            self::assertEqualsWithDelta(min($y, $height - $y), $wall->distance[1 + 4 * ($j + 40)], 0.01 * $height);
            self::assertEqualsWithDelta($height, $wall->gap[1 + 4 * ($j + 40)], 0.01 * $height);
        }
    }

    public function testWarmFluidRisesWithItsWeightMissing(): void
    {
        $model = Domains::model([0.02, 0.02, 0.02], [4, 4, 4], ['x-' => ['kind' => 'outlet']]);
        $domain = Domains::domain($model);
        $forces = new Forces($model, $domain, Domains::fluid($model));
        $force = $forces->on(2, array_fill(0, $domain->layout->length, 309.0), 1.0);
        foreach (Domains::inner($domain, 2) as $c) {
            // g rho beta dT over the volume between two centres.
            self::assertEqualsWithDelta(9.81 * Domains::DENSITY * 9.0 / 300.0 * 0.005 ** 3, $force[$c], 1e-12);
        }
        self::assertSame(0.0, Values::greatest(array_map(abs(...), $forces->on(0, array_fill(0, $domain->layout->length, 309.0), 1.0))));
        // Without an opening only differences drive: all of it equally warm does not move.
        $closed = Domains::model([0.02, 0.02, 0.02], [4, 4, 4]);
        $sealed = Domains::domain($closed);
        self::assertEqualsWithDelta(0.0, Values::greatest(array_map(abs(...), (new Forces($closed, $sealed, Domains::fluid($closed)))->on(2, array_fill(0, $sealed->layout->length, 309.0), 1.0))), 1e-15);
    }

    public function testAFanComesToRestOnItsCurve(): void
    {
        $fan = ['id' => 'fan', 'name' => 'Fan', 'at' => [0.03, 0.01, 0.01], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.02, 0.02], 'curve' => [[0, 40], [0.004, 20], [0.008, 0]]]];
        $model = Domains::model([0.06, 0.04, 0.04], [6, 8, 8], ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open']], [$fan]);
        $domain = Domains::domain($model);
        $devices = new Devices($model, $domain, Domains::DENSITY);
        $speed = 0.0;
        for ($n = 0; $n < 60; $n++) {
            $velocity = $domain->layout->zeros();
            foreach ($domain->face[0] as $c => $kind) {
                $velocity[$c] = $kind === 0 ? 0.0 : $speed;
            }
            $devices->update([$velocity, $domain->layout->zeros(), $domain->layout->zeros()]);
            // A system whose resistance is quadratic in the flow: 25 Pa at 5 l/s through 4 cm2.
            $speed = sqrt($devices->rises()['fan'] / 25.0) * 0.005 / 4e-4;
        }
        [$point] = $devices->operatingPoints();

        self::assertEqualsWithDelta($point['rise'], 25.0 * ($point['flow'] / 0.005) ** 2, 1e-3);
        self::assertEqualsWithDelta(20.0 - ($point['flow'] - 0.004) / 0.004 * 20.0, $point['rise'], 1e-3, 'on the second piece of the curve');
        self::assertLessThan(1e-4, $devices->distance());
        $force = $devices->addForces(0, $domain->layout->zeros());
        self::assertEqualsWithDelta($point['rise'] * 4e-4, array_sum($force), 1e-12);
    }

    public function testAHotGasInAClosedSpaceKeepsItsMassAtAHigherPressure(): void
    {
        $document = Domains::model([0.02, 0.02, 0.02], [4, 4, 4]);
        $air = \Foehn\Codec\ModelCodec::fromDocument(['format' => 'foehn-model', 'version' => 1, 'name' => 'Gas', 'physics' => ['flow' => 'laminar'], 'surroundings' => ['temperature' => 300],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => 'air'], 'analysis' => ['grid' => ['cells' => [4, 4, 4]]]]);
        $domain = Domains::domain($air);
        $material = $air->materials->get('air');
        self::assertNotNull($material);
        $fluid = \Foehn\Model\Fluid::of($material, $air->surroundings);
        $density = new GasDensity($domain, $fluid, true);
        $level = FlowLevel::finest($domain, $fluid->density);
        $density->update($level, array_fill(0, $domain->layout->length, 305.0));
        self::assertFalse($density->varies(), 'a few kelvin change the weight only');
        $temperature = Domains::sample($domain->layout, null, fn (float $x): float => $x < 0.01 ? 300.0 : 600.0);
        $density->update($level, $temperature);

        self::assertTrue($density->varies());
        $inCells = $density->inCells() ?? [];
        $mass = 0.0;
        foreach ($domain->fluid as $c => $isFluid) {
            $mass += $isFluid * $inCells[$c] * $level->volume[$c];
        }
        self::assertEqualsWithDelta($fluid->density * 8e-6, $mass, 1e-15);
        // Half at 300 K, half at 600 K: p = p0 / mean(T0 / T) = p0 / 0.75.
        self::assertEqualsWithDelta(1 / 0.75, $density->pressureRatio(), 1e-12);
        self::assertSame(0, count($document->parts));
    }

    public function testTurbulentConductionFollowsTheConductivityOfEveryCell(): void
    {
        // k rises by half from 300 to 400 K; everything else of the flow stays.
        $model = \Foehn\Codec\ModelCodec::fromDocument(['format' => 'foehn-model', 'version' => 1, 'name' => 'k of T', 'physics' => ['flow' => 'turbulent'], 'surroundings' => ['temperature' => 300],
            'materials' => ['f' => ['fluid' => true, 'density' => 1.2, 'viscosity' => 2e-5, 'specificHeat' => 1000, 'conductivity' => ['table' => [[300, 0.026], [400, 0.039]]]]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.04, 0.04]], 'fluid' => 'f', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => 8], 'x+' => ['kind' => 'outlet']]],
            'analysis' => ['grid' => ['cells' => [10, 12, 12]]]]);
        $domain = Domains::domain($model);
        $fluid = Domains::fluid($model);
        $velocity = [array_map(fn (int $kind): float => $kind === 0 ? 0.0 : 8.0, $domain->face[0]), $domain->layout->zeros(), $domain->layout->zeros()];
        $at = function (float $kelvin) use ($domain, $fluid, $velocity): Turbulence {
            $molecular = new MolecularProperties($domain, $fluid);
            $molecular->update($velocity, array_fill(0, $domain->layout->length, $kelvin), null);
            $turbulence = new Turbulence($domain, $fluid, new WallDistance($domain));
            $turbulence->update($velocity, $molecular, []);

            return $turbulence;
        };
        [$cold, $hot] = [$at(300.0), $at(400.0)];
        $eddies = 0;
        foreach ($cold->conductivity as $n => $k) {
            // Eddies carry the same, the fluid itself half as much again; towards walls the law is in proportion to the fluid's own.
            self::assertEqualsWithDelta(0.013, $hot->conductivity[$n] - $k, 1e-12);
            self::assertEqualsWithDelta(1.5, $hot->wallConductivity[$n] / $cold->wallConductivity[$n], 1e-12);
            $eddies += $k > 10 * 0.026 ? 1 : 0;
        }
        self::assertGreaterThan(count($cold->conductivity) / 3, $eddies, 'most of the duct is turbulent');
        self::assertEquals($cold->viscosity, $hot->viscosity);
    }

    public function testGapsTakeTheirShareOfTheEddiesAway(): void
    {
        $model = Domains::model([0.2, 0.04, 0.04], [10, 12, 12], ['x-' => ['kind' => 'inlet', 'speed' => 30], 'x+' => ['kind' => 'outlet']]);
        $domain = Domains::domain($model);
        $fluid = Domains::fluid($model);
        $velocity = [array_map(fn (int $kind): float => $kind === 0 ? 0.0 : 400.0, $domain->face[0]), $domain->layout->zeros(), $domain->layout->zeros()];
        $turbulence = new Turbulence($domain, $fluid, new WallDistance($domain));
        $cell = 5 + 10 * (6 + 12 * 6);
        $turbulence->update($velocity, new MolecularProperties($domain, $fluid), []);
        $whole = $turbulence->conductivity[$cell];
        $turbulence->update($velocity, new MolecularProperties($domain, $fluid), [$cell => 0.25]);

        self::assertGreaterThan(2 * Domains::CONDUCTIVITY, $whole);
        self::assertEqualsWithDelta(Domains::CONDUCTIVITY + 0.25 * ($whole - Domains::CONDUCTIVITY), $turbulence->conductivity[$cell], 1e-9);
        self::assertEqualsWithDelta($whole, $turbulence->conductivity[$cell + 1], 0.2 * $whole, 'the cell beside it keeps all of them');
    }

    public function testStatesComeThroughBytesAndOntoOtherGrids(): void
    {
        $layout = new FlowLayout(Domains::domain(Domains::model([0.08, 0.06, 0.04], [8, 6, 4]))->layout->grid);
        $finer = Domains::domain(Domains::model([0.08, 0.06, 0.04], [20, 9, 10]))->layout;
        $linear = fn (float $x, float $y, float $z): float => 1.0 + 3.0 * $x - 2.0 * $y + 5.0 * $z;
        $velocity = fn (FlowLayout $of): array => [Domains::sample($of, 0, $linear), Domains::sample($of, 1, $linear), Domains::sample($of, 2, $linear)];
        $state = new FlowState($layout, $velocity($layout), Domains::sample($layout, null, $linear), Domains::sample($layout, null, fn (): float => 312.5), ['fan' => 12.25], true);
        $read = FlowState::fromBytes($state->toBytes());
        self::assertNotNull($read);
        self::assertSame([['fan' => 12.25], true], [$read->rises, $read->turbulent]);
        self::assertEqualsWithDelta($state->velocity[1], $read->velocity[1], 1e-6);
        self::assertNull(FlowState::fromBytes(substr($state->toBytes(), 0, -4)));
        self::assertNull(FlowState::fromBytes('something else'));

        $onto = $state->onto($finer);
        $expected = $velocity($finer);
        foreach ([[4, 3, 3], [10, 5, 6], [17, 8, 9]] as [$i, $j, $k]) {
            $c = $finer->index($i, $j, $k);
            foreach ([0, 1, 2] as $axis) {
                self::assertEqualsWithDelta($expected[$axis][$c], $onto->velocity[$axis][$c], 1e-9, "component $axis");
            }
            self::assertEqualsWithDelta(312.5, $onto->temperature[$c], 1e-9);
        }
        self::assertSame($state, $state->onto($layout));
    }

    public function testLossesOfScreensFollowTheSquareOfTheSpeed(): void
    {
        $screen = ['id' => 's', 'name' => 'Screen', 'at' => [0.03, 0, 0], 'shape' => ['kind' => 'screen', 'normal' => 'x', 'size' => [0.04, 0.04], 'lossCoefficient' => 3]];
        $model = Domains::model([0.06, 0.04, 0.04], [6, 4, 4], ['x-' => ['kind' => 'inlet', 'speed' => 1], 'x+' => ['kind' => 'outlet']], [$screen]);
        $domain = Domains::domain($model);
        $devices = new Devices($model, $domain, Domains::DENSITY);
        // N per (m/s)2 over all faces: half the density times loss and area.
        self::assertEqualsWithDelta(0.5 * Domains::DENSITY * 3 * 0.04 ** 2, array_sum($devices->loss[0]), 1e-15);
        $viscosity = array_fill(0, $domain->layout->length, Domains::VISCOSITY);
        self::assertSame($devices->loss[0], Friction::of($domain, $viscosity, $viscosity, $devices->loss)->loss[0]);
        self::assertSame([], $devices->rises());
        self::assertSame(0.0, $devices->freeSpeed());
    }
}
