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
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

final class FlowCycleTest extends TestCase
{
    public function testRestrictionKeepsTheMassFlowThroughEveryCoarseFaceAndCell(): void
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
        $coarse = $coarsening->coarse;
        $coarseFlux = $coarse->fluxes();
        self::assertLessThan(0.25 * $level->layout->grid->count(), $coarse->layout->grid->count());
        self::assertEqualsWithDelta(array_sum($level->volume), array_sum($coarse->volume), 1e-15);

        // Face by face: what passes a coarse face is what passes the fine faces that lie on it.
        foreach ([0, 1, 2] as $axis) {
            $through = $coarse->layout->zeros();
            foreach (self::places($level, $axis) as $c => $place) {
                $line = array_search($level->layout->grid->lines[$axis][$place[$axis]], $coarse->layout->grid->lines[$axis], true);
                if ($line !== false) {
                    $to = self::parent($level, $coarse, $place);
                    $to[$axis] = (int) $line;
                    $through[$coarse->layout->index(...$to)] += $flux[$axis][$c];
                }
            }
            self::assertGreaterThan(1e-6, Values::greatest(array_map(abs(...), $through)));
            foreach ($through as $c => $mass) {
                self::assertEqualsWithDelta($mass, $coarseFlux[$axis][$c], 1e-15, "axis $axis, face $c");
            }
        }
        // Cell by cell: what is missing in a coarse cell is what is missing in the fine cells that make it up.
        [$missing] = $level->imbalance($flux);
        [$coarseMissing] = $coarse->imbalance($coarseFlux);
        $sums = $coarse->layout->zeros();
        foreach (self::places($level, null) as $c => $place) {
            $sums[$coarse->layout->index(...self::parent($level, $coarse, $place))] += $missing[$c];
        }
        foreach ($sums as $c => $sum) {
            self::assertEqualsWithDelta($sum, $coarseMissing[$c], 1e-15, "cell $c");
        }
    }

    /**
     * @param ?int $across axis across whose faces are meant, those of the lower side included; null: the cells
     * @return iterable<int, array{int, int, int}> places by index in the layout
     */
    private static function places(FlowLevel $level, ?int $across): iterable
    {
        [$nx, $ny, $nz] = $level->layout->grid->cells;
        for ($k = $across === 2 ? 0 : 1; $k <= $nz; $k++) {
            for ($j = $across === 1 ? 0 : 1; $j <= $ny; $j++) {
                for ($i = $across === 0 ? 0 : 1; $i <= $nx; $i++) {
                    yield $level->layout->index($i, $j, $k) => [$i, $j, $k];
                }
            }
        }
    }

    /**
     * @param array{int, int, int} $place of a fine cell
     * @return array{int, int, int} of the coarse cell around its centre
     */
    private static function parent(FlowLevel $level, FlowLevel $coarse, array $place): array
    {
        $along = fn (int $axis): int => 1 + $coarse->layout->grid->locate($axis, $level->layout->grid->centres[$axis][max(0, $place[$axis] - 1)]);

        return [$along(0), $along(1), $along(2)];
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
            self::assertLessThan(1e-3 * Values::greatest($level->velocity[0]), Values::greatest(array_map(fn (float $a, float $b) => abs($a - $b), $before, $level->velocity[0])), implode(' x ', $cells));
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
