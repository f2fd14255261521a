<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\PhysicsException;
use Foehn\Solve\ControlSettings;
use Foehn\Solve\FlowController;
use Foehn\Solve\FlowConvergence;
use Foehn\Solve\FlowEquations;
use Foehn\Solve\FlowMethod;
use Foehn\Solve\FlowState;
use Foehn\Tests\Domains;
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

/** Which way a flow is brought to rest, and what is tried when it does not come to rest. */
final class FlowControllerTest extends TestCase
{
    public function testAStreamIsBroughtToRestByCycles(): void
    {
        [$controller, $flow] = self::controller(self::duct());
        $steps = 0;
        while (! $controller->advance() && $steps < 200) {
            $controller->helpWhereStuck();
            $steps++;
        }

        self::assertLessThan(200, $steps);
        self::assertSame(FlowMethod::Cycles, $controller->method());
        self::assertNull($controller->average());
        self::assertCount($controller->total(), $controller->residuals());
        self::assertLessThan(0.1 * Values::greatest($controller->residuals()), Values::least($controller->residuals()));
        // As much leaves as enters: 1 m/s through 2 cm by 1 cm.
        [$flux, $layout] = [$flow->level->fluxes()[0], $flow->level->layout];
        $out = array_sum(array_filter($flux, fn (int $c) => $layout->place($c)[0] === $layout->grid->cells[0], ARRAY_FILTER_USE_KEY));
        self::assertEqualsWithDelta(Domains::DENSITY * 2e-4, $out, 1e-3 * Domains::DENSITY * 2e-4);
    }

    public function testStrongConvectionIsIteratedFromItsStartAndWeakIsNot(): void
    {
        [$weak] = self::controller(self::cavity(0.02));
        [$strong, $flow] = self::controller(self::cavity(1.0));

        self::assertGreaterThan(ControlSettings::SWINGS_FROM, $flow->rayleigh());
        self::assertSame(FlowMethod::PlainIterations, $strong->method());
        self::assertSame(FlowMethod::Cycles, $weak->method());
    }

    public function testFluidAtRestIsStirredWhereOnlyBuoyancyMovesIt(): void
    {
        [, $cavity] = self::controller(self::cavity(0.02));
        [, $duct] = self::controller(self::duct());

        // The guess is the same in all planes from front to back; what is stirred is not.
        self::assertGreaterThan(0.1, self::unevenness($cavity));
        self::assertSame(0.0, self::unevenness($duct), 'an inlet sets it in motion anyway');
        self::assertEquals($cavity->heat->temperature, self::controller(self::cavity(0.02))[1]->heat->temperature, 'the same in every run');
    }

    public function testAFlowThatIsGivenIsNotStirred(): void
    {
        [$controller, $flow] = self::controller(self::cavity(0.02));
        for ($n = 0; $n < 5; $n++) {
            $controller->advance();
        }
        $state = $flow->state();
        [, $again] = self::controller(self::cavity(0.02), $state);

        self::assertFalse($again->isStill());
        self::assertSame($state->temperature, $again->heat->temperature);
    }

    public function testADivergedRunBeginsAnewAndIsGivenUpAfterTheLastWay(): void
    {
        [$controller] = self::controller(self::duct());
        $controller->advance();
        $controller->advance();
        for ($restart = 1; $restart <= ControlSettings::MOST_RESTARTS; $restart++) {
            $controller->restart();
            self::assertSame(0, $controller->total());
            self::assertSame([], $controller->residuals());
            self::assertSame($restart === ControlSettings::MOST_RESTARTS ? FlowMethod::Iterations : FlowMethod::Cycles, $controller->method(), "restart $restart");
            $controller->advance();
            self::assertSame(1, $controller->total());
        }

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('diverges however strongly it is damped');
        $controller->restart();
    }

    public function testAFlowThatIsLeftWithNothingToTryIsAveragedUntilTheMeanIsFull(): void
    {
        [$controller] = self::controller(self::duct());
        // As if each way had come to its end: every step is one in which nothing has come nearer.
        $methods = [];
        for ($n = 0; $controller->average() === null && $n < 5000; $n++) {
            $controller->advance();
            $controller->helpWhereStuck();
            $methods[$controller->method()->name] = true;
        }

        self::assertNotNull($controller->average(), 'a steady flow that is stepped on and on has a residual that stays where it is');
        self::assertSame(['Cycles', 'Iterations'], array_keys($methods));
        for ($n = 0; ! $controller->average()->isFull() && $n < ControlSettings::AVERAGED + ControlSettings::AWAKES; $n++) {
            self::assertFalse($controller->advance(), 'a mean is never called steady');
        }
        self::assertTrue($controller->average()->isFull());
        self::assertCount(5, $controller->average()->mean());
    }

    /** @return array{FlowController, FlowEquations} */
    private static function controller(Model $model, ?FlowState $start = null): array
    {
        $voxels = Voxels::of($model, GridBuilder::build($model));
        $flow = new FlowEquations($model, $voxels);

        return [new FlowController($flow, new FlowConvergence($flow, $voxels, $model->physics->heat, true), $start, false), $flow];
    }

    /** Greatest difference of temperatures along y, K. */
    private static function unevenness(FlowEquations $flow): float
    {
        $greatest = 0.0;
        $stride = $flow->domain->layout->stride[1];
        foreach ($flow->domain->fluid as $c => $fluid) {
            if ($fluid === 1 && ($flow->domain->fluid[$c + $stride] ?? 0) === 1) {
                $greatest = max($greatest, abs($flow->heat->temperature[$c + $stride] - $flow->heat->temperature[$c]));
            }
        }

        return $greatest;
    }

    private static function duct(): Model
    {
        return Domains::model([0.06, 0.02, 0.01], [12, 6, 4], ['x-' => ['kind' => 'inlet', 'speed' => 1], 'x+' => ['kind' => 'outlet']]);
    }

    /** A space that is heated from one side and cooled from the other, with an edge in m. */
    private static function cavity(float $edge): Model
    {
        $wall = fn (int $kelvin): array => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => $kelvin]];

        return Domains::model([$edge, $edge, $edge], [6, 6, 6], ['x-' => $wall(310), 'x+' => $wall(290)], [], ['buoyancy' => true]);
    }
}
