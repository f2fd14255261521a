<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Grid\Grid;
use Foehn\Model\GridSettings;
use Foehn\Model\Model;
use Foehn\Observe\GridValues;
use Foehn\Physics\PhysicsException;
use Foehn\Results\BesideGrid;
use Foehn\Results\Uncertainty;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;

/**
 * Computes verification cases as a user would: on the grids that the product makes at a grade, and not on those that an expert
 * has chosen. Every quantity is found on the coarser grids on the way too, and gets the ± that a watch of it would have.
 */
final class GradeStudy
{
    /**
     * @return list<GradedCheck>
     * @throws \Foehn\Physics\PhysicsException
     * @throws \Foehn\Grid\GridException
     */
    public static function of(VerificationCase $case, string $grade): array
    {
        /** @var list<non-empty-list<Solution>|PhysicsException> $ended a case may ask for what has no solution */
        $ended = [];
        $checks = $case->by(function (Model $model) use ($grade, &$ended): Solution {
            $onTheWay = new Recorder();
            try {
                $solution = (new SteadySolver($model->within($model->space, new GridSettings($grade)), $onTheWay))->solve();
            } catch (PhysicsException $e) {
                $ended[] = $e;
                throw $e;
            }
            $ended[] = [...$onTheWay->solutions, $solution];

            return $solution;
        })->run(true);
        $solved = array_values(array_filter($ended, is_array(...)));
        $grids = $solved === [] ? 0 : min(array_map(count(...), $solved));
        $flow = array_filter($solved, fn (array $solutions) => $solutions[0]->state->flow !== null) !== [];
        $levels = [];
        for ($coarser = 0; $coarser < $grids; $coarser++) {
            $next = 0;
            $found = $coarser === 0 ? $checks : $case->by(function () use ($ended, $coarser, &$next): Solution {
                $solutions = $ended[$next++];
                if ($solutions instanceof PhysicsException) {
                    throw $solutions;
                }

                return $solutions[count($solutions) - 1 - $coarser];
            })->run(true);
            $solutions = $solved[count($solved) - 1];
            $grid = $solutions[count($solutions) - 1 - $coarser]->state->grid;
            foreach ($found as $n => $check) {
                $levels[$n] = [self::values($grid, $check), ...$levels[$n] ?? []];
            }
        }

        // Which of the computations of a case a quantity is read from is not told: the least certain of them counts.
        $beside = array_map(fn (array $solutions): BesideGrid => BesideGrid::of($solutions[count($solutions) - 1]), $solved);
        $share = max([0.0, ...array_map(fn (BesideGrid $one): float => $one->share(), $beside)]);
        $ambient = $solved === [] ? 0.0 : $solved[0][0]->state->model->surroundings->temperature - VerificationCase::ZERO_CELSIUS;

        return array_map(fn (Check $check, array $levels): GradedCheck => new GradedCheck(
            $check,
            Uncertainty::of($levels, 'value', $flow, $share * abs(in_array($check->unit, ['°C', 'degC'], true) ? $check->computed - $ambient : $check->computed))['plusMinus'],
            $flow, end($levels)->cells,
        ), $checks, $levels);
    }

    private static function values(Grid $grid, Check $check): GridValues
    {
        return new GridValues($grid->count(), $grid->cells, 0, 0.0, ['value' => $check->computed]);
    }
}
