<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Observe\HeatBalance;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\TestCase;

/** A stream of 50 mg/s cools a plate that conducts 1e7 W/mK across and nothing along: 0.5 W/m over 40 mm warm it by 0.4 K. */
final class HeatOnFlowTest extends TestCase
{
    public function testHeatOfASolidThatConductsFarBetterWarmsTheStream(): void
    {
        $solution = (new SteadySolver(Models::read([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]], 'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1000, 'viscosity' => 0.01, 'conductivity' => 0.1, 'specificHeat' => 1000], 'plate' => ['conductivity' => [1e-6, 1e7, 1e7]]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.04, 0.0012, 0.001]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => 0.05, 'temperature' => 300, 'profile' => 'developed'], 'x+' => ['kind' => 'outlet'],
                'y-' => ['kind' => 'symmetry'], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry'], 'y+' => ['heat' => ['kind' => 'flux', 'flux' => 500]]]],
            'parts' => [['id' => 'plate', 'shape' => ['kind' => 'block', 'size' => [0.04, 0.0002, 0.001]], 'at' => [0, 0.001, 0], 'material' => 'plate']],
            'analysis' => ['grid' => ['cells' => [20, 12, 4]]],
        ])))->solve();
        $balance = $solution->state->balance();

        self::assertTrue($solution->outcome->converged);
        self::assertEqualsWithDelta(500.0 * 0.04 * 0.001, $balance->in, 1e-9);
        self::assertEqualsWithDelta($balance->in, $balance->out, 1e-5 * $balance->in);
        // 0.02 W into 5e-5 kg/s of 1000 J/kgK.
        self::assertEqualsWithDelta(0.4, $solution->state->flow?->through($solution->state->flow->domain->openings[1], $solution->state->flow->domain->layout->spread($solution->state->temperature, 300.0))['temperature'] - 300.0, 1e-4);

        $colder = array_map(fn (float $t): float => 300.0 + 0.99 * ($t - 300.0), $solution->state->temperature);
        self::assertTrue($balance->holds());
        self::assertFalse(HeatBalance::of($solution->state->system, $colder, $solution->state->flow)->holds());
    }
}
