<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Observe\GridValues;
use Foehn\Observe\LiveValues;
use Foehn\Observe\State;
use Foehn\Physics\Flow\Diverged;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;

/** Steady flow and heat on one grid: steps until the flow is steady or has been averaged, then the temperatures on it to their end. */
final class FlowSolver
{
    /** Between two reports, s. */
    private const REPORT_PAUSE = 0.2;

    private readonly FlowEquations $flow;

    private readonly FlowConvergence $convergence;

    private readonly FlowController $controller;

    private readonly FanControls $fans;

    private readonly int|float $started;

    /** Whether what is given has to leave. */
    private readonly bool $isBalanced;

    private float $lastReport = 0.0;

    /**
     * @param bool $finest whether this is the grid asked for, or one on the way to it
     * @param ?FlowState $start of this grid; null: fluid at rest
     * @param list<GridValues> $done grids before this one
     * @param LinkStore $links view factors that are kept
     * @param Start $run what the whole computation, over all its grids, starts from
     * @param ?HeldSolids $held whose temperatures stay; then heat is not balanced
     * @throws PhysicsException
     */
    public function __construct(
        private readonly Model $model,
        private readonly Voxels $voxels,
        private readonly ProgressListener $listener,
        ?FlowState $start = null,
        private readonly bool $finest = true,
        private readonly array $done = [],
        private readonly Start $run = new Start(),
        LinkStore $links = new LinkStore(),
        ?HeldSolids $held = null,
    ) {
        $this->started = hrtime(true);
        $this->isBalanced = $model->physics->heat && $held === null;
        $this->flow = new FlowEquations($model, $voxels, $links, $held);
        $this->convergence = new FlowConvergence($this->flow, $voxels, $model->physics->heat, $finest, $model->convergence);
        $this->fans = $held === null ? FanControls::of($model) : new FanControls($model, []);
        $this->controller = new FlowController($this->flow, $this->convergence, $start, $done !== [], $run->frozen);
    }

    /** @throws PhysicsException */
    public function solve(): Solution
    {
        if ($this->run->frozen) {
            return $this->heatOnly();
        }
        $steady = $stopped = false;
        while (! $stopped && ! $steady && ! $this->isSpent() && $this->controller->average()?->isFull() !== true) {
            try {
                $steady = $this->controller->advance() && $this->fansRest();
            } catch (Diverged) {
                $this->controller->restart();

                continue;
            }
            if ($this->controller->helpWhereStuck()) {
                // A flow that swings is averaged at the speeds that fans have in its midst.
                $this->fansRest();
            }
            $this->report();
            $stopped = $this->listener->shouldStop();
            if (! $stopped && ! $steady && $this->controller->average() === null) {
                $this->offer();
            }
        }
        $mean = $this->controller->average()?->mean() ?? [];
        if ($mean !== []) {
            $this->flow->level->velocity = [$mean[0], $mean[1], $mean[2]];
            [$this->flow->level->pressure, $this->flow->heat->temperature] = [$mean[3], $mean[4]];
        }
        $this->flow->updateMixing();
        $this->closeHeat($stopped ? 2 : ConvergenceSettings::PASSES, $this->flow->turbulence === null ? ConvergenceSettings::CLOSED : ConvergenceSettings::CLOSED_WITH_EDDIES);

        return $this->solution($steady && ! $stopped, $stopped);
    }

    /** Whether fans that follow a sensor run as fast as the flow at rest asks for; else they do so from now on. */
    private function fansRest(): bool
    {
        if ($this->fans->isEmpty()) {
            return true;
        }
        $this->flow->updateMixing();
        $this->closeHeat(ConvergenceSettings::PASSES, ConvergenceSettings::CLOSED_WITH_EDDIES);

        return $this->fans->follow($this->state(), $this->flow->devices);
    }

    /** Heat linearised about the solution, on its flow. */
    public function linearised(): LinearHeat
    {
        return $this->flow->heat->linearised($this->state(), $this->flow->level->fluxes(), $this->flow->richardson());
    }

    /** Of the flow as it is (see FlowEquations). */
    public function richardson(): float
    {
        return $this->flow->richardson();
    }

    /** Whether it has taken as many steps as it may on the grid asked for. */
    private function isSpent(): bool
    {
        return $this->finest && $this->controller->total() >= ($this->model->convergence->iterations ?? PHP_INT_MAX);
    }

    private function offer(): void
    {
        try {
            $this->listener->offer($this->picture(...), fn (): array => [$this->flow->state(), $this->done]);
        } catch (Diverged) {
            // There is no picture of this step. Whether the run itself diverges, its own next steps tell.
        }
    }

