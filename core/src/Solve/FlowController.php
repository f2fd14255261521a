<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Physics\Flow\FlowCycle;
use Foehn\Physics\Flow\PressureCorrection;
use Foehn\Physics\Flow\Simplec;
use Foehn\Physics\PhysicsException;

/**
 * Chooses how a flow is brought to rest. Multigrid cycles come first; where only buoyancy drives the flow and it is strong,
 * iterations do. A run that does not come nearer is damped, then goes on with iterations. One that diverges starts anew, damped
 * from the beginning. One that is left with nothing to try is averaged.
 */
final class FlowController
{
    private FlowStepper $stepper;

    private FlowMethod $method = FlowMethod::Cycles;

    /** Whether natural convection is held back by inertia, since it is turbulent. */
    private bool $held = false;

    private PressureCorrection $pressure;

    /** Steps done since the last start. */
    private int $total = 0;

    private int $restarts = 0;

    /** Whether the flow has been judged laminar or turbulent. */
    private bool $decided;

    /** @var array<int, float> */
    private array $residuals = [];

    /** @var array<int, float> relative change of the velocities, and of what moves with them, in each of these steps */
    private array $changes = [];

    /** Where in the residuals the present damping began. */
    private int $since = 0;

    private ?FlowAverage $average = null;

    /**
     * @param ?FlowState $start null: fluid at rest
     * @param bool $judged whether a coarser grid has found the flow laminar or turbulent; a flow of another model may have been different air
     * @param bool $keeps whether the flow stays as it starts, so that nothing is to be stepped
     */
    public function __construct(private readonly FlowEquations $flow, private readonly FlowConvergence $convergence, private readonly ?FlowState $start, private readonly bool $judged, bool $keeps = false)
    {
        if ($keeps) {
            $flow->begin($start);
        } else {
            $this->begin();
        }
    }

    public function total(): int
    {
        return $this->total;
    }

    /** @return array<int, float> after each step */
    public function residuals(): array
    {
        return $this->residuals;
    }

    /** What further steps may still move, as a share. */
    public function open(): float
    {
        return $this->convergence->open($this->changes);
    }

    public function method(): FlowMethod
    {
        return $this->method;
    }

    /** The mean of a flow that has been left to swing; null as long as it is to become steady. */
    public function average(): ?FlowAverage
    {
        return $this->average;
    }

    /** One step; whether the flow is steady after it. */
    public function advance(): bool
    {
        $this->stepper->advance(++$this->total, $this->start === null);
        $this->residuals[] = $this->convergence->residual();
        $this->changes[] = $this->convergence->change();
        if ($this->stepper->step() >= $this->stepper->pace->decide) {
            $this->judge();
        }
        if ($this->average !== null) {
            $this->addTo($this->average);

            return false;
        }
        $this->convergence->look($this->stepper->step(), $this->stepper->pace, $this->stepper->scheme->pace());

        return $this->convergence->isSteady() && $this->judge();
    }

    /**
     * Damps a run that is stuck or takes too long, or averages it where nothing is left to try.
     *
     * @return bool whether it is averaged from now on
     */
    public function helpWhereStuck(): bool
    {
        if ($this->average !== null || (! $this->isStuck() && $this->stepper->step() < $this->stepper->pace->most) || $this->soften()) {
            return false;
        }
        // What never settles is shown in the mean of its swings, which damping would hide.
        $this->iterate();
        $this->average = new FlowAverage(ControlSettings::AVERAGED);

        return true;
    }

    /** @throws PhysicsException when it has diverged too often */
    public function restart(): void
    {
        $this->average = null;
        if (++$this->restarts > ControlSettings::MOST_RESTARTS) {
            throw new PhysicsException('the flow diverges however strongly it is damped; look for very large speeds or powers, for a fan or inlet without a way out, and for cells much smaller than their neighbours (grid report)');
        }
        $this->residuals = $this->changes = [];
        $this->method = $this->method->iterates() || $this->restarts === ControlSettings::MOST_RESTARTS ? FlowMethod::Iterations : FlowMethod::Cycles;
        $this->begin();
        $this->flow->devices->setRises([]);
        for ($n = 0; $n < $this->restarts; $n++) {
            $this->stepper->scheme->soften();
        }
        $this->total = 0;
    }

