<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Flows that end, on grids and at speeds that nobody would choose. bench/robust.php has the whole range. */
final class RobustnessTest extends TestCase
{
    /** A stream along a wall that heats it takes all of the heat with it, whatever its cells are like. */
    #[DataProvider('channels')]
    public function testAChannelEndsSteadyOnAnyCells(string $fluid, int $along, int $across, float $speed): void
    {
        $result = new Solved([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => ['flow' => 'auto'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.01, 0.01]], 'fluid' => $fluid, 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => $speed, 'temperature' => 300], 'x+' => ['kind' => 'outlet'],
                'y-' => ['heat' => ['kind' => 'flux', 'flux' => 100]], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]],
            'parts' => [], 'analysis' => ['grid' => ['cells' => [$along, $across, 1]]],
        ]);

        self::assertTrue($result->solver['converged']);
        self::assertEqualsWithDelta(100 * 0.2 * 0.01, $result->balance['out'], 2e-4);
    }

    /** @return iterable<string, array{string, int, int, float}> */
    public static function channels(): iterable
    {
        foreach ([[2, 1], [2, 16], [128, 1], [16, 8], [32, 16]] as [$along, $across]) {
            foreach ([0.001, 20.0] as $speed) {
                yield "air, $along x $across, $speed m/s" => ['air', $along, $across, $speed];
            }
        }
        yield 'air that is heated by walls alone, where rest has no temperature' => ['air', 18, 8, 20.0];
        yield 'water, 8 x 4, 1 m/s' => ['water', 8, 4, 1.0];
    }

    /** A hot lid over fluid in layers (Iwatsu, Hyun & Kuwahara, Int. J. Heat Mass Transfer 36 (1993) 1601 has 3.84, 3.62 and 1.22 at Re 400): from stirred to still. */
    public function testAHotLidStirsTheLessTheMoreStableItsFluid(): void
    {
        $nusselt = [];
        foreach ([1e2, 1e4, 1e6] as $grashof) {
            $viscosity = 1 / 400;
            $result = new Solved([
                'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300, 'gravity' => [0, -$grashof * $viscosity ** 2 / 0.01, 0]], 'physics' => ['flow' => 'laminar'],
                'materials' => ['f' => ['fluid' => true, 'density' => 1, 'viscosity' => $viscosity, 'conductivity' => $viscosity / 0.71, 'specificHeat' => 1, 'expansion' => 1e-3]],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 1, 0.1]], 'fluid' => 'f', 'sides' => [
                    'y+' => ['velocity' => [1, 0, 0], 'heat' => ['kind' => 'temperature', 'temperature' => 310]], 'y-' => ['heat' => ['kind' => 'temperature', 'temperature' => 300]],
                    'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]],
                'parts' => [], 'watches' => [['id' => 'nu', 'of' => ['side' => 'y-'], 'quantity' => 'nusselt', 'length' => 1, 'reference' => '310 K']],
                'analysis' => ['grid' => ['cells' => [32, 32, 1]]],
            ]);
            self::assertTrue($result->solver['converged'], "Gr $grashof");
            $nusselt[] = $result->values()['nu'];
        }
        self::assertEqualsWithDelta(3.84, $nusselt[0], 0.05 * 3.84);
        self::assertEqualsWithDelta(3.62, $nusselt[1], 0.05 * 3.62);
        self::assertEqualsWithDelta(1.22, $nusselt[2], 0.07 * 1.22);
    }

    public function testAFanMovesTheSameAirWithAndWithoutHeat(): void
    {
        $flow = fn (bool $heat): float => (new Solved([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => ['flow' => 'auto', 'heat' => $heat, 'buoyancy' => false],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.05, 0.04]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open']]],
            'parts' => [
                ['id' => 'block', 'shape' => ['kind' => 'block', 'size' => ['60 mm', '30 mm', '15 mm']], 'at' => ['80 mm', '10 mm', 0], 'material' => 'aluminium-6061'],
                ['id' => 'fan', 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => ['50 mm', '40 mm'], 'curve' => [[0, '40 Pa'], ['8 l/s', '20 Pa'], ['12 l/s', 0]]], 'at' => ['20 mm', 0, 0]],
            ],
            'analysis' => ['grid' => ['cells' => [20, 10, 8]]],
        ]))->flow()['fans'][0]['flow'];

        self::assertEqualsWithDelta($flow(true), $flow(false), 1e-3 * $flow(true));
    }
}
