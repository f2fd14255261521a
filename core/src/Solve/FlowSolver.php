<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Anderson;
use Foehn\Numerics\Vectors;
use Foehn\Observe\GridValues;
use Foehn\Observe\HeatBalance;
use Foehn\Observe\LiveValues;
use Foehn\Observe\PartTemperatures;
use Foehn\Observe\State;
use Foehn\Physics\Flow\Diverged;
use Foehn\Physics\Flow\FlowCycle;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Flow\FlowScheme;
use Foehn\Physics\Flow\PressureCorrection;
use Foehn\Physics\Flow\Simplec;
use Foehn\Physics\PhysicsException;

/**
 * Steady flow and heat on one grid. Multigrid cycles bring the flow to balance; where only buoyancy drives it, with a step of the
 * energy equation after each, and with SIMPLEC iterations instead when the two swing. Both are accelerated, damped when they do
 * not come nearer, started anew when they diverge, and averaged when they never settle.
 */
final class FlowSolver
{
    /** Sums of changes of velocity over sums of velocities, per step, at which the flow counts as steady. */
    private const STEADY = 2e-5;

    /** Mass imbalance summed over cells, of the flow through the space. */
    private const MASS = 1e-3;

    /** Flows around parts rarely settle to STEADY. They count as steady when temperatures stand still (see Steadiness) and changes and imbalances are at least below this: streams on their way may leave temperatures where they are for a while; ... */
    private const NEAR = 0.025;

    /** ... on the way to a finer grid, and where temperatures themselves drive the flow, below this. */
    private const NEAR_ENOUGH = 0.05;

    /** Mean change of the temperatures, as a share of their spread, that may be left to come where they alone drive the flow. */
    private const SETTLED = 1e-3;

    /** With "auto": from this Reynolds number on the flow counts as turbulent. */
    private const TURBULENT_FROM = 3000.0;

    /** The acceleration waits until every fan is this near to its curve, as a share of its greatest rise. */
    private const FANS_NEAR = 0.02;

    /** Every fan is this near to its curve, as a share of its greatest rise, before a flow on the finest grid counts as steady. */
    private const FANS_STEADY = 5e-4;

    /** A fan a hundredth of its greatest rise off its curve counts as much as velocities that change by this hundredth of that. */
    private const FAN_WEIGHT = 0.01;

    /** Relaxation of the momentum equation at the start of iterations. */
    private const ITERATIONS = 0.7;

    /** ... and of the temperature that moves the fluid alone. */
    private const TEMPERATURE = 0.5;

    /** From this Rayleigh number on temperature and flow swing against each other in cycles, and iterations are quicker. */
    private const SWINGS_FROM = 2e6;

    /** Share of the spread of the temperatures that a fluid at rest is stirred with; plain iterations let it grow, ... */
    private const UNREST = 0.02;

    /** ... cycles with acceleration find fluid at rest over a warm floor again unless it moves enough before that begins. */
    private const MUCH_UNREST = 0.25;

    /** Its momentum is held back as by a time step in which the speed of free fall passes two lengths of a cell; without it the iterations run away beyond a Rayleigh number of 1e9. */
    private const INERTIA = 0.5;

    /** Passes over the second-order correction of the energy equation at the end. */
    private const PASSES = 25;

    /** Mean change of the temperatures on a frozen flow between two passes, as a share of their spread, at which they count as steady. */
    private const FROZEN = 1e-5;

    /** How often, and by what factor, the change asked for is lowered until the heat balance closes. */
    private const CLOSINGS = 4;

    private const CLOSER = 1e-2;

    /** Undamped iterations a flow is averaged over that does not become steady, ... */
    private const AVERAGED = 150;

    /** ... after so many in which it leaves behind what the damping held, ... */
    private const AWAKES = 30;

    /** ... and between looks at its temperatures. */
    private const LOOK = 10;

    /** Change of the velocities at which a grid on the way to a finer one has done its part. */
    private const STEADY_ENOUGH = 1e-3;

    /** Mean speed that only a run has that diverges, m/s. */
    private const BEYOND = 1e5;

    private const MOST_RESTARTS = 3;

    private FlowEquations $flow;

    private FlowScheme $scheme;

    private Pace $pace;

    private Anderson $anderson;

    private PressureCorrection $pressure;

