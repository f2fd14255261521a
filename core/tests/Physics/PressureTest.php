<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\MassSweeps;
use Foehn\Physics\Flow\Momentum;
use Foehn\Physics\Flow\PressureCorrection;
use Foehn\Physics\Flow\Simplec;
use Foehn\Tests\Domains;
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

/** What brings velocities to conserve mass. */
final class PressureTest extends TestCase
{
    private const SIDES = ['x-' => ['kind' => 'inlet', 'speed' => 0.2], 'x+' => ['kind' => 'outlet']];

    private const WALL = [['id' => 'w', 'name' => 'Wall', 'shape' => ['kind' => 'block', 'size' => [0.01, 0.02, 0.02]], 'at' => [0.04, 0, 0], 'material' => 'aluminium-6063']];

    private FlowDomain $domain;

    private FlowLevel $level;

    protected function setUp(): void
    {
        $this->domain = Domains::domain(Domains::model([0.1, 0.04, 0.03], [20, 8, 6], self::SIDES, self::WALL));
        $this->level = Domains::level($this->domain);
    }

    public function testTheCorrectionLeavesNoCellWithoutItsMass(): void
    {
        $mobility = $this->mobility();
        [$imbalance, $before] = $this->level->imbalance($this->level->fluxes());
        $correction = (new PressureCorrection($this->domain, PressureCorrection::fine()))->solve($mobility, $this->level->carrying, $imbalance);
        $this->level->follow($mobility, $correction, 1.0);
        [$left, $after] = $this->level->imbalance($this->level->fluxes());

        self::assertGreaterThan(1e-5, $before);
        self::assertLessThan(5e-3 * $before, $after);
        self::assertLessThan(5e-3 * $before, Values::greatest(array_map(abs(...), $left)));
    }

    public function testWhatEntersLeavesAfterwards(): void
    {
        $mobility = $this->mobility();
        $pressure = new PressureCorrection($this->domain, PressureCorrection::fine());
        for ($n = 0; $n < 3; $n++) {
            [$imbalance] = $this->level->imbalance($this->level->fluxes());
            $this->level->follow($mobility, $pressure->solve($mobility, $this->level->carrying, $imbalance), 0.0);
        }
        $through = [];
        foreach ($this->domain->openings as $opening) {
            $through[$opening->name] = array_sum(array_map(fn (int $face): float => $opening->outward * $this->level->fluxes()[$opening->axis][$face], $opening->faces));
        }

        self::assertEqualsWithDelta(-Domains::DENSITY * 0.2 * 0.04 * 0.03, $through['x-'], 1e-12);
        self::assertEqualsWithDelta(-$through['x-'], $through['x+'], 1e-6 * abs($through['x-']));
        self::assertSame($this->domain->pressure, $this->level->pressure, 'with no share of the correction the pressure stays');
    }

    public function testVelocitiesFollowTheGradientOfTheCorrection(): void
    {
        $mobility = $this->mobility();
        $gradient = 7.0;
        $before = $this->level->velocity;
        $this->level->follow($mobility, Domains::sample($this->domain->layout, null, fn (float $x): float => -$gradient * $x), 0.5);
        foreach (Domains::inner($this->domain, 0) as $c) {
            self::assertEqualsWithDelta($mobility[0][$c] * $gradient * 0.005, $this->level->velocity[0][$c] - $before[0][$c], 1e-12);
        }
        foreach (Domains::inner($this->domain, 1) as $c) {
            self::assertEqualsWithDelta($before[1][$c], $this->level->velocity[1][$c], 1e-12);
        }
        $cell = $this->domain->layout->index(10, 7, 5);
        self::assertEqualsWithDelta(-0.5 * $gradient * $this->domain->layout->grid->centres[0][9], $this->level->pressure[$cell], 1e-12);
    }

    public function testAFewSweepsTakeMostOfTheRoughImbalanceAway(): void
    {
        // What differs from cell to cell: a sweep is for that; the rest is up to coarser levels.
        foreach ($this->level->area[0] as $c => $area) {
            $this->level->velocity[0][$c] = $area > 0.0 ? 0.2 + 0.1 * ($c % 2 === 0 ? 1 : -1) : $this->level->velocity[0][$c];
        }
        [$first] = $this->level->imbalance($this->level->fluxes());
        $mass = new MassSweeps($this->level, $this->mobility());
        for ($n = 0; $n < 4; $n++) {
            $mass->correct(1.0, $n % 2 === 0);
        }
        [$last] = $this->level->imbalance($this->level->fluxes());
        self::assertLessThan(0.25 * self::roughness($first), self::roughness($last));
    }

    public function testIterationsComeToRest(): void
    {
        $scheme = new Simplec($this->level, new PressureCorrection($this->domain, PressureCorrection::close()), 0.7);
        $changes = [];
        for ($n = 0; $n < 150; $n++) {
            $before = $this->level->velocity[0];
            $scheme->step(0.0);
            $changes[] = Values::greatest(array_map(fn (float $a, float $b): float => abs($a - $b), $before, $this->level->velocity[0]));
        }
        foreach ([0, 1, 2] as $axis) {
            $residual = (new Momentum($this->level, $axis, $this->level->fluxes(), 1.0, 0.0, false))->residual();
            self::assertLessThan(1e-8, Values::greatest(array_map(abs(...), $residual)), 'N, of forces of about 1e-4 N');
        }
        self::assertLessThan(1e-5 * max($changes), end($changes));
        self::assertGreaterThan(0.2, Values::greatest($this->level->velocity[0]), 'the stream is faster where the wall narrows it');
    }

    public function testDampingEndsAtItsLimitAndSaysHowShortAStepIs(): void
    {
        $scheme = new Simplec($this->level, new PressureCorrection($this->domain, PressureCorrection::rough()), 0.7);
        self::assertEqualsWithDelta(1.0, $scheme->pace(), 1e-12);
        self::assertTrue($scheme->soften());
        // Implicit relaxation a is a time step of a / (1 - a): 1 instead of 7/3.
        self::assertEqualsWithDelta(3 / 7, $scheme->pace(), 1e-12);
        self::assertTrue($scheme->soften());
        self::assertFalse($scheme->soften());
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} m/s/Pa */
    private function mobility(): array
    {
        $of = fn (int $axis): array => (new Momentum($this->level, $axis === 0 ? 0 : ($axis === 1 ? 1 : 2), $this->level->fluxes(), 0.8, 0.0, false))->mobility;

        return [$of(0), $of(1), $of(2)];
    }

    /**
     * The sum of the differences between neighbours in memory, kg/s.
     *
     * @param array<int, float> $net
     */
    private static function roughness(array $net): float
    {
        $sum = 0.0;
        foreach (array_slice($net, 1) as $n => $value) {
            $sum += abs($value - $net[$n]);
        }

        return $sum;
    }
}
