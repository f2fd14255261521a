<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Anderson;
use Foehn\Physics\Flow\FlowScheme;

/** Steps of flow and heat with one scheme: what changes slowly is brought up to date now and then, the scheme and the energy equation make a step, and the acceleration goes on from there. */
final class FlowStepper
{
    public readonly Pace $pace;

    /** Steps since the damping was last changed. */
    private int $step = 0;

    private Anderson $anderson;

    /** @param bool $held whether inertia holds natural convection back, since it is turbulent */
    public function __construct(
        private readonly FlowEquations $flow,
        private readonly FlowConvergence $convergence,
        public readonly FlowScheme $scheme,
        public readonly FlowMethod $method,
        private readonly bool $held,
    ) {
        $this->pace = $method->pace();
        $this->anderson = new Anderson($this->pace->plain);
    }

    public function step(): int
    {
        return $this->step;
    }

    /** Counts steps, and the history of the acceleration, from here on. */
    public function startAnew(): void
    {
        $this->step = 0;
        $this->anderson = new Anderson($this->pace->plain);
    }

    /**
     * @param int $total steps with all schemes so far, this one included
     * @param bool $starts whether the first of them began with fluid at rest
     */
    public function advance(int $total, bool $starts): void
    {
        $this->step++;
        $fromRest = $starts && $total <= $this->pace->soft;
        $this->updateCoefficients($total, $fromRest);
        $before = $this->flow->fields();
        $this->flow->devices->update($this->flow->level->velocity);
        $this->flow->setSources();
        if ($this->flow->frictionChanged) {
            $this->scheme->coefficientsChanged();
            $this->flow->frictionChanged = false;
        }
        $this->scheme->step($this->inertia($fromRest));
        $this->convergence->measure($before);
        $this->heat();
        if (! $fromRest && $this->flow->devices->distance() < ControlSettings::FANS_NEAR) {
            $this->flow->setFields($this->anderson->next($before, $this->flow->fields(), $this->flow->scales()));
        }
    }

    private function updateCoefficients(int $total, bool $fromRest): void
    {
        if ($fromRest && $this->method === FlowMethod::Cycles) {
            $this->flow->startThick();
        } elseif ($total === $this->pace->soft + 1 || ($this->step - 1) % $this->pace->mixing === 0) {
            $this->flow->updateMixing();
            if ($this->flow->coupled && ($this->flow->turbulence !== null || ! $this->flow->gaps->isEmpty())) {
                $this->flow->heat->assemble($this->flow->turbulence);
            }
        }
    }

    /** A step of the energy equation where temperatures drive the flow; else now and then, unless they are about to be looked at anyway. */
    private function heat(): void
    {
        $flow = $this->flow;
        $plain = $this->method === FlowMethod::PlainIterations;
        if ($flow->coupled) {
            $flow->heat->followRadiation($flow->turbulence);
            $this->convergence->includeTemperature($flow->heat->step($flow->level->fluxes(), new Accuracy(0.0, mostIterations: $plain ? 1 : 2), 1.0, $plain ? ControlSettings::TEMPERATURE : 1.0));
        } elseif (($flow->forces->buoyant || $flow->density->mayVary()) && $this->step % $this->pace->heat === 0 && ! $this->convergence->looksAfter($this->step, $this->pace)) {
            $flow->heat->assemble($flow->turbulence);
            $flow->conserveMass();
            $flow->heat->step($flow->level->fluxes(), new Accuracy(1e-3, mostIterations: 6), 1.0);
        }
    }

    /** What holds the velocities back, kg/m2/s. */
    private function inertia(bool $fromRest): float
    {
        if ($this->method === FlowMethod::PlainIterations && $this->held) {
            return ControlSettings::INERTIA * $this->flow->fluid->density * $this->flow->freeFall();
        }
        $hold = $fromRest && $this->method->iterates() ? 1.0 - $this->step / $this->pace->soft : 0.0;

        return $hold * $this->flow->fluid->density * $this->flow->devices->freeSpeed();
    }
}
