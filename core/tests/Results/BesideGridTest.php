<?php

declare(strict_types=1);

namespace Foehn\Tests\Results;

use Foehn\Results\BesideGrid;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** What a value is not known to beside the grid: iterations that could go on, and correlations in place of what is not resolved. */
final class BesideGridTest extends TestCase
{
    public function testLaminarFlowScattersNotAndTurbulentFlowByATenthOfTheRise(): void
    {
        $laminar = BesideGrid::of(self::duct('laminar'));
        $turbulent = BesideGrid::of(self::duct('turbulent'));

        self::assertSame(0.0, $laminar->correlations);
        self::assertSame(0.1, $turbulent->correlations);
        // 300 K are the surroundings: 30 K of rise.
        self::assertEqualsWithDelta(3.0 + 30.0 * $turbulent->iteration, $turbulent->reading('temperature', 'max', 330.0), 1e-9);
        self::assertEqualsWithDelta(0.5 + 5.0 * $turbulent->iteration, $turbulent->reading('pressure', 'mean', -5.0), 1e-9);
        self::assertEqualsWithDelta($turbulent->iteration, $turbulent->reading('volumeFlow', 'mean', 1.0), 1e-9, 'what an inlet gives is known');
        self::assertEqualsWithDelta($turbulent->iteration, $turbulent->reading('pressure', 'maxAt', 1.0), 1e-9);
    }

    public function testRaysLeaveAShareOpenOfWhatSurfacesRadiateToEachOther(): void
    {
        // Two slabs across a vacuum: all heat passes by radiation. One slab alone: none.
        $slab = fn (string $id, float $from, string $face, float $kelvin): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [0.01, 0.1, 0.1]], 'at' => [$from, 0, 0],
            'material' => 'metal', 'surface' => ['emissivity' => 0.8], 'faces' => [$face => ['heat' => ['kind' => 'temperature', 'temperature' => $kelvin]]]];
        $parts = [$slab('hot', 0.0, 'x-', 400.0), $slab('cold', 0.03, 'x+', 300.0)];
        $rays = fn (string $radiation): float => BesideGrid::of((new SteadySolver(Models::read([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => ['radiation' => $radiation], 'parts' => $parts,
            'materials' => ['metal' => ['conductivity' => 100]], 'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.04, 0.1, 0.1]]],
            'analysis' => ['grid' => ['cells' => [8, 4, 4]]],
        ])))->solve())->fixed;

        self::assertEqualsWithDelta(0.005, $rays('surfaces'), 5e-5);
        self::assertSame(0.0, $rays('surroundings'));
    }

    /** Stopped early, the same flow leaves more open: at least what it is still away from its end. */
    public function testWhatIterationsLeaveOpenIsToldBeforehand(): void
    {
        $done = self::duct('laminar', ['residual' => 1e-9]);
        $early = self::duct('laminar', ['iterations' => 6]);
        $value = fn (Solution $solution): float => $solution->onGrid()->values['p'] ?? NAN;
        $missing = abs($value($early) - $value($done));

        self::assertGreaterThan(1e-6 * abs($value($done)), $missing);
        self::assertGreaterThan($missing, BesideGrid::of($early)->reading('pressure', 'mean', $value($early)));
        self::assertLessThan(1e-6, $done->outcome->open);
        self::assertLessThan(1e-6, (new SteadySolver(Models::read(Models::block())))->solve()->outcome->open);
    }

    /** @param array<string, mixed> $convergence */
    private static function duct(string $flow, array $convergence = []): Solution
    {
        return (new SteadySolver(Models::read([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]], 'physics' => ['flow' => $flow],
            'materials' => ['f' => ['fluid' => true, 'density' => 1, 'viscosity' => 0.001, 'conductivity' => 0.03, 'specificHeat' => 1000]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.4, 0.1, 0.1]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => 0.5, 'temperature' => 300], 'x+' => ['kind' => 'outlet'], 'y-' => ['heat' => ['kind' => 'flux', 'flux' => 20]],
                'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]],
            'parts' => [], 'watches' => [['id' => 'p', 'of' => ['point' => [0.1, 0.05, 0.05]], 'quantity' => 'pressure']],
            'analysis' => ['grid' => ['cells' => [24, 10, 1]], 'convergence' => $convergence],
        ])))->solve();
    }
}
