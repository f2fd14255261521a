<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Grid\Grid;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\GridLevels;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\LinearSolution;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Numerics\Vectors;
use Foehn\Observe\Curvature;
use Foehn\Observe\GridValues;
use Foehn\Observe\HeatBalance;
use Foehn\Observe\LiveValues;
use Foehn\Observe\State;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;

/** Steady heat conduction of a model: grid, equations, solution; repeats while conductivities follow the temperature. */
final class SteadySolver
{
    /** Between two reports, s. */
    private const REPORT_PAUSE = 0.2;

    /** Share of the currents given below which a coarse grid tells surely enough that they run away. */
    private const CLEARLY = 0.9;

    /** Of the linear equations, per pass. */
    private const MOST_ITERATIONS = 300;

    private Grid $grid;

    private Voxels $voxels;

    private int $iterations = 0;

    /** @var array<int, float> */
    private array $residuals = [];

    private float $lastReport = 0.0;

    /** @var array<int, BoardState> copper on the grid before, by index of the part */
    private array $boards = [];

    /** Which of the grids, from 1. */
    private int $level = 1;

    /** @param LinkStore $links view factors that are kept */
    public function __construct(
        private readonly Model $model,
        private readonly ProgressListener $listener = new SilentListener(),
        private readonly Start $start = new Start(),
        private readonly LinkStore $links = new LinkStore(),
    ) {
    }

    /**
     * @throws \Foehn\Grid\GridException
     * @throws \Foehn\Physics\PhysicsException
     */
    public function solve(): Solution
    {
        $this->requireWayOut();
        $solution = $this->model->physics->hasFlow() ? $this->flow() : $this->still();
        if (! Vectors::areFinite($solution->state->temperature)) {
            throw new PhysicsException('the temperatures came out as no numbers; look for conductivities, powers and coefficients that differ by very many orders of magnitude');
        }

        return $solution;
    }

    /**
     * Sets up everything on the grid asked for, without a step: what a computation would refuse is refused here.
     *
     * @return array{Model, Grid} as they would be computed
     * @throws \Foehn\Grid\GridException
     * @throws PhysicsException
     */
    public function check(): array
    {
        if ($this->model->time?->start === null) {
            $this->requireWayOut();
        }
        $levels = GridLevels::of($this->model);
        [$model, $grid] = end($levels);
        $voxels = Voxels::of($model, $grid);
        if ($model->physics->hasFlow()) {
            (new FlowEquations($model, $voxels, $this->links))->begin(null);
        } else {
            $coupling = new Coupling($model, $voxels, links: $this->links);
            $coupling->follow(null);
            $coupling->equation(null);
        }

        return [$model, $grid];
    }

    /**
     * Whether the parts of this model are where those of a solution are.
     *
     * @throws \Foehn\Grid\GridException
     */
    public function hasPartsOf(Solution $solution): bool
    {
        $levels = GridLevels::of($this->model);

        return Voxels::of(end($levels)[0], $solution->state->grid)->owner === $solution->state->voxels->owner;
    }

    /**
     * The flow of this model on the grid of a solution of a like one, from the flow that is started from.
     *
     * @throws \Foehn\Grid\GridException
     * @throws PhysicsException
     */
    public function onGridOf(Solution $solution): Solution
    {
        $this->requireWayOut();
        $levels = GridLevels::of($this->model);

        return $this->onGrid([end($levels)[0], $solution->state->grid], $this->flowToKeep(), true, [])->solve();
    }

    /**
     * Heat linearised about the steady state: where something flows, on the flow that is started from.
     *
     * @throws \Foehn\Grid\GridException
     * @throws PhysicsException
     */
    public function linearised(): LinearHeat
    {
        $this->requireWayOut();
        if (! $this->model->physics->hasFlow()) {
            return LinearHeat::ofSolid($this->still()->state, $this->links);
        }
        $levels = GridLevels::of($this->model);
        $solver = $this->onGrid($this->begun(end($levels)), $this->flowToKeep(), true, []);
        $solver->solve();

        return $solver->linearised();
    }

    /** @throws PhysicsException */
    private function flowToKeep(): FlowState
    {
        return $this->start->flow ?? throw new PhysicsException('temperatures alone are asked for, on a flow that stays as it is, but there is no flow to start from: compute the flow first');
    }

    /** @throws PhysicsException */
    private function requireWayOut(): void
    {
        if ($this->model->physics->heat && ! $this->model->heatLeaves()) {
            throw new PhysicsException('heat has no way out of this model: no side or part face has a temperature or a convection coefficient, and no stream leaves; give one of them');
        }
    }

