<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Tests\Solved;
use PHPUnit\Framework\TestCase;

/** A box of two metres in which turbulent natural convection carries 450 W, Ra 1e10. */
final class StrongConvectionTest extends TestCase
{
    public function testBecomesSteadyWithItsBalanceClosed(): void
    {
        $result = self::solve([30, 22, 12]);

        self::assertTrue($result->solver['converged']);
        self::assertSame('turbulent', $result->flow()['regime']['model']);
        self::assertGreaterThan(1e9, $result->flow()['regime']['rayleigh']);
        self::assertLessThan(1e-3, $result->balance['error']);
        self::assertNull($result->flow()['regime']['amplitude']);
    }

    /** On fewer cells it turns over without end, so slowly at first that two looks may see no difference. */
    public function testWhatDoesNotSettleIsAveragedAndSaid(): void
    {
        $result = self::solve([20, 15, 8]);

        self::assertFalse($result->solver['converged']);
        self::assertGreaterThan(1.0, $result->flow()['regime']['amplitude']);
        self::assertLessThan(1e-3, $result->balance['error']);
    }

    /**
     * @param array{int, int, int} $cells
     */
    private static function solve(array $cells): Solved
    {
        $walls = array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 10, 'temperature' => 300]]);
        $block = fn (string $id, array $size, array $at, string $material, float $power) => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => $material, 'power' => $power];

        return new Solved([
            'format' => 'foehn-model', 'version' => 1,
            'surroundings' => ['temperature' => 300], 'physics' => ['flow' => 'auto', 'buoyancy' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [2.0, 1.5, 0.8]], 'fluid' => 'air', 'sides' => $walls],
            'parts' => [
                $block('board', [1.6, 1.1, 0.05], [0.2, 0.2, 0.2], 'glass-epoxy', 0.0),
                $block('hot', [0.3, 0.3, 0.1], [0.6, 0.6, 0.25], 'aluminium-6063', 100.0),
                $block('warm', [0.2, 0.2, 0.2], [1.3, 0.4, 0.25], 'alumina', 50.0),
            ],
            'analysis' => ['grid' => ['cells' => $cells]],
        ]);
    }
}
