<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Physics\Flow\Diverged;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\Momentum;
use Foehn\Tests\Domains;
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

final class MomentumTest extends TestCase
{
    private const PLATES = ['x-' => ['kind' => 'symmetry'], 'x+' => ['kind' => 'symmetry'], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']];

    public function testAParabolaBetweenPlatesIsInBalanceWithItsPressureGradient(): void
    {
        [$height, $gradient] = [0.02, 5.0];
        $domain = Domains::domain(Domains::model([0.06, $height, 0.02], [12, 20, 4], self::PLATES));
        $level = Domains::level($domain);
        // mu u'' = dp/dx = -gradient, u = 0 at both walls.
        $level->velocity[0] = Domains::sample($domain->layout, 0, fn (float $x, float $y): float => $gradient / (2 * Domains::VISCOSITY) * $y * ($height - $y));
        $level->pressure = Domains::sample($domain->layout, null, fn (float $x): float => -$gradient * $x);
        $residual = (new Momentum($level, 0, $level->fluxes(), 1.0, 0.0, false))->residual();

        $force = $gradient * 0.005 * 0.001 * 0.005;
        foreach (Domains::inner($domain, 0) as $c) {
            // Exact for a parabola on even cells away from the walls, where half a cell lies between.
            self::assertEqualsWithDelta(0.0, $residual[$c], 1e-9 * $force);
        }
    }

    public function testAUniformStreamFeelsNothingFromConvection(): void
    {
        $domain = Domains::domain(Domains::model([0.06, 0.04, 0.03], [6, 5, 4]));
        $level = Domains::level($domain);
        foreach ([0.4, -0.2, 0.1] as $axis => $speed) {
            $level->velocity[$axis] = Domains::sample($domain->layout, $axis, fn (): float => $speed);
        }
        foreach ([0, 1, 2] as $axis) {
            $residual = (new Momentum($level, $axis, $level->fluxes(), 1.0, 0.0, false))->residual();
            foreach (Domains::inner($domain, $axis) as $c) {
                self::assertEqualsWithDelta(0.0, $residual[$c], 1e-14);
            }
        }
    }

    public function testConvectionTakesTheValueFromUpstream(): void
    {
        $domain = Domains::domain(Domains::model([0.06, 0.06, 0.06], [6, 6, 6]));
        $area = 0.01 ** 2;
        foreach ([0.5, -0.5] as $speed) {
            $level = self::still($domain);
            $level->velocity[0] = Domains::sample($domain->layout, 0, fn (): float => $speed);
            // A component across the stream that rises along it by one per cell.
            $level->velocity[1] = Domains::sample($domain->layout, 1, fn (float $x): float => $x / 0.01);
            $residual = (new Momentum($level, 1, $level->fluxes(), 1.0, 0.0, false))->residual();
            foreach (Domains::inner($domain, 1) as $c) {
                self::assertEqualsWithDelta(-Domains::DENSITY * $area * $speed, $residual[$c] - self::byItself($level, $c), 1e-10, "stream of $speed m/s");
            }
        }
    }

    public function testAStreamThatQuickensIsHeldBackByWhatItCarries(): void
    {
        $domain = Domains::domain(Domains::model([0.06, 0.06, 0.06], [6, 6, 6]));
        $area = 0.01 ** 2;
        foreach ([1.0, -1.0] as $sign) {
            $level = self::still($domain);
            $level->velocity[0] = Domains::sample($domain->layout, 0, fn (float $x): float => $sign * 0.2 + 10.0 * $sign * $x);
            $residual = (new Momentum($level, 0, $level->fluxes(), 1.0, 0.0, false))->residual();
            foreach (Domains::inner($domain, 0) as $c) {
                // Through the face half a cell upstream comes the speed of the next face upstream, 0.1 m/s less or more.
                $before = $level->velocity[0][$c - (int) $sign];
                $carried = Domains::DENSITY * $area * abs(0.5 * ($level->velocity[0][$c] + $before));
                self::assertEqualsWithDelta($carried * ($before - $level->velocity[0][$c]), $residual[$c], 1e-12);
            }
        }
    }

    public function testSweepsSolveTheEquationsWithoutRelaxation(): void
    {
        $domain = Domains::domain(Domains::model([0.04, 0.03, 0.02], [8, 6, 4]));
        $level = Domains::level($domain);
        $level->source[0] = array_map(fn (float $area): float => 1e-6 * ($area > 0.0 ? 1 : 0), $level->area[0]);
        $momentum = new Momentum($level, 0, $level->fluxes(), 1.0, 0.0, false);
        $before = Values::greatest(array_map(abs(...), $momentum->residual()));
        for ($n = 0; $n < 120; $n++) {
            $momentum->sweep(1.0, $n % 2 === 0);
        }

        self::assertGreaterThan(0.0, Values::greatest($level->velocity[0]));
        self::assertLessThan(1e-9 * $before, Values::greatest(array_map(abs(...), $momentum->residual())));
    }

    public function testRelaxationAndInertiaLeaveTheSolutionAndShortenTheStep(): void
    {
        $domain = Domains::domain(Domains::model([0.04, 0.03, 0.02], [8, 6, 4]));
        $step = function (float $relaxation, float $inertia) use ($domain): float {
            $level = Domains::level($domain);
            $level->source[0] = array_map(fn (float $area): float => $area > 0.0 ? 1e-6 : 0.0, $level->area[0]);
            (new Momentum($level, 0, $level->fluxes(), $relaxation, $inertia, false))->sweep(1.0, true);

            return array_sum($level->velocity[0]);
        };

        self::assertLessThan($step(1.0, 0.0), $step(0.5, 0.0));
        self::assertLessThan($step(1.0, 0.0), $step(1.0, 10.0));
        // The velocity of a solution stays where it is, however strongly a step is damped.
        $level = Domains::level($domain);
        $level->source[0] = array_map(fn (float $area): float => $area > 0.0 ? 1e-6 : 0.0, $level->area[0]);
        $momentum = new Momentum($level, 0, $level->fluxes(), 1.0, 0.0, false);
        for ($n = 0; $n < 300; $n++) {
            $momentum->sweep(1.0, $n % 2 === 0);
        }
        $solved = $level->velocity[0];
        (new Momentum($level, 0, [$domain->layout->zeros(), $domain->layout->zeros(), $domain->layout->zeros()], 0.5, 10.0, false))->sweep(1.0, true);
        // Diffusion rules at this speed; what is carried is a thousandth of it.
        self::assertEqualsWithDelta(array_sum($solved), array_sum($level->velocity[0]), 2e-3 * array_sum($solved));
    }

    public function testTheMobilityIsAreaOverWhatHoldsAFace(): void
    {
        $domain = Domains::domain(Domains::model([0.04, 0.04, 0.04], [4, 4, 4]));
        $level = Domains::level($domain);
        $simple = (new Momentum($level, 0, $level->fluxes(), 0.8, 0.0, false))->mobility;
        $consistent = (new Momentum($level, 0, $level->fluxes(), 0.8, 0.0, true))->mobility;
        // Six links of mu times a cell's width each.
        $sum = 6 * Domains::VISCOSITY * 0.01;
        foreach (Domains::inner($domain, 0) as $c) {
            self::assertEqualsWithDelta(1e-4 / ($sum / 0.8), $simple[$c], 1e-9);
            self::assertEqualsWithDelta(1e-4 / ($sum / 0.8 - $sum), $consistent[$c], 1e-9);
        }
        foreach ($level->area[0] as $c => $area) {
            self::assertSame($area > 0.0, $simple[$c] > 0.0);
        }
    }

    public function testCoefficientsThatAreNoNumbersAreNoticed(): void
    {
        $domain = Domains::domain(Domains::model([0.04, 0.04, 0.04], [4, 4, 4]));
        $level = Domains::level($domain);
        $level->velocity[0] = array_map(fn (): float => NAN, $level->velocity[0]);

        $this->expectException(Diverged::class);
        new Momentum($level, 0, $level->fluxes(), 1.0, 0.0, false);
    }

    private static function still(\Foehn\Physics\Flow\FlowDomain $domain): FlowLevel
    {
        $level = Domains::level($domain);
        foreach ([0, 1, 2] as $axis) {
            $level->velocity[$axis] = $domain->layout->zeros();
        }

        return $level;
    }

    /** What the component across carries of itself, with its own flux, N. */
    private static function byItself(FlowLevel $level, int $c): float
    {
        $zeros = $level->layout->zeros();
        $own = (new Momentum($level, 1, [$zeros, $level->fluxes()[1], $zeros], 1.0, 0.0, false))->residual()[$c];

        return $own;
    }
}