    /** What there is so far. The run goes on as if nobody had looked, or its answer would depend on the clock. */
    private function picture(): Solution
    {
        [$velocity, $pressure, $heat] = [$this->flow->level->velocity, $this->flow->level->pressure, $this->flow->heat];
        $this->flow->heat = clone $heat;
        try {
            $this->flow->conserveMass();
            $this->flow->heat->settle($this->flow->level->fluxes(), $this->flow->turbulence, 2, ConvergenceSettings::CLOSED_WITH_EDDIES);

            return $this->solution(false, false, false);
        } finally {
            [$this->flow->level->velocity, $this->flow->level->pressure, $this->flow->heat] = [$velocity, $pressure, $heat];
        }
    }

    /** The flow stays as it was found; fans show what they move. */
    private function heatOnly(): Solution
    {
        $rises = $this->flow->devices->rises();
        $this->flow->devices->update($this->flow->level->velocity);
        $this->flow->devices->setRises($rises);
        $settled = $this->closeHeat(ConvergenceSettings::PASSES, $this->flow->turbulence === null ? ConvergenceSettings::CLOSED_ON_FROZEN : ConvergenceSettings::CLOSED_WITH_EDDIES);
        $this->convergence->measure($this->flow->level->velocity);

        // A flow that is kept is not iterated on, and leaves nothing open.
        return $this->solution($settled, false, false);
    }

    /**
     * The temperatures on the flow as it is, to the change given, and more closely where little heat passes beside what conducts,
     * until the heat balance closes.
     *
     * @return bool whether the temperatures stay
     */
    private function closeHeat(int $mostPasses, float $stays): bool
    {
        $this->flow->conserveMass();
        $flux = $this->flow->level->fluxes();
        $settled = $this->flow->heat->settle($flux, $this->flow->turbulence, $mostPasses, $stays);
        for ($round = 0; $round < ConvergenceSettings::CLOSINGS && $settled && $this->isBalanced && ! $this->state()->balance()->holds(); $round++) {
            $this->flow->heat->settle($flux, $this->flow->turbulence, $mostPasses, $stays *= ConvergenceSettings::CLOSER);
        }

        return $settled;
    }

    /** @param array{array<int, float>, array<int, float>, array<int, float>}|array{} $unbalanced N on the faces, where it is told */
    private function state(array $unbalanced = []): State
    {
        $flow = $this->flow;
        $field = new FlowField($flow->domain, $flow->fluid, $flow->level->velocity, $flow->level->pressure, $flow->level->fluxes(), $flow->wallViscosity(), $flow->devices->operatingPoints(), $flow->gaps->summary(), $unbalanced);

        return new State($this->model, $this->voxels, $flow->heat->system, $flow->heat->cells(), $field, $flow->heat->currents(), $flow->heat->enclosure(), $flow->heat->boards());
    }

    /** @param bool $tells whether what iteration has left open in the momentum is told: it costs as much as half a step */
    private function solution(bool $converged, bool $stopped, bool $tells = true): Solution
    {
        $state = $this->state($tells ? $this->flow->unbalanced() : []);
        $fansOpen = $this->fans->isEmpty() ? 0.0 : $this->fans->open($state, $this->flow->devices);
        $residuals = $this->controller->residuals();
        $converged = $converged && (! $this->isBalanced || $state->balance()->holds()) && $fansOpen <= FanControls::NEAR;
        $outcome = new Outcome($converged, $stopped, $this->controller->total(), 1, $residuals[count($residuals) - 1] ?? 0.0, $residuals, (hrtime(true) - $this->started) / 1e9, $this->controller->open());

        $air = $state->flow === null ? null : new FrozenAir($state->flow, $this->flow->heat->changes(), $this->flow->heat->temperature);

        return new Solution($state, $outcome, [...$this->regime(), 'fansOpen' => $fansOpen], $this->done, $this->flow->state(), $this->run, $this->run->seconds(), air: $air);
    }

    private function report(): void
    {
        if (hrtime(true) / 1e9 - $this->lastReport > self::REPORT_PAUSE) {
            $this->lastReport = hrtime(true) / 1e9;
            // Before the first look there are temperatures nowhere.
            $seen = $this->convergence->temperatures() === [] ? null : LiveValues::of($this->model, $this->voxels, $this->flow->heat->system, $this->flow->heat->cells());
            $this->listener->report(new Progress('solving', $this->voxels->grid->count(), $this->controller->total(), $this->convergence->residual(), $seen?->worstMargin(), count($this->done) + 1, $seen->values ?? []));
        }
    }

    /** @return array<string, mixed> */
    private function regime(): array
    {
        return [
            ...$this->flow->regime(),
            'scheme' => $this->controller->method() === FlowMethod::Cycles ? 'multigrid' : 'SIMPLEC',
            ...$this->convergence->toArray(),
            'frozen' => $this->run->frozen,
            'amplitude' => $this->controller->average()?->amplitude(),
        ];
    }
}
