<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Grid\Grid;
use Foehn\Grid\GridLevels;
use Foehn\Model\GridSettings;
use Foehn\Model\Model;
use Foehn\Observe\GridValues;
use Foehn\Results\Uncertainty;

/**
 * Computes verification cases as a user would: on the grids that the product makes at a grade, and not on those that an expert
 * has chosen. Every quantity is found on the coarser grids of the sequence too, and gets the ± that a watch of it would have.
 */
final class GradeStudy
{
    private const MOST_GRIDS = 3;

    /**
     * @return list<GradedCheck>
     * @throws \Foehn\Physics\PhysicsException
     * @throws \Foehn\Grid\GridException
     */
    public static function of(VerificationCase $case, string $grade): array
    {
        $found = [];
        $grids = [];
        $flow = false;
        for ($coarser = 0; $coarser < self::MOST_GRIDS; $coarser++) {
            try {
                $found[] = $case->on(function (Model $model) use ($grade, $coarser, &$grids, &$flow): Model {
                    $flow = $flow || $model->physics->hasFlow();
                    [$settings, $grids[$coarser]] = self::grid($model, $grade, $coarser);

                    return $model->within($model->space, $settings);
                })->run(true);
            } catch (NoSuchGrid) {
                break;
            }
        }
        $graded = [];
        foreach ($found[0] ?? [] as $n => $check) {
            $levels = [];
            foreach ($found as $coarser => $checks) {
                array_unshift($levels, new GridValues($grids[$coarser]->count(), $grids[$coarser]->cells, 0, 0.0, ['value' => $checks[$n]->computed]));
            }
            $graded[] = new GradedCheck($check, Uncertainty::of($levels, 'value', $flow)['plusMinus'], $flow, $grids[0]->count());
        }

        return $graded;
    }

    /**
     * @param int $coarser how many grids before the one asked for
     * @return array{GridSettings, Grid}
     * @throws NoSuchGrid
     */
    private static function grid(Model $model, string $grade, int $coarser): array
    {
        $asked = new GridSettings($grade, null, null, []);
        $levels = GridLevels::of($model->within($model->space, $asked));
        $grid = $levels[count($levels) - 1 - $coarser][1] ?? throw new NoSuchGrid();
        $lines = array_map(array_values(...), $grid->lines);

        return [$coarser === 0 ? $asked : new GridSettings($grade, null, null, $lines), $grid];
    }
}