    /** Whether SIMPLEC has taken over from the cycles. */
    private bool $iterates = false;

    /** Whether natural convection goes on in plain iterations, which need no acceleration. */
    private bool $plain = false;

    /** ... and is held back by inertia, since it is turbulent. */
    private bool $held = false;

    /** Steps done with the present scheme and damping, and in all. */
    private int $step = 0;

    private int $total = 0;

    private int $restarts = 0;

    private bool $decided = false;

    /** @var list<float> */
    private array $residuals = [];

    /** Where in the residuals the present damping began. */
    private int $since = 0;

    private float $change = INF;

    private float $mass = INF;

    /** Whether the state stood still when it was last looked at. */
    private bool $stands = false;

    private int|float $started = 0;

    private float $lastReport = 0.0;

    private Steadiness $steadiness;

    /**
     * @param bool $finest whether this is the grid asked for, or one on the way to it
     * @param list<GridValues> $done levels before this one
     * @param Start $run what the whole computation, over all its grids, starts from
     */
    public function __construct(
        private readonly Model $model,
        private readonly Voxels $voxels,
        private readonly ProgressListener $listener,
        private readonly ?FlowState $start = null,
        private readonly bool $finest = true,
        private readonly array $done = [],
        private readonly Start $run = new Start(),
    ) {
    }

    /** @throws PhysicsException */
    public function solve(): Solution
    {
        $this->started = hrtime(true);
        $this->steadiness = new Steadiness();
        $this->flow = new FlowEquations($this->model, $this->voxels);
        $this->begin($this->start);
        if ($this->run->frozen) {
            return $this->heatOnly();
        }
        $steady = $stopped = false;
        $average = null;
        while (! $stopped && ! $steady && ($average === null || ! $average->isFull())) {
            try {
                $this->advance();
                if ($average !== null) {
                    $this->addTo($average);
                }
                $steady = false;
                if ($average === null) {
                    $this->lookForRest();
                    $steady = $this->isSteady() && $this->judge();
                }
            } catch (Diverged) {
                $average = null;
                $this->restart();
                continue;
            }
            if ($average === null && ($this->isStuck() || $this->step >= $this->pace->most) && ! $this->soften()) {
                $average = $this->letSwing();
            }
            $this->report();
            $stopped = $this->listener->shouldStop();
            if (! $stopped && ! $steady && $average === null) {
                $this->offer();
            }
        }
        $mean = $average?->mean() ?? [];
        if ($mean !== []) {
            $this->flow->level->velocity = [$mean[0], $mean[1], $mean[2]];
            [$this->flow->level->pressure, $this->flow->heat->temperature] = [$mean[3], $mean[4]];
        }
        $this->flow->updateMixing();
        $this->closeHeat($stopped ? 2 : self::PASSES, $this->flow->turbulence === null ? 1e-6 : 1e-4);

        return $this->solution($steady && ! $stopped, $stopped, $average);
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
            $this->flow->heat->settle($this->flow->level->fluxes(), $this->flow->turbulence, 2, 1e-4);

            return $this->solution(false, false, null);
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
        $settled = $this->closeHeat(self::PASSES, $this->flow->turbulence === null ? self::FROZEN : 1e-4);
        $this->measure($this->flow->level->velocity);

        return $this->solution($settled, false, null);
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
        for ($round = 0; $round < self::CLOSINGS && $settled && ! $this->balance()->holds(); $round++) {
            $this->flow->heat->settle($flux, $this->flow->turbulence, $mostPasses, $stays *= self::CLOSER);
        }

        return $settled;
    }

    private function balance(): HeatBalance
    {
        return HeatBalance::of($this->flow->heat->system, $this->flow->heat->cells(), FlowField::of($this->flow->domain, $this->flow->fluid, $this->flow->level));
    }

    private function solution(bool $converged, bool $stopped, ?FlowAverage $average): Solution
    {
        $flow = $this->flow;
        $field = new FlowField($flow->domain, $flow->fluid, $flow->level->velocity, $flow->level->pressure, $flow->level->fluxes(), $flow->devices->operatingPoints(), $flow->gaps->summary());
        $state = new State($this->model, $this->voxels, $flow->heat->system, $flow->heat->cells(), $field, $flow->heat->currents());
        $converged = $converged && (! $this->model->physics->heat || $state->balance()->holds());
        $outcome = new Outcome($converged, $stopped, $this->total, 1, $this->residuals[count($this->residuals) - 1] ?? 0.0, $this->residuals, (hrtime(true) - $this->started) / 1e9);

        return new Solution($state, $outcome, $this->regime($average), $this->done, $flow->state(), $this->run, $this->run->seconds());
    }

