<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Physics\Flow\Coarsening;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\FlowCycle;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\Friction;
use PHPUnit\Framework\TestCase;

final class FlowCycleTest extends TestCase
{
    public function testRestrictionKeepsTheMassFlowThroughEveryCoarseCell(): void
    {
        $level = self::level();
        foreach ([0, 1, 2] as $axis) {
            foreach ($level->area[$axis] as $c => $area) {
                $level->velocity[$axis][$c] = $area > 0.0 ? sin(1.7 * $c + $axis) : $level->velocity[$axis][$c];
            }
        }
        $coarsening = new Coarsening($level);
        $flux = $level->fluxes();
        $coarsening->restrictState($flux);
        [$fine] = $level->imbalance($flux);
        [$coarse] = $coarsening->coarse->imbalance($coarsening->coarse->fluxes());

        self::assertLessThan(0.25 * $level->layout->grid->count(), $coarsening->coarse->layout->grid->count());
        self::assertEqualsWithDelta(array_sum($fine), array_sum($coarse), 1e-12);
        self::assertEqualsWithDelta(array_sum($level->volume), array_sum($coarsening->coarse->volume), 1e-15);
    }

    public function testForcesAreSummedAndUniformCorrectionsComeBackWhole(): void
    {
        $level = self::level();
        $coarsening = new Coarsening($level);
        $force = array_map(fn (float $area) => $area > 0.0 ? 1.0 : 0.0, $level->area[0]);
        self::assertEqualsWithDelta(array_sum($force), array_sum($coarsening->restrictForce(0, $force)), 1e-9);

        $one = array_fill(0, $coarsening->coarse->layout->length, 1.0);
        $before = $level->velocity;
        $coarsening->prolongate([$one, $one, $one], $one);
        foreach ($level->area[1] as $c => $area) {
            self::assertEqualsWithDelta($area > 0.0 ? 1.0 : 0.0, $level->velocity[1][$c] - $before[1][$c], 1e-12);
        }
    }

    public function testCyclesBringFlowAroundAWallToBalanceWhateverTheGrid(): void
    {
        foreach ([[24, 16, 8], [48, 32, 16]] as $cells) {
            $level = self::level($cells);
            $cycle = new FlowCycle($level, FlowCycle::LAMINAR);
            for ($n = 0; $n < 12; $n++) {
                $before = $level->velocity[0];
                $cycle->step(0.0);
            }
            [, $open] = $level->imbalance($level->fluxes());
            self::assertLessThan(2e-4 * 1.1 * 0.3 * 0.04 * 0.06 * $cells[0], $open, implode(' x ', $cells));
            self::assertLessThan(1e-3 * max($level->velocity[0]), max(array_map(fn (float $a, float $b) => abs($a - $b), $before, $level->velocity[0])), implode(' x ', $cells));
        }
    }

    /** @param array{int, int, int} $cells */
    private static function level(array $cells = [24, 16, 8]): FlowLevel
    {
        $model = ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1.1, 'viscosity' => 3e-4, 'conductivity' => 0.2, 'specificHeat' => 1000]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.12, 0.06, 0.04]], 'fluid' => 'f', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => 0.3], 'x+' => ['kind' => 'outlet']]],
            'parts' => [['id' => 'w', 'name' => 'Wall', 'shape' => ['kind' => 'block', 'size' => [0.005, 0.0375, 0.03]], 'at' => [0.05, 0, 0], 'material' => 'aluminium-6063']],
            'analysis' => ['grid' => ['cells' => $cells]],
        ]);
        $grid = GridBuilder::build($model);
        $domain = DomainBuilder::build($model, Voxels::of($model, $grid), 1.1);
        self::assertContains(FlowDomain::OUTER, $domain->face[0]);
        $level = FlowLevel::finest($domain, 1.1);
        $zeros = $domain->layout->zeros();
        $viscosity = array_fill(0, $domain->layout->length, 3e-4);
        $level->friction = Friction::of($domain, $viscosity, $viscosity, [$zeros, $zeros, $zeros]);

        return $level;
    }
}
