<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\ConvergenceTarget;
use Foehn\Numerics\Vectors;
use Foehn\Observe\PartTemperatures;
use Foehn\Physics\Flow\Diverged;

/** Whether a flow and its temperatures stand still, from what each step changes and from looks at the temperatures. */
final class FlowConvergence
{
    /** Relative change of the velocities, and of what moves with them, in the last step. */
    private float $change = INF;

    /** Mass imbalance after it, as a fraction of the flow through the space. */
    private float $mass = INF;

    /** Whether the state stood still when it was last looked at. */
    private bool $stands = false;

    /** Whether only looks at the temperatures told so, while velocities still moved. */
    private bool $byTemperatures = false;

    /** What the energy equation, solved to its end, moved the temperatures by that drive the flow, as a share of their spread. */
    private float $settled = 0.0;

    private readonly Steadiness $steadiness;

    /**
     * @param bool $heat whether temperatures are computed
     * @param bool $finest whether this is the grid asked for, or one on the way to it
     * @param ConvergenceTarget $target what is asked for beside what a flow must do anyway, on the grid asked for
     */
    public function __construct(private readonly FlowEquations $flow, private readonly Voxels $voxels, private readonly bool $heat, private readonly bool $finest, private readonly ConvergenceTarget $target = new ConvergenceTarget())
    {
        $this->steadiness = new Steadiness();
    }

    /**
     * Relative change of the velocities in a step, and the mass imbalance it left.
     *
     * @param list<array<int, float>> $before the fields before it
     * @throws Diverged
     */
    public function measure(array $before): void
    {
        $level = $this->flow->level;
        [$moved, $amount] = [0.0, 1e-300 + $this->flow->stillSpeed() * $this->voxels->grid->count()];
        foreach ([0, 1, 2] as $axis) {
            $moved += Vectors::distance($level->velocity[$axis], $before[$axis]);
            $amount += Vectors::amount($level->velocity[$axis]);
        }
        $flux = $level->fluxes();
        [, $open] = $level->imbalance($flux);
        if (! is_finite($moved + $amount + $open) || $amount >= ConvergenceSettings::DIVERGED * $this->flow->domain->layout->length) {
            throw new Diverged('the velocities diverge');
        }
        $this->change = max($moved / $amount, ConvergenceSettings::FAN_WEIGHT * $this->flow->devices->distance());
        $this->mass = $open / max($this->flow->throughFlow($flux), 1e-300);
    }

    /** Temperatures that are stepped along with the flow have moved by this fraction of their spread. */
    public function includeTemperature(float $moved): void
    {
        $this->change = max($this->change, $moved);
    }

    /** Relative change of the velocities, and of what moves with them, in the last step. */
    public function change(): float
    {
        return $this->change;
    }

    public function residual(): float
    {
        return max($this->change, $this->mass);
    }

    /** Whether temperatures are computed after a step to see if they stay. */
    public function looksAfter(int $step, Pace $pace): bool
    {
        $near = $this->finest && ! $this->flow->coupled ? ConvergenceSettings::NEAR : ConvergenceSettings::NEAR_ENOUGH;

        return $step % $pace->check === 0 && $this->residual() <= $near && ($this->hasTemperatures() || (! $this->heat && $this->flow->devices->freeSpeed() > 0.0));
    }

    /** Whether there are temperatures of parts to look at: fans and screens have none. */
    public function hasTemperatures(): bool
    {
        return $this->heat && array_sum($this->voxels->cellsOfPart) > 0;
    }

    /**
     * Looks whether the state after a step stands still. Temperatures are computed where only they can tell.
     *
     * @param float $relative how far a step of the scheme goes, as a fraction of one that is not damped
     */
    public function look(int $step, Pace $pace, float $relative): void
    {
        $slow = $this->change <= ($this->finest ? ConvergenceSettings::STEADY : ConvergenceSettings::STEADY_ON_THE_WAY) && $this->mass <= ConvergenceSettings::MASS;
        $this->byTemperatures = false;
        if ($slow && $this->finest && $this->flow->coupled) {
            $this->lookAtDrivingTemperatures();
        } elseif ($slow) {
            $this->stands = true;
        } elseif ($this->looksAfter($step, $pace)) {
            $this->lookAtWatched($relative);
            $this->stands = $this->byTemperatures = $this->steadiness->stands();
        } else {
            $this->stands = false;
        }
        if ($this->stands && ! $this->byTemperatures && $this->finest && $this->target->change !== null && $step % $pace->check === 0) {
            $this->lookAtWatched($relative);
        }
    }