    /** The state to start from, and the scheme for it. */
    private function begin(?FlowState $start): void
    {
        $this->flow->begin($start);
        // What a grid before this one has found holds; where a flow of another model comes from may have been different air.
        $this->decided = $this->done !== [];
        if ($this->flow->buoyantOnly && $this->flow->rayleigh() > self::SWINGS_FROM && $this->restarts === 0) {
            $this->iterates = $this->plain = true;
            $this->held = $this->flow->rayleigh() > FlowEquations::TURBULENT_FROM;
        }
        if ($this->flow->buoyantOnly && $this->flow->isStill()) {
            $this->flow->stir($this->plain ? self::UNREST : self::MUCH_UNREST);
        }
        $this->pressure = $this->pressureCorrection();
        $this->use($this->iterates
            ? $this->iterations()
            : new FlowCycle($this->flow->level, $this->flow->coupled || $this->flow->turbulence !== null ? FlowCycle::LIVELY : FlowCycle::LAMINAR));
    }

    /** Only the acceleration of natural convection needs it close. */
    private function pressureCorrection(): PressureCorrection
    {
        return new PressureCorrection($this->flow->domain, $this->flow->coupled && ! $this->plain ? PressureCorrection::close() : PressureCorrection::rough());
    }

    private function iterations(): Simplec
    {
        return new Simplec($this->flow->level, $this->pressure, self::ITERATIONS);
    }

    private function use(FlowScheme $scheme): void
    {
        $this->scheme = $scheme;
        $this->pace = match (true) {
            $scheme instanceof FlowCycle => Pace::cycles(),
            $this->plain => Pace::convection(),
            default => Pace::iterations(),
        };
        $this->anderson = new Anderson($this->pace->plain);
        $this->step = 0;
        $this->since = count($this->residuals);
    }

    private function advance(): void
    {
        $this->step++;
        $this->total++;
        $fromRest = $this->start === null && $this->total <= $this->pace->soft;
        if ($fromRest && $this->scheme instanceof FlowCycle) {
            $this->flow->startThick();
        } elseif ($this->total === $this->pace->soft + 1 || ($this->step - 1) % $this->pace->mixing === 0) {
            $this->flow->updateMixing();
            if ($this->flow->coupled && ($this->flow->turbulence !== null || ! $this->flow->gaps->isEmpty())) {
                $this->flow->heat->assemble($this->flow->turbulence);
            }
        }
        $before = $this->flow->fields();
        $this->flow->devices->update($this->flow->level->velocity);
        $this->flow->setSources();
        if ($this->flow->frictionChanged) {
            $this->scheme->coefficientsChanged();
            $this->flow->frictionChanged = false;
        }
        $this->scheme->step($this->inertia($fromRest));
        $this->measure($before);
        if ($this->flow->coupled) {
            $moved = $this->flow->heat->step($this->flow->level->fluxes(), new Accuracy(0.0, mostIterations: $this->plain ? 1 : 2), 1.0, $this->plain ? self::TEMPERATURE : 1.0);
            $this->change = max($this->change, $moved);
        } elseif (($this->flow->forces->buoyant || $this->flow->density->mayVary()) && $this->step % $this->pace->heat === 0 && ! $this->looks()) {
            $this->flow->heat->assemble($this->flow->turbulence);
            $this->flow->conserveMass();
            $this->flow->heat->step($this->flow->level->fluxes(), new Accuracy(1e-3, mostIterations: 6), 1.0);
        }
        if (! $fromRest && $this->flow->devices->distance() < self::FANS_NEAR) {
            $this->flow->setFields($this->anderson->next($before, $this->flow->fields(), $this->flow->scales()));
        }
        $this->residuals[] = max($this->change, $this->mass);
        if ($this->step >= $this->pace->decide) {
            $this->judge();
        }
    }

