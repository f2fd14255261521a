<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Grid\GridLevels;
use Foehn\Model\Model;
use Foehn\Solve\Solution;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Domains;
use PHPUnit\Framework\TestCase;

/** Runs over grids that learn from the one before. */
final class LearnedRunTest extends TestCase
{
    public function testTheGridOfARunHasItsLinesWhereTheFlowBends(): void
    {
        $model = self::duct(0.02);
        $solution = (new SteadySolver($model))->solve();
        $levels = GridLevels::of($model);
        $rules = end($levels)[1];

        self::assertNotEmpty($solution->levels);
        self::assertNotEquals($rules->lines, $solution->state->grid->lines);
        self::assertLessThanOrEqual($rules->count(), $solution->state->grid->count());
        self::assertContains(0.02, array_map(fn (float $x): float => round($x, 9), $solution->state->grid->lines[0]), 'where the part begins there is a line');
    }

    public function testTemperaturesOnAKeptFlowStayOnItsGridUnlessThePartsHaveMoved(): void
    {
        $flow = (new SteadySolver(self::duct(0.02)))->solve();
        $again = fn (float $at): Solution => (new SteadySolver(self::duct($at), start: new Start($flow->checkpoint, frozen: true)))->solve();

        self::assertEquals($flow->state->grid->lines, $again(0.02)->state->grid->lines);
        self::assertNotEquals($flow->state->grid->lines, $again(0.03)->state->grid->lines);
    }

    public function testAnInterruptedRunGoesOnOnItsGrid(): void
    {
        $flow = (new SteadySolver(self::duct(0.02)))->solve();
        $resumed = (new SteadySolver(self::duct(0.02), start: new Start($flow->checkpoint, $flow->levels, resumes: true)))->solve();

        self::assertEquals($flow->state->grid->lines, $resumed->state->grid->lines);
        self::assertLessThan($flow->outcome->iterations + 1, $resumed->outcome->iterations);
    }

    /** A plane channel with a warm block on its floor. */
    private static function duct(float $at): Model
    {
        $symmetry = ['kind' => 'symmetry'];

        return Domains::model([0.08, 0.02, 0.01], null, ['x-' => ['kind' => 'inlet', 'speed' => 0.02], 'x+' => ['kind' => 'outlet'], 'z-' => $symmetry, 'z+' => $symmetry], [
            ['id' => 'block', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.006, 0.01]], 'at' => [$at, 0, 0], 'material' => 'copper', 'power' => 0.1],
        ], ['buoyancy' => false])->withGrade('scout');
    }
}