    /** Whether velocities, and with them temperatures and fans, stood still at the last look. */
    public function isSteady(): bool
    {
        return $this->stands && (! $this->finest || ($this->flow->devices->distance() <= ConvergenceSettings::FANS_STEADY && $this->meetsTarget()));
    }

    private function meetsTarget(): bool
    {
        return $this->residual() <= ($this->target->residual ?? INF) && ($this->target->change === null || ($this->steadiness->movedMost() ?? INF) <= $this->target->change);
    }

    /** Temperatures and ways of the heat; where none are computed the air that fans and openings pass, and how fast it goes along each axis. */
    private function lookAtWatched(float $relative): void
    {
        if ($this->hasTemperatures()) {
            $this->lookAtParts($relative);
        } else {
            $this->steadiness->look([], $this->flow->fluid->temperature, $this->flow->circulation(), $this->flow->watched(), $relative);
        }
    }

    /** Solves the temperatures on the present flow and keeps the greatest of all parts, to see whether they stand still. */
    public function lookAtParts(float $relative): void
    {
        $this->flow->conserveMass();
        $this->flow->heat->settle($this->flow->level->fluxes(), $this->flow->turbulence, 2, ConvergenceSettings::CLOSED_WITH_EDDIES);
        $largest = [];
        foreach (PartTemperatures::of($this->voxels, $this->flow->heat->cells()) as $part) {
            $largest[] = $part['max'] ?? $this->flow->fluid->temperature;
        }
        $this->steadiness->look($largest, $this->flow->fluid->temperature, $this->flow->heat->ways(held: true), $this->flow->watched(), $relative);
    }

    /**
     * What further steps may still move, as a share: what the last looks at the temperatures leave where only these stood still; else the
     * changes of the last steps, continued at the rate at which they became smaller, and at least the mass that the last one left open.
     *
     * @param array<int, float> $changes in each step
     */
    public function open(array $changes): float
    {
        if ($this->byTemperatures) {
            return $this->steadiness->open();
        }
        $last = $changes[count($changes) - 1] ?? 0.0;
        $over = min(ConvergenceSettings::RATE_OVER, count($changes) - 1);
        $rate = $over < 1 ? 0.0 : min(SteadinessSettings::SLOWEST, ($last / max(1e-300, $changes[count($changes) - 1 - $over])) ** (1.0 / $over));

        return max($last * $rate / (1.0 - $rate), $changes === [] ? 0.0 : $this->mass, $this->settled);
    }

    /** @return array<int, float> greatest temperature of each part at the last look, K */
    public function temperatures(): array
    {
        return $this->steadiness->temperatures();
    }

    /** @return array{velocityChange: float, massImbalance: float, temperatureMove: ?float} what a result says of it */
    public function toArray(): array
    {
        return ['velocityChange' => $this->change, 'massImbalance' => $this->mass, 'temperatureMove' => $this->steadiness->moved()];
    }

    /**
     * Solves the energy equation to its end on the present flow: that must leave the temperatures that drive it where they are. The
     * stratified core of a cavity comes so slowly that no step shows it.
     */
    private function lookAtDrivingTemperatures(): void
    {
        $before = $this->flow->heat->temperature;
        $this->flow->conserveMass();
        $this->flow->heat->settle($this->flow->level->fluxes(), $this->flow->turbulence, ConvergenceSettings::PASSES, ConvergenceSettings::CLOSED_WITH_EDDIES);
        $this->settled = Vectors::distance($this->flow->heat->temperature, $before) / max(1e-300, $this->flow->spread() * $this->voxels->grid->count());
        $this->stands = $this->settled <= ConvergenceSettings::SETTLED;
    }
}