    /** Conduction from grid to grid. */
    private function still(): Solution
    {
        $levels = GridLevels::of($this->model);
        $finest = array_pop($levels);
        $done = [];
        $coarse = null;
        // Coarser grids cost little and show what the one asked for still leaves open; given grids are taken at their word.
        foreach ($this->model->grid->isGiven() ? [] : $levels as $level) {
            try {
                $solution = $this->conduction($this->learned($level, $coarse)[1], [], false);
            } catch (ThermalRunaway $e) {
                // Near its limit a finer grid may come to rest; far beyond it does not.
                if ($e->share !== null && $e->share < self::CLEARLY) {
                    throw $e;
                }

                continue;
            } catch (PhysicsException) {
                // What is wrong is told of the grid asked for; a coarse one may only miss a thin part.
                continue;
            }
            if ($solution->outcome->stopped) {
                return $solution;
            }
            if ($solution->outcome->converged) {
                $this->listener->publish($solution);
                $coarse = $solution;
                $done[] = $coarse->onGrid();
            }
        }

        return $this->conduction($this->learned($finest, $coarse)[1], $done, true);
    }

    /**
     * The grid of a level as the solution on the one before asks for it.
     *
     * @param array{Model, Grid} $level by rules
     * @return array{Model, Grid}
     */
    private function learned(array $level, ?Solution $coarse): array
    {
        [$model, $grid] = $level;

        return $coarse === null || $model->grid->isGiven() ? $level : [$model, GridBuilder::learned($model, $grid, $coarse->state->grid, (new Curvature($coarse->state))->densities)];
    }

    /**
     * @param list<GridValues> $done
     * @param bool $asked whether this is the grid asked for, or one on the way to it
     * @throws PhysicsException
     */
    private function conduction(Grid $grid, array $done, bool $asked): Solution
    {
        $started = hrtime(true);
        $this->grid = $grid;
        $this->level = count($done) + 1;
        $this->iterations = 0;
        $this->residuals = [];
        $this->report('grid', 1.0, null);
        $this->voxels = Voxels::of($this->model, $grid);
        $coupling = new Coupling($this->model, $this->voxels, links: $this->links, boards: $this->boards, isOnTheWay: ! $asked);
        $nonlinear = $coupling->isNonlinear();
        $gain = $coupling->answersItself() ? new LoopGain() : null;
        $temperature = null;
        $pass = 0;
        $change = $nonlinear ? INF : 0.0;
        [$finest, $most] = $asked ? [min(ConductionSettings::RESIDUAL, $this->model->convergence->residual ?? INF), $this->model->convergence->iterations ?? PHP_INT_MAX] : [ConductionSettings::RESIDUAL, PHP_INT_MAX];
        do {
            $pass++;
            $moved = $this->follow($coupling, $temperature, $gain);
            $system = $coupling->equation($temperature);
            $this->report('equations', 1.0, null);
            $rough = $change > ConductionSettings::ROUGH;
            // Where nothing heats, what passes between given temperatures.
            $heat = $system->watts > 0.0 || $temperature === null ? $system->watts : HeatBalance::of($system, $temperature, null)->passes;
            $linear = $this->linear($system, $temperature, new Accuracy($rough ? ConductionSettings::ROUGH_RESIDUAL : $finest, $rough || $heat <= 0.0 ? INF : ConductionSettings::BALANCE * $heat, max(1, min(self::MOST_ITERATIONS, $most - $this->iterations))));
            $before = $temperature;
            $temperature = $system->temperatures($linear->x);
            $change = $before === null ? INF : self::largestChange($before, $temperature);
            $again = $nonlinear && ($rough || $change > ConductionSettings::STEADY || $moved > ConductionSettings::EXCHANGED);
            $temperature = $again && $gain !== null ? $gain->next($before, $temperature) : $temperature;
        } while ($again && $linear->converged && ! $linear->stopped && $pass < ConductionSettings::MOST_PASSES);

        $converged = $linear->converged && ! $again;
        for ($residual = ConductionSettings::CLOSER * $finest; $converged && ! $linear->stopped && $residual >= ConductionSettings::CLOSEST_RESIDUAL && ! HeatBalance::of($system, $temperature, null)->holds(); $residual *= ConductionSettings::CLOSER) {
            $linear = $this->linear($system, $temperature, new Accuracy($residual, mostIterations: max(1, min(self::MOST_ITERATIONS, $most - $this->iterations))));
            $temperature = $system->temperatures($linear->x);
        }

        $this->boards = $coupling->boards();
        $state = new State($this->model, $this->voxels, $system, $temperature, null, $coupling->currents(), $coupling->enclosure(), $this->boards);
        $outcome = new Outcome($converged && $state->balance()->holds(), $linear->stopped, $this->iterations, $pass, $linear->residual, $this->residuals, (hrtime(true) - $started) / 1e9, ConductionSettings::OPEN * $linear->residual);

        return new Solution($state, $outcome, levels: $done, start: $this->start, spent: $this->start->seconds());
    }

    /**
     * @param ?array<int, float> $temperature K
     * @throws PhysicsException
     */
    private function follow(Coupling $coupling, ?array $temperature, ?LoopGain $gain): float
    {
        try {
            return $coupling->follow($temperature);
        } catch (ThermalRunaway $e) {
            throw $gain !== null && $coupling->canRunAway() ? ThermalRunaway::beyond(StableDrive::share($gain->latest() ?? 1.0, $this->comesToRest(...)), $this->model) : $e;
        }
    }

