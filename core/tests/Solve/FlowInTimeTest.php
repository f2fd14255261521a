<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridLevels;
use Foehn\Grid\Voxels;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Solve\Coupling;
use Foehn\Solve\FlowEquations;
use Foehn\Solve\FlowInTime;
use Foehn\Solve\FlowState;
use Foehn\Solve\HeldSolids;
use PHPUnit\Framework\TestCase;

final class FlowInTimeTest extends TestCase
{
    /** A duct without friction that is pushed by a force of 2 N/m3 through its open ends. */
    private static function duct(): FlowEquations
    {
        $slip = ['kind' => 'symmetry'];
        $model = ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['gravity' => [0, 0, 0]], 'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1, 'viscosity' => 0.01, 'conductivity' => 1, 'specificHeat' => 1, 'expansion' => 0]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 0.2, 0.2]], 'fluid' => 'f', 'force' => ['x' => '2 N/m^3'],
                'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open'], 'y-' => $slip, 'y+' => $slip, 'z-' => $slip, 'z+' => $slip]],
            'analysis' => ['grid' => ['cells' => [10, 3, 3]]],
        ]);
        [$model, $grid] = GridLevels::of($model)[0];
        $flow = new FlowEquations($model, Voxels::of($model, $grid));
        $layout = $flow->domain->layout;
        $zeros = $layout->zeros();
        $flow->begin(new FlowState($layout, [$zeros, $zeros, $zeros], $zeros, array_fill(0, $layout->length, 300.0), [], false));

        return $flow;
    }

    public function testAPushedPlugGathersSpeedAtTheRateOfItsForce(): void
    {
        $flow = self::duct();
        $stepper = new FlowInTime($flow);
        $history = [$stepper->begin(0.0)];
        // Steps of any length: the speed rises on a straight line as long as entering costs no pressure worth the name.
        foreach ([0.001, 0.003, 0.006, 0.01] as $time) {
            [$moment, $error] = $stepper->step($history, $time, $flow->heat->temperature);
            $history = array_slice([$moment, ...$history], 0, 3);
            self::assertLessThan(1.0, $error);
        }
        $middle = $flow->domain->layout->index(5, 2, 2);
        [$imbalance] = $flow->level->imbalance($history[0]->flux);

        self::assertEqualsWithDelta(2.0 * 0.01, $history[0]->velocity[0][$middle], 1e-4);
        self::assertLessThan(1e-6, max([0.0, ...array_map(abs(...), $imbalance)]));
        self::assertGreaterThan(0.0, $stepper->longest());
    }

    public function testAStepThatIsTooLongTellsItsError(): void
    {
        $flow = self::duct();
        $stepper = new FlowInTime($flow);
        $history = [$stepper->begin(0.0)];
        foreach ([0.01, 0.02, 0.03] as $time) {
            $history = array_slice([$stepper->step($history, $time, $flow->heat->temperature)[0], ...$history], 0, 3);
        }
        // After a second the pressure lost at the entrance has taken over.
        self::assertGreaterThan(1.0, $stepper->step($history, 1.5, $flow->heat->temperature)[1]);
    }

    public function testSolidsThatAreHeldStayWhileTheRestComesToRest(): void
    {
        $model = ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.03, 0.01, 0.01]], 'fluid' => 'air', 'sides' => ['x+' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '20 degC']]]],
            'parts' => [['id' => 'block', 'shape' => ['kind' => 'block', 'size' => [0.01, 0.01, 0.01]], 'material' => 'copper', 'power' => '1 W']],
            'analysis' => ['grid' => ['cells' => [6, 1, 1]]],
        ]);
        $voxels = Voxels::of(...GridLevels::of($model)[0]);
        $coupling = new Coupling($model, $voxels);
        $coupling->follow(null);
        $system = (new HeldSolids($voxels, array_fill(0, 6, 350.0)))->hold($coupling->equation(array_fill(0, 6, 300.0)));
        $solution = (new StencilSolver($system->stencil))->solve($system->source, Stencil::zeros($system->stencil->cells), new Accuracy(1e-12));
        $temperature = $system->temperatures($solution->x);

        self::assertEqualsWithDelta([350.0, 350.0], array_slice($temperature, 0, 2), 0.02);
        // Copper holds nothing back: from its surface the air falls on a line to the wall.
        self::assertEqualsWithDelta(350.0 - 2.5 / 20.0 * 56.85, $temperature[2], 0.1);
    }
}
