<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Tests\Models;
use Foehn\Tests\Solved;
use PHPUnit\Framework\TestCase;

/** What is asked for of convergence beside what a computation must do anyway. */
final class ConvergenceTargetTest extends TestCase
{
    public function testConductionGoesDownToTheResidualAskedFor(): void
    {
        $usual = new Solved(Models::block());
        $close = new Solved(Models::block(['analysis' => ['grid' => ['cells' => [6, 6, 24]], 'convergence' => ['residual' => 1e-12]]]));
        self::assertGreaterThan(1e-12, $usual->solver['residual']);
        self::assertLessThanOrEqual(1e-12, $close->solver['residual']);
        self::assertTrue($close->solver['converged']);
    }

    public function testAFlowGoesOnUntilItsOwnTargetHolds(): void
    {
        $usual = self::cavity([]);
        $close = self::cavity(['residual' => 1e-7]);
        $still = self::cavity(['change' => 1e-6]);
        self::assertLessThanOrEqual(1e-7, $close->solver['residual']);
        self::assertTrue($usual->solver['converged'] && $close->solver['converged'] && $still->solver['converged']);
        self::assertGreaterThan($usual->solver['iterations'], $close->solver['iterations']);
        self::assertGreaterThan($usual->solver['iterations'], $still->solver['iterations']);
        self::assertEqualsWithDelta($close->values()['u'], $still->values()['u'], 1e-5);
    }

    public function testItEndsAfterTheMostIterationsAndSaysSo(): void
    {
        foreach ([self::cavity(['iterations' => 3]), new Solved(Models::block(['analysis' => ['grid' => ['cells' => [20, 20, 20]], 'convergence' => ['iterations' => 1]]]))] as $result) {
            self::assertFalse($result->solver['converged']);
            self::assertStringContainsString('the most that were asked for', implode(' ', $result->warnings));
        }
    }

    /** @param array<string, mixed> $target */
    private static function cavity(array $target): Solved
    {
        return new Solved([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]], 'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1, 'viscosity' => 0.01, 'conductivity' => 1, 'specificHeat' => 1]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 1, 0.1]], 'fluid' => 'f', 'sides' => ['y+' => ['velocity' => [1, 0, 0]], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]],
            'parts' => [], 'watches' => [['id' => 'u', 'of' => ['point' => [0.5, 0.5, 0.05]], 'quantity' => 'velocityX']],
            'analysis' => ['grid' => ['cells' => [16, 16, 1]], 'convergence' => $target],
        ]);
    }
}