    /**
     * Whether temperatures come to rest at a share of the currents and voltages given.
     *
     * @return array{bool, ?float} and the gain of the loop
     * @throws PhysicsException
     */
    private function comesToRest(float $share): array
    {
        $coupling = new Coupling($this->model->driven($share), $this->voxels, links: $this->links);
        $gain = new LoopGain();
        $temperature = null;
        $change = INF;
        for ($pass = 0; $pass < ConductionSettings::MOST_PASSES && $change > ConductionSettings::ROUGH; $pass++) {
            try {
                $coupling->follow($temperature);
            } catch (ThermalRunaway) {
                return [false, $gain->latest()];
            }
            $system = $coupling->equation($temperature);
            $linear = $this->linear($system, $temperature, new Accuracy(ConductionSettings::ROUGH_RESIDUAL, mostIterations: self::MOST_ITERATIONS));
            if ($linear->stopped) {
                throw ThermalRunaway::found();
            }
            $after = $system->temperatures($linear->x);
            $change = $temperature === null ? INF : self::largestChange($temperature, $after);
            $temperature = $gain->next($temperature, $after);
        }

        return [$change <= ConductionSettings::ROUGH, $gain->latest()];
    }

    /** Flow from grid to grid, each starting from the last. */
    private function flow(): Solution
    {
        $grids = GridLevels::of($this->model);
        $done = $this->start->levels;
        $state = $this->start->flow;
        $finest = array_pop($grids);
        if ($this->start->frozen) {
            return $this->onGrid($this->begun($finest), $this->flowToKeep(), true, [])->solve();
        }
        $coarse = null;
        foreach (array_slice($grids, count($done)) as $n => $level) {
            try {
                $solution = $this->onGrid($n === 0 ? $this->begun($level) : $this->learned($level, $coarse), $state, false, $done)->solve();
            } catch (PhysicsException) {
                // A coarse grid may miss a thin opening or device; the one asked for tells what is wrong.
                continue;
            }
            if ($solution->outcome->stopped) {
                return $solution;
            }
            $this->listener->publish($solution);
            $state = $solution->checkpoint;
            $done[] = $solution->onGrid();
            $coarse = $solution;
        }

        return $this->onGrid($coarse === null ? $this->begun($finest) : $this->learned($finest, $coarse), $state, true, $done)->solve();
    }

    /**
     * The grid of the flow that an interrupted computation, or one of temperatures alone, goes on from: it had learned from one that is gone.
     *
     * @param array{Model, Grid} $level by rules
     * @return array{Model, Grid}
     */
    private function begun(array $level): array
    {
        [$model, $grid] = $level;
        $kept = $this->start->resumes || $this->start->frozen ? $this->start->flow?->layout->grid : null;

        return $kept !== null && GridBuilder::stands($model, $kept, $grid) ? [$model, $kept] : $level;
    }

    /**
     * @param array{Model, Grid} $level
     * @param list<GridValues> $done
     */
    private function onGrid(array $level, ?FlowState $start, bool $finest, array $done): FlowSolver
    {
        [$model, $this->grid] = $level;
        $this->level = count($done) + 1;
        $this->report('grid', 1.0, null);

        return new FlowSolver($model, Voxels::of($model, $this->grid), $this->listener, $start, $finest, $done, $this->start, $this->links);
    }

    /** @param ?array<int, float> $guess K */
    private function linear(HeatSystem $system, ?array $guess, Accuracy $accuracy): LinearSolution
    {
        $start = Stencil::zeros($system->stencil->cells);
        foreach ($guess ?? [] as $cell => $value) {
            if ($system->live[$cell]) {
                $start[$system->stencil->pad + $cell] = $value - $system->reference;
            }
        }
        $before = $this->iterations;
        $result = (new StencilSolver($system->stencil, $system->ties))->solve(
            $system->source, $start,
            $accuracy,
            function (int $iteration, float $residual, Closure $iterate) use ($before, $system): bool {
                $this->iterations = $before + $iteration;
                $this->residuals[] = $residual;
                if (hrtime(true) / 1e9 - $this->lastReport > self::REPORT_PAUSE) {
                    $this->report('solving', $residual, LiveValues::of($this->model, $this->voxels, $system, $system->temperatures($iterate())));
                }

                return ! $this->listener->shouldStop();
            },
        );
        $this->iterations = $before + $result->iterations;

        return $result;
    }

    private function report(string $stage, float $residual, ?LiveValues $seen): void
    {
        $this->lastReport = hrtime(true) / 1e9;
        $this->listener->report(new Progress($stage, $this->grid->count(), $this->iterations, $residual, $seen?->worstMargin(), $this->level, $seen->values ?? []));
    }

    /**
     * @param array<int, float> $a
     * @param array<int, float> $b
     */
    private static function largestChange(array $a, array $b): float
    {
        $largest = 0.0;
        foreach ($a as $i => $value) {
            $change = $value > $b[$i] ? $value - $b[$i] : $b[$i] - $value;
            if ($change > $largest) {
                $largest = $change;
            }
        }

        return $largest;
    }
}