    /** What holds the velocities back, kg/m2/s. */
    private function inertia(bool $fromRest): float
    {
        if ($this->plain && $this->held) {
            return self::INERTIA * $this->flow->fluid->density * $this->flow->freeFall();
        }
        $hold = $fromRest && ! $this->scheme instanceof FlowCycle ? 1.0 - $this->step / $this->pace->soft : 0.0;

        return $hold * $this->flow->fluid->density * $this->flow->devices->freeSpeed();
    }

    /**
     * Relative change of the velocities in this step, and the mass imbalance it left.
     *
     * @throws Diverged
     */
    private function measure(mixed $before): void
    {
        [$moved, $amount] = [0.0, 1e-300 + $this->flow->stillSpeed() * $this->voxels->grid->count()];
        foreach ([0, 1, 2] as $axis) {
            $moved += Vectors::distance($this->flow->level->velocity[$axis], $before[$axis]);
            $amount += Vectors::amount($this->flow->level->velocity[$axis]);
        }
        $flux = $this->flow->level->fluxes();
        [, $open] = $this->flow->level->imbalance($flux);
        if (! is_finite($moved + $amount + $open) || $amount >= self::BEYOND * $this->flow->domain->layout->length) {
            throw new Diverged('the velocities diverge');
        }
        $this->change = max($moved / $amount, self::FAN_WEIGHT * $this->flow->devices->distance());
        $this->mass = $open / max($this->flow->throughFlow($flux), 1e-300);
    }

    /** Whether velocities, and with them temperatures and fans, stood still when lookForRest() last looked. */
    private function isSteady(): bool
    {
        return $this->stands && (! $this->finest || $this->flow->devices->distance() <= self::FANS_STEADY);
    }

    /** Looks whether the state after this step stands still; temperatures are computed where only they can tell. */
    private function lookForRest(): void
    {
        $slow = $this->change <= ($this->finest ? self::STEADY : self::STEADY_ENOUGH) && $this->mass <= self::MASS;
        if ($slow && $this->finest && $this->flow->coupled) {
            $this->lookAtDrivingTemperatures();
        } elseif ($slow) {
            $this->stands = true;
        } elseif ($this->looks()) {
            $this->lookAtParts();
            $this->stands = $this->steadiness->stands();
        } else {
            $this->stands = false;
        }
    }

    /** Whether temperatures are computed after this step to see if they stay. */
    private function looks(): bool
    {
        $near = $this->finest && ! $this->flow->coupled ? self::NEAR : self::NEAR_ENOUGH;

        return $this->step % $this->pace->check === 0 && max($this->change, $this->mass) <= $near && $this->hasTemperatures();
    }

    /** Whether there are temperatures of parts to look at: fans and screens have none. */
    private function hasTemperatures(): bool
    {
        return $this->model->physics->heat && array_sum($this->voxels->cellsOfPart) > 0;
    }

    /**
     * Solves the energy equation to its end on the present flow: that must leave the temperatures that drive it where they are. The
     * stratified core of a cavity comes so slowly that no step shows it.
     */
    private function lookAtDrivingTemperatures(): void
    {
        $before = $this->flow->heat->temperature;
        $this->flow->conserveMass();
        $this->flow->heat->settle($this->flow->level->fluxes(), $this->flow->turbulence, self::PASSES, 1e-4);
        $this->stands = Vectors::distance($this->flow->heat->temperature, $before) <= self::SETTLED * $this->flow->spread() * $this->voxels->grid->count();
    }

    /** Solves the temperatures on the present flow and keeps the greatest of all parts, to see whether they stand still. */
    private function lookAtParts(): void
    {
        $this->flow->conserveMass();
        $this->flow->heat->settle($this->flow->level->fluxes(), $this->flow->turbulence, 2, 1e-4);
        $largest = [];
        foreach (PartTemperatures::of($this->voxels, $this->flow->heat->cells()) as $part) {
            $largest[] = $part['max'] ?? $this->flow->fluid->temperature;
        }
        $this->steadiness->look($largest, $this->flow->fluid->temperature, $this->flow->heat->ways(held: true), $this->flow->watched(), $this->scheme->pace());
    }

    /** Whether the least residual of the last steps is hardly below the least before them. */
    private function isStuck(): bool
    {
        $since = array_slice($this->residuals, $this->since);
        if (count($since) < 2 * $this->pace->patience) {
            return false;
        }

        return min(array_slice($since, -$this->pace->patience)) > 0.7 * min(array_slice($since, 0, -$this->pace->patience));
    }

