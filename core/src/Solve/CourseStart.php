<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Codec\ModelInTime;
use Foehn\Grid\GridLevels;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Transient;
use Foehn\Numerics\Stencil;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;
use Foehn\Units\ScalarField;

/** Where a course in time begins: its grid, its temperatures, and what flows. */
final readonly class CourseStart
{
    /**
     * @param Model $model with the loads of 0 s, on the grid
     * @param array<int, float> $temperature of the cells at 0 s, K
     * @param ?AirInTime $air null where nothing flows
     */
    private function __construct(public Model $model, public Voxels $voxels, public array $temperature, public ?AirInTime $air)
    {
    }

    /**
     * @param ?CourseState $from where an interrupted course was
     * @param ?KeptTemperatures $kept of the run that it begins with, where it does
     * @return self|Solution the steady state it would begin at, where that was stopped
     * @throws \Foehn\Grid\GridException
     * @throws PhysicsException
     */
    public static function find(ModelInTime $model, Transient $time, string $grade, ProgressListener $listener, LinkStore $links, ?CourseState $from, ?KeptTemperatures $kept): self|Solution
    {
        if ($time->run !== null && $kept === null) {
            throw new PhysicsException(sprintf('the temperatures of run %d, which the course begins with, are not there; choose another start', $time->run));
        }
        $graded = $model->start->withGrade($grade);
        $listener = new OnTheWay($listener);
        $steady = null;
        if ($time->startsSteady() || ($graded->physics->hasFlow() && $time->air === Transient::FROZEN)) {
            $steady = (new SteadySolver($graded->beforeStart(), $listener, links: $links))->solve();
            if ($steady->outcome->stopped) {
                return $steady;
            }
            if (! $steady->outcome->converged && $steady->air === null) {
                throw new PhysicsException('the steady state that the course begins at did not converge: ' . $steady->shortfall());
            }
        }
        $levels = GridLevels::of($graded);
        [$onGrid, $grid] = end($levels);
        $voxels = $steady->state->voxels ?? Voxels::of($onGrid, $grid);
        $temperature = match (true) {
            $kept !== null && $time->run !== null => $kept->onto($voxels->grid, $onGrid->surroundings->temperature),
            $time->startsSteady() && $steady !== null => $steady->state->temperature,
            default => self::given($time->start ?? ScalarField::constant(0.0), $voxels),
        };
        $now = $from === null ? $temperature : Stencil::inside($from->now->x, $voxels->grid->cells, $onGrid->surroundings->temperature);
        $air = match (true) {
            ! $graded->physics->hasFlow() => null,
            $time->air === Transient::UNSTEADY => UnsteadyAir::begin($model, $grade, $voxels, $steady?->checkpoint, $now, $from->air->history ?? [], $links),
            $time->air === Transient::FOLLOWS => SteadyAir::following($voxels, $steady?->checkpoint, $temperature, $time->tolerance, $listener, $links, $from?->air),
            default => $steady === null ? null : SteadyAir::left($steady, $onGrid, $model->at(0.0)[1], $listener, $links),
        };

        return new self($onGrid, $voxels, $temperature, $air);
    }

    /** @return array<int, float> K of the cells, as the start is given */
    private static function given(ScalarField $start, Voxels $voxels): array
    {
        $grid = $voxels->grid;

        return $start->isConstant() ? array_fill(0, $grid->count(), $start->constant) : array_map(fn (int $cell): float => $start->at(...$grid->centre($cell)), range(0, $grid->count() - 1));
    }
}
