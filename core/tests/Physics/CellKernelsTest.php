<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\GasDensity;
use Foehn\Physics\Flow\MolecularProperties;
use Foehn\Physics\Flow\StrainRate;
use Foehn\Physics\Flow\WallDistance;
use Foehn\Tests\Domains;
use Foehn\Tests\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is computed cell by cell for a flow: strain, distance to walls, density and molecular properties. */
final class CellKernelsTest extends TestCase
{
    private const SLIP = ['kind' => 'symmetry'];

    private const HEIGHT = 0.02;

    /** Between plates that move apart u = U y / h: the square of the strain is (U/h)^2 in every cell, at the walls too. */
    #[DataProvider('planes')]
    public function testShearBetweenPlatesIsTheSameEverywhere(int $along, int $across): void
    {
        $speed = 0.3;
        $domain = self::plates($across, ['kind' => 'wall', 'velocity' => array_map(fn (int $axis): float => $axis === $along ? $speed : 0.0, [0, 1, 2])]);
        // Ghosts beyond a wall have its speed.
        $moving = Domains::sample($domain->layout, $along, fn (float ...$at): float => $speed * $at[$across] / self::HEIGHT);
        $zeros = $domain->layout->zeros();
        $velocity = [$along === 0 ? $moving : $zeros, $along === 1 ? $moving : $zeros, $along === 2 ? $moving : $zeros];
        $strain = $domain->layout->gather(StrainRate::squared($domain, $velocity));

        self::assertEqualsWithDelta(($speed / self::HEIGHT) ** 2, Values::least($strain), 1e-6);
        self::assertEqualsWithDelta(($speed / self::HEIGHT) ** 2, Values::greatest($strain), 1e-6);
    }

    /** @return iterable<string, array{int, int}> */
    public static function planes(): iterable
    {
        yield 'x over z' => [0, 2];
        yield 'y over x' => [1, 0];
        yield 'z over y' => [2, 1];
    }

    public function testAUniformStreamIsNotSheared(): void
    {
        $domain = Domains::domain(Domains::model([0.02, 0.02, 0.02], [4, 4, 4], array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], self::SLIP)));
        $flow = array_fill(0, $domain->layout->length, 0.7);

        self::assertEqualsWithDelta(0.0, Values::greatest($domain->layout->gather(StrainRate::squared($domain, [$flow, $flow, $flow]))), 1e-12);
    }

    /** Between parallel plates the distance is exact: that to the nearer one; the gap is that between them. */
    public function testDistanceToTheNearerPlateAndGapBetweenThem(): void
    {
        $errors = [];
        foreach ([12, 24] as $cells) {
            $domain = self::plates(2, ['kind' => 'wall'], $cells);
            $wall = new WallDistance($domain);
            $grid = $domain->layout->grid;
            $off = [];
            for ($k = 0; $k < $cells; $k++) {
                $n = 16 * $k;
                $off[] = abs($wall->distance[$n] - min($grid->centres[2][$k], self::HEIGHT - $grid->centres[2][$k]));
                $off[] = abs($wall->gap[$n] - self::HEIGHT);
            }
            $errors[] = Values::greatest($off);
        }

        self::assertLessThan(0.02 * self::HEIGHT, $errors[1]);
        self::assertLessThan(0.55 * $errors[0], $errors[1], 'and comes nearer with the cells');
    }

    /** A closed space keeps its gas: p / p0 is the volume over the integral of T0 / T. An open one keeps its pressure. */
    public function testAClosedSpaceKeepsItsGas(): void
    {
        foreach ([true, false] as $closed) {
            $model = self::air($closed);
            $fluid = Domains::fluid($model, 'air');
            $domain = Domains::domain($model, $fluid->density);
            $level = FlowLevel::finest($domain, $fluid->density);
            $density = new GasDensity($domain, $fluid, true);
            $temperature = Domains::sample($domain->layout, null, fn (float $x): float => $x < 0.01 ? 300.0 : 600.0);
            $density->update($level, $temperature);

            self::assertTrue($density->varies());
            $expected = $closed ? 1.0 / (0.5 + 0.25) : 1.0;
            self::assertEqualsWithDelta($expected, $density->pressureRatio(), 1e-12);
            $inCells = $domain->layout->gather($density->inCells() ?? []);
            self::assertEqualsWithDelta([$fluid->density * $expected, 0.5 * $fluid->density * $expected], [$inCells[0], $inCells[3]], 1e-9);
            // A face carries the mean density of its two cells.
            $face = $domain->layout->index(2, 1, 1);
            self::assertEqualsWithDelta(0.75 * $fluid->density * $expected, $level->carrying[0][$face] / $level->area[0][$face], 1e-9);
        }
    }

    public function testLittleWarmthLeavesTheDensityAlone(): void
    {
        $model = self::air(true);
        $fluid = Domains::fluid($model, 'air');
        $domain = Domains::domain($model, $fluid->density);
        $density = new GasDensity($domain, $fluid, true);
        $density->update(FlowLevel::finest($domain, $fluid->density), array_fill(0, $domain->layout->length, 320.0));

        self::assertFalse($density->varies());
        self::assertNull($density->inCells());
        self::assertFalse((new GasDensity($domain, $fluid, false))->mayVary(), 'not without heat');
    }

    /** Sutherland's law: mu = mu0 (T/T0)^1.5 (T0 + S) / (T + S) with S = 110.4 K (White, Viscous Fluid Flow, 2006, table 1-2). */
    public function testAirIsMoreViscousWhereItIsHot(): void
    {
        $model = self::air(true);
        $fluid = Domains::fluid($model, 'air');
        $domain = Domains::domain($model, $fluid->density);
        $properties = new MolecularProperties($domain, $fluid);
        $zeros = $domain->layout->zeros();
        $properties->update([$zeros, $zeros, $zeros], Domains::sample($domain->layout, null, fn (float $x): float => $x < 0.01 ? 300.0 : 600.0), null);
        $viscosity = $domain->layout->gather($properties->viscosity);

        self::assertEqualsWithDelta(2.0 ** 1.5 * (300.0 + 110.4) / (600.0 + 110.4), $viscosity[3] / $viscosity[0], 2e-3);
        $conductivity = $domain->layout->gather($properties->conductivity);
        self::assertEqualsWithDelta(0.0466, $conductivity[3], 0.002, 'W/m/K at 600 K');
    }

    /** @param array<string, mixed> $upper */
    private static function plates(int $across, array $upper, int $cells = 12): FlowDomain
    {
        $size = array_map(fn (int $axis): float => $axis === $across ? self::HEIGHT : 0.04, [0, 1, 2]);
        $counts = array_map(fn (int $axis): int => $axis === $across ? $cells : 4, [0, 1, 2]);
        $sides = array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], self::SLIP);
        $name = 'xyz'[$across];

        return Domains::domain(Domains::model($size, $counts, [...$sides, "$name-" => ['kind' => 'wall'], "$name+" => $upper]));
    }

    private static function air(bool $closed): Model
    {
        $sides = array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 10]]);

        return ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Gas', 'physics' => ['heat' => true, 'flow' => 'laminar'], 'surroundings' => ['temperature' => 300],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => 'air', 'sides' => $closed ? $sides : [...$sides, 'z+' => ['kind' => 'open']]],
            'parts' => [], 'analysis' => ['grid' => ['cells' => [4, 4, 4]]],
        ]);
    }
}
