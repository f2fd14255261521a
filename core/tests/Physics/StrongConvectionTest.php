<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Results\ResultBuilder;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** Natural convection that is turbulent, or turns over without end. */
final class StrongConvectionTest extends TestCase
{
    public function testABoxOfTwoMetresBecomesSteadyWithItsBalanceClosed(): void
    {
        $result = self::solve(self::box());

        self::assertTrue($result['solver']['converged']);
        self::assertSame('turbulent', $result['flow']['regime']['model']);
        self::assertGreaterThan(1e9, $result['flow']['regime']['rayleigh']);
        self::assertLessThan(1e-3, $result['balance']['error']);
        self::assertNull($result['flow']['regime']['amplitude']);
    }

    /** Rolls over a warm floor at Ra 3e7 wander on this grid; their mean is never called converged. */
    public function testWhatDoesNotSettleIsAveragedAndSaid(): void
    {
        $wall = fn (float $t): array => ['heat' => ['kind' => 'temperature', 'temperature' => $t]];
        $result = self::solve([
            'surroundings' => ['temperature' => 300, 'gravity' => [0, -3e7 * 1e-3 * 1e-3 / 0.71, 0]], 'physics' => ['flow' => 'laminar'],
            'materials' => ['gas' => ['fluid' => true, 'density' => 1, 'viscosity' => 1e-3, 'conductivity' => 1e-3 / 0.71, 'specificHeat' => 1, 'expansion' => 1]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [3, 1, 0.1]], 'fluid' => 'gas', 'sides' => ['y-' => $wall(300.5), 'y+' => $wall(299.5), 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]],
            'analysis' => ['grid' => ['lines' => ['x' => array_map(fn (int $n): float => $n / 12, range(0, 36)), 'y' => array_map(fn (int $n): float => 0.5 * (1 + tanh(1.2 * ($n / 6 - 1)) / tanh(1.2)), range(0, 12)), 'z' => [0, 0.1]]]],
        ]);

        self::assertFalse($result['solver']['converged']);
        self::assertLessThan(1e-3, $result['balance']['error']);
    }

    /** @return array<string, mixed> at a Rayleigh number of about 1e10 */
    private static function box(): array
    {
        $walls = array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 10, 'temperature' => 300]]);
        $block = fn (string $id, array $size, array $at, string $material, float $power) => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => $material, 'power' => $power];

        return [
            'surroundings' => ['temperature' => 300], 'physics' => ['flow' => 'auto', 'buoyancy' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [2.0, 1.5, 0.8]], 'fluid' => 'air', 'sides' => $walls],
            'parts' => [
                $block('board', [1.6, 1.1, 0.05], [0.2, 0.2, 0.2], 'glass-epoxy', 0.0),
                $block('hot', [0.3, 0.3, 0.1], [0.6, 0.6, 0.25], 'aluminium-6063', 300.0),
                $block('warm', [0.2, 0.2, 0.2], [1.3, 0.4, 0.25], 'alumina', 150.0),
            ],
            'analysis' => ['grid' => ['cells' => [20, 15, 8]]],
        ];
    }

    /**
     * @param array<string, mixed> $document
     * @return array<string, mixed>
     */
    private static function solve(array $document): array
    {
        return ResultBuilder::build((new SteadySolver(Models::read(['format' => 'foehn-model', 'version' => 1, ...$document])))->solve(), '');
    }
}
