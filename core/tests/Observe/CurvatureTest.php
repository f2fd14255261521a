<?php

declare(strict_types=1);

namespace Foehn\Tests\Observe;

use Foehn\Observe\Curvature;
use Foehn\Observe\State;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

final class CurvatureTest extends TestCase
{
    /** With q watts per volume in a slab of conductivity k the temperature is a parabola: d2T/dx2 = -q/k everywhere, at the walls too. */
    public function testAParabolaBendsTheSameEverywhere(): void
    {
        $state = self::state(['x-' => 300, 'x+' => 300], [0.0, 0.001, 0.003, 0.006, 0.008, 0.02]);
        $density = (new Curvature($state))->densities[0];
        $mean = array_sum($density[0]) / 5;

        foreach ($density[0] as $plane) {
            self::assertEqualsWithDelta($mean, $plane, 1e-3 * $mean);
        }
        self::assertSame([0.0], array_values(array_unique(array_map(fn (float $d): float => round($d / $mean, 3), $density[1]))), 'nothing bends along y');
    }

    public function testAStraightFieldAsksForNothing(): void
    {
        self::assertSame([], (new Curvature(self::state(['x-' => 300, 'x+' => 400], [0.0, 0.002, 0.01, 0.02], 0.0)))->densities);
    }

    /**
     * @param array<string, int> $held K of sides
     * @param list<float> $x lines, m
     */
    private static function state(array $held, array $x, float $watts = 5.0): State
    {
        $document = Models::block(['analysis' => ['grid' => ['lines' => ['x' => $x, 'y' => [0.0, 0.01, 0.02], 'z' => [0.0, 0.01, 0.02]]]]]);
        $document['space']['sides'] = array_map(fn (int $kelvin): array => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => $kelvin]], $held);
        $document['parts'][0]['power'] = $watts;

        return (new SteadySolver(Models::read($document)))->solve()->state;
    }
}