    /** Damps more strongly, at last with SIMPLEC; false when nothing is left to try. */
    private function soften(): bool
    {
        $this->anderson = new Anderson($this->pace->plain);
        $this->since = count($this->residuals);
        $this->step = 0;
        if ($this->flow->coupled && ! $this->iterates) {
            // Cycles that swing with the temperature have left the start behind; iterations do better from there. An acceleration may
            // find fluid at rest over a warm floor again, plain iterations grow away from it.
            $this->iterates = $this->plain = true;
            $this->begin($this->start);

            return true;
        }
        if ($this->plain) {
            $this->plain = false;
            $this->pressure = $this->pressureCorrection();
            $this->use($this->iterations());

            return true;
        }
        if ($this->scheme->soften()) {
            return true;
        }
        if ($this->iterates) {
            return false;
        }
        $this->iterates = true;
        $this->use($this->iterations());

        return true;
    }

    /** What never settles is shown in the mean of its swings, which damping would hide. */
    private function letSwing(): FlowAverage
    {
        $this->use($this->iterations());

        return new FlowAverage(self::AVERAGED);
    }

    private function addTo(FlowAverage $average): void
    {
        if ($this->step <= self::AWAKES) {
            return;
        }
        $looks = $this->step % self::LOOK === 0 && $this->hasTemperatures();
        if ($looks) {
            $this->lookAtParts();
        }
        $average->add([...$this->flow->level->velocity, $this->flow->level->pressure, $this->flow->heat->temperature], $looks ? $this->steadiness->temperatures() : []);
    }

    /** @throws PhysicsException */
    private function restart(): void
    {
        if (++$this->restarts > self::MOST_RESTARTS) {
            throw new PhysicsException('the flow diverges however strongly it is damped; look for very large speeds or powers, for a fan or inlet without a way out, and for cells much smaller than their neighbours (grid report)');
        }
        $this->residuals = [];
        $this->plain = false;
        $this->iterates = $this->iterates || $this->restarts === self::MOST_RESTARTS;
        $this->begin($this->start);
        $this->flow->devices->setRises([]);
        for ($n = 0; $n < $this->restarts; $n++) {
            $this->scheme->soften();
        }
        $this->total = 0;
    }

    /** With "auto": finds out once whether the flow that has taken shape is turbulent at all. False when it was computed the other way until now. */
    private function judge(): bool
    {
        if ($this->decided || ! $this->flow->mayJudge()) {
            return true;
        }
        $this->decided = true;

        return ! $this->flow->become($this->flow->reynolds() >= self::TURBULENT_FROM || ($this->flow->forces->buoyant && $this->flow->rayleigh() >= FlowEquations::TURBULENT_FROM));
    }

    private function report(): void
    {
        if (hrtime(true) / 1e9 - $this->lastReport > 0.2) {
            $this->lastReport = hrtime(true) / 1e9;
            // Before the first check there are temperatures nowhere.
            $seen = $this->steadiness->temperatures() === [] ? null : LiveValues::of($this->model, $this->voxels, $this->flow->heat->system, $this->flow->heat->cells());
            $this->listener->report(new Progress('solving', $this->voxels->grid->count(), $this->total, max($this->change, $this->mass), $seen?->worstMargin(), count($this->done) + 1, $seen->values ?? []));
        }
    }

    /** @return array<string, mixed> */
    private function regime(?FlowAverage $average): array
    {
        return [
            'chosen' => $this->model->physics->flow,
            'model' => $this->flow->turbulence === null ? 'laminar' : 'turbulent',
            'reynolds' => $this->flow->fluid->powerLaw === null ? $this->flow->reynolds() : null,
            'rayleigh' => $this->flow->forces->buoyant ? $this->flow->rayleigh() : null,
            'buoyancy' => $this->flow->forces->buoyant,
            'densityVaries' => $this->flow->density->varies(),
            'scheme' => $this->scheme instanceof FlowCycle ? 'multigrid' : 'SIMPLEC',
            'velocityChange' => $this->change,
            'massImbalance' => $this->mass,
            'temperatureMove' => $this->steadiness->moved(),
            'frozen' => $this->run->frozen,
            'amplitude' => $average?->amplitude(),
        ];
    }
}