    /** The state to start from, and the scheme for it. */
    private function begin(): void
    {
        $flow = $this->flow;
        $flow->begin($this->start);
        $this->decided = $this->judged;
        if ($flow->buoyantOnly && $flow->rayleigh() > ControlSettings::SWINGS_FROM && $this->restarts === 0) {
            $this->method = FlowMethod::PlainIterations;
            $this->held = $flow->rayleigh() > FlowEquations::TURBULENT_FROM;
        }
        if ($flow->buoyantOnly && $flow->isStill()) {
            $flow->stir($this->method === FlowMethod::PlainIterations ? ControlSettings::UNREST : ControlSettings::MUCH_UNREST);
        }
        $this->pressure = $this->pressureCorrection();
        if ($this->method->iterates()) {
            $this->iterate();
        } else {
            $this->use(new FlowStepper($flow, $this->convergence, new FlowCycle($flow->level, $flow->coupled || $flow->turbulence !== null ? FlowCycle::LIVELY : FlowCycle::LAMINAR), $this->method, $this->held));
        }
    }

    /** Only the acceleration of natural convection needs it close. */
    private function pressureCorrection(): PressureCorrection
    {
        return new PressureCorrection($this->flow->domain, $this->flow->coupled && $this->method !== FlowMethod::PlainIterations ? PressureCorrection::close() : PressureCorrection::rough());
    }

    private function iterate(): void
    {
        $this->method = $this->method->iterates() ? $this->method : FlowMethod::Iterations;
        $this->use(new FlowStepper($this->flow, $this->convergence, new Simplec($this->flow->level, $this->pressure, ControlSettings::ITERATIONS), $this->method, $this->held));
    }

    private function use(FlowStepper $stepper): void
    {
        $this->stepper = $stepper;
        $this->since = count($this->residuals);
    }

    /** Whether the least residual of the last steps is hardly below the least before them. */
    private function isStuck(): bool
    {
        $since = array_slice($this->residuals, $this->since);
        $patience = $this->stepper->pace->patience;
        [$before, $last] = [array_slice($since, 0, -$patience), array_slice($since, -$patience)];
        if (count($before) < $patience || $before === [] || $last === []) {
            return false;
        }

        return min($last) > ControlSettings::STUCK * min($before);
    }

    /** Damps more strongly, at last with iterations; false when nothing is left to try. */
    private function soften(): bool
    {
        $this->stepper->startAnew();
        $this->since = count($this->residuals);
        if ($this->flow->coupled && ! $this->method->iterates()) {
            // Cycles that swing with the temperature have left the start behind. Iterations do better from there.
            $this->method = FlowMethod::PlainIterations;
            $this->begin();

            return true;
        }
        if ($this->method === FlowMethod::PlainIterations) {
            $this->method = FlowMethod::Iterations;
            $this->pressure = $this->pressureCorrection();
            $this->iterate();

            return true;
        }
        if ($this->stepper->scheme->soften()) {
            return true;
        }
        if ($this->method->iterates()) {
            return false;
        }
        $this->iterate();

        return true;
    }

    private function addTo(FlowAverage $average): void
    {
        if ($this->stepper->step() <= ControlSettings::AWAKES) {
            return;
        }
        $looks = $this->stepper->step() % ControlSettings::LOOK === 0 && $this->convergence->hasTemperatures();
        if ($looks) {
            $this->convergence->lookAtParts($this->stepper->scheme->pace());
        }
        $level = $this->flow->level;
        $average->add([...$level->velocity, $level->pressure, $this->flow->heat->temperature], $looks ? $this->convergence->temperatures() : []);
    }

    /** With "auto": finds out once whether the flow that has taken shape is turbulent at all. False when it was computed the other way until now. */
    private function judge(): bool
    {
        if ($this->decided || ! $this->flow->mayJudge()) {
            return true;
        }
        $this->decided = true;
        $turbulent = $this->flow->reynolds() >= ControlSettings::TURBULENT_FROM || ($this->flow->forces->buoyant && $this->flow->rayleigh() >= FlowEquations::TURBULENT_FROM);

        return ! $this->flow->become($turbulent);
    }
}
