<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Codec\ModelInTime;
use Foehn\Grid\Voxels;
use Foehn\Model\CurveControl;
use Foehn\Model\Transient;
use Foehn\Numerics\Anderson;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\Vectors;
use Foehn\Observe\Fields;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\Heat\HeatCapacities;
use Foehn\Physics\Heat\StoredHeat;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;
use LogicException;

/** Heat in the course of time, in steps that land on everything that jumps, switches or is asked for. */
final class TransientDriver
{
    /** Between two reports, s. */
    private const REPORT_PAUSE = 0.2;

    private readonly Transient $time;

    private readonly ?CourseState $from;

    private Voxels $voxels;

    private HeatInTime $heat;

    private ?AirInTime $air = null;

    private TimeStepper $stepper;

    private StepLength $length;

    private Switching $switching;

    private Junctions $junctions;

    private Moment $now;

    /** @var list<ControlState> */
    private array $controls = [];

    private Course $course;

    private float $lastReport = 0.0;

    /** s wanted for the next step; null: as at a start. */
    private ?float $step = null;

    public function __construct(
        private readonly ModelInTime $model,
        private readonly string $grade,
        private readonly ProgressListener $listener = new SilentListener(),
        private readonly LinkStore $links = new LinkStore(),
        ?CourseState $from = null,
        private readonly ?KeptTemperatures $kept = null,
    ) {
        $this->time = $model->start->time ?? throw new LogicException('a steady model has no course in time');
        // A period that is computed again and again begins anew.
        $this->from = $this->time->isPeriodic ? null : $from;
        $this->course = $this->from->course ?? new Course();
    }

    /**
     * @throws \Foehn\Grid\GridException
     * @throws PhysicsException
     */
    public function solve(): Solution
    {
        $started = hrtime(true);
        $unfinished = $this->begin();
        if ($unfinished !== null) {
            return $unfinished;
        }
        $stopped = $this->time->isPeriodic ? $this->repeated() : $this->run();
        foreach ($this->controls as $control) {
            if ($control->chatters()) {
                $this->course->chattering[] = $this->model->start->parts[$control->part]->name;
            }
        }
        array_push($this->course->notes, ...($this->air?->notes() ?? []));
        $seconds = (hrtime(true) - $started) / 1e9;
        $converged = ! $stopped && $this->course->open === '' && $this->course->error() <= TimeSettings::CLOSES;
        $outcome = new Outcome($converged, $stopped, $this->stepper->iterations(), 1, $this->course->error(), [], $seconds);

        return new Solution($this->state(true), $outcome, $this->air?->regime() ?? [], spent: $seconds, course: $this->course);
    }

    /**
     * From where it is to the end.
     *
     * @return bool whether it was stopped
     * @throws PhysicsException
     */
    private function run(): bool
    {
        $this->step = $this->from?->step;
        $stopped = false;
        foreach ($this->moments() as $moment) {
            while ($this->now->time < $moment && ! $stopped) {
                $next = $this->nextMoment($moment);
                try {
                    $this->advance($this->step ?? $this->length->first($this->now, $next), $next);
                    $this->report();
                    $stopped = $this->listener->shouldStop();
                } catch (StoppedOnTheWay) {
                    $stopped = true;
                }
                $this->offer($stopped || $this->now->time >= $this->time->end);
            }
        }

        return $stopped;
    }

    /**
     * The period over and over from temperatures that Anderson's acceleration brings to those of its end.
     *
     * @return bool whether it was stopped
     * @throws PhysicsException where it cannot repeat itself
     */
    private function repeated(): bool
    {
        $this->requireRepetition();
        $anderson = new Anderson(0);
        for ($period = 1; ; $period++) {
            $begun = $this->now->x;
            if ($this->run()) {
                return true;
            }
            $this->course->periods = $period;
            $change = Vectors::largest(Vectors::plus($this->now->x, -1.0, $begun));
            if ($change <= TimeSettings::REPEATS * $this->time->tolerance) {
                return false;
            }
            if ($period === TimeSettings::MOST_PERIODS) {
                $this->course->open = sprintf('after %d periods temperatures still change by %.2g K over one', $period, $change);

                return false;
            }
            [$x] = $anderson->next([$begun], [$this->now->x], [1.0]);
            $least = $this->course->least;
            $this->course = new Course();
            $this->course->least = $least;
            $this->now = $this->stepper->begin(0.0, $x);
            $this->junctions->jump($this->watts(false));
            $this->note(false);
        }
    }

    /** @throws PhysicsException */
    private function requireRepetition(): void
    {
        if ($this->model->at(0.0)[1] !== $this->model->at($this->time->end)[1]) {
            throw new PhysicsException(sprintf('what is to repeat itself every %g s has other loads at its end than at its start; give schedules that repeat, and an end of a whole number of periods', $this->time->end));
        }
        foreach ($this->controls as $control) {
            if (! $control->control instanceof CurveControl || $control->control->sensor()->deadTime > 0.0 || $control->speed() !== null) {
                throw new PhysicsException(sprintf('"%s" is under a control that does not follow the period; the periodic state is one of schedules and of curves of watts without a dead time', $this->model->start->parts[$control->part]->name));
            }
        }
    }

    /**
     * The temperatures at the start, and everything that is made once.
     *
     * @return ?Solution of the steady state, where it was stopped
     * @throws PhysicsException
     */
    private function begin(): ?Solution
    {
        $start = CourseStart::find($this->model, $this->time, $this->grade, $this->listener, $this->links, $this->from, $this->kept);
        if ($start instanceof Solution) {
            return $start;
        }
        [$this->voxels, $this->air] = [$start->voxels, $start->air];
        $reference = $start->model->surroundings->temperature;
        $this->heat = new HeatInTime($this->model, $this->grade, $this->voxels, $this->links, $this->air);
        $x = $this->rises($start->temperature, $reference);
        if ($this->from === null) {
            $heat = $this->heat->at(0.0, false, $start->temperature);
            $this->controls = Controls::begin($this->stateOf($heat, $start->temperature), $heat->coupling, $x);
        } else {
            $this->controls = $this->from->controls;
        }
        Controls::drive($this->controls, $this->model);
        $follows = $this->air !== null && $this->time->air === Transient::FOLLOWS;
        $stored = $this->heat->isComputed() ? HeatCapacities::of($start->model, $this->voxels, ! $follows) : new StoredHeat([]);
        $this->stepper = new TimeStepper($this->heat, $stored, $reference, $this->time->tolerance, $this->controls, $follows ? $this->voxels->ofFluid() : []);
        $this->length = new StepLength($this->time, $this->stepper, $this->controls, $this->air);
        $this->switching = new Switching($this->stepper, $this->controls);
        $this->junctions = $this->from->junctions ?? Junctions::begin($start->model->beforeStart(), $this->time->startsSteady());
        $this->course->least = $this->time->tolerance * array_sum($stored->capacities);
        if ($this->from !== null && count($this->from->now->x) === count($x)) {
            $this->now = $this->from->now;
            if ($follows) {
                // It may have been stopped while the air was about to.
                $this->heat->at($this->now->time, false, $this->stepper->temperatures($this->now->x));
                $this->letAirFollow();
            }
        } else {
            $this->now = $this->stepper->begin(0.0, $x, true);
            $this->junctions->jump($this->watts(false));
            $this->note(false);
        }

        return null;
    }

    /** @return list<float> s, to land on */
    private function moments(): array
    {
        $inside = array_filter([...$this->model->edges, ...$this->time->keep], fn (float $t): bool => $t > 0.0 && $t < $this->time->end);
        $moments = array_values(array_unique([...$inside, $this->time->end]));
        sort($moments);

        return $moments;
    }

    /** The moment before a given one from when on a thermostat may switch that would already, s. */
    private function nextMoment(float $moment): float
    {
        foreach ($this->controls as $control) {
            $free = $control->free();
            $moment = $free > $this->now->time && $free < $moment ? $free : $moment;
        }

        return $moment;
    }

    /**
     * One step taken.
     *
     * @param float $step s that is wanted
     * @param float $next s, moment to land on
     * @throws PhysicsException where no step is short enough
     */
    private function advance(float $step, float $next): void
    {
        $left = $next - $this->now->time;
        do {
            [$length, $count] = $this->length->within($left, $step, $this->now->last);
            $flow = $this->air?->attempt($this->now, $length, $this->stepper->temperatures(TimeStepper::ahead($this->now, $length))) ?? 0.0;
            $trial = $flow > 1.0 && $this->time->step === null ? null : $this->stepper->attempt($this->now, $length);
            $growth = $this->length->growth($trial, $flow);
            $isGood = $growth >= TimeSettings::SAFETY;
            if (! $isGood) {
                $this->course->rejected++;
                $step = $length * max(TimeSettings::LEAST_GROWTH, $growth);
            }
            if ($step < $this->length->shortest()) {
                throw new PhysicsException(sprintf('at %g s no step is short enough: temperatures move too fast for a tolerance of %g K; look for parts of almost no heat capacity with many watts', $this->now->time, $this->time->tolerance));
            }
        } while ($trial === null || ! $isGood);
        $step = max($step, $length);
        [$taken, $switching] = $this->switching->within($this->now, $trial);
        $landed = $count === 1 && $switching === null;
        $this->accept($taken, $landed ? $next : $this->now->time + $taken->step);
        $this->step = $growth >= TimeSettings::WORTH ? $step * min($growth, TimeSettings::MOST_GROWTH) : $step;
        $jumps = $landed && in_array($next, $this->model->edges, true);
        if ($this->switched($switching) || $jumps) {
            $this->course->kinks[] = count($this->course->times) - 1;
            $this->step = null;
            $this->now = $this->stepper->begin($this->now->time, $this->now->x);
            $this->junctions->jump($this->watts(false));
        } elseif (Controls::adjust($this->controls, $this->model, $this->now->time)) {
            $this->now = $this->stepper->begin($this->now->time, $this->now->x);
        }
        $this->letAirFollow();
    }

    /** What flows is brought to what the step has come to. */
    private function letAirFollow(): void
    {
        if ($this->air?->accept($this->now->time, $this->stepper->temperatures($this->now->x)) === true) {
            $this->now = $this->stepper->begin($this->now->time, $this->now->x, true);
        }
    }

    /** @throws PhysicsException */
    private function accept(TimeStep $step, float $time): void
    {
        $stored = $this->heat->isComputed() ? array_sum($this->stepper->stored->between($this->now->x, $step->x, $this->model->start->surroundings->temperature)) : 0.0;
        $this->course->add($this->now, $step, $stored);
        $this->now = new Moment($time, $step->x, $step->rate, $step->in[1], $step->net[1], $this->now->x, $step->step);
        foreach ($this->controls as $n => $control) {
            $control->accept($time, $control->sensed($step->x), $step->watts[$n]);
        }
        $this->junctions->pass($step->step, $this->watts(true));
        $this->note(true);
    }

    /**
     * Switches the thermostat that the step was cut for, and those that may now what their least times kept them from.
     *
     * @return bool whether any has
     * @throws PhysicsException
     */
    private function switched(?ControlState $switching): bool
    {
        $any = false;
        foreach ($this->controls as $control) {
            if ($control === $switching || ($control->free() <= $this->now->time && $control->past($control->reading) > 0.0)) {
                $control->switch($this->now->time);
                Controls::drive([$control], $this->model);
                $any = true;
            }
            if (count($control->switches) > TimeSettings::MOST_SWITCHES) {
                throw new PhysicsException(sprintf('the thermostat of "%s" has switched %d times up to %g s: it chatters; widen its hysteresis, or give least times on and off', $this->model->start->parts[$control->part]->name, TimeSettings::MOST_SWITCHES, $this->now->time));
            }
        }

        return $any;
    }

    /**
     * W of the parts whose junctions are followed, by their index.
     *
     * @param bool $before whether loads that jump now are as they were
     * @return array<int, float>
     */
    private function watts(bool $before): array
    {
        if ($this->junctions->parts() === []) {
            return [];
        }
        $watts = [];
        $state = $this->state($before);
        foreach ($this->junctions->parts() as $part) {
            $watts[$part] = $state->wattsOf($part) + array_sum(array_map(fn (ControlState $control): float => $control->part === $part && $control->speed() === null ? $control->watts : 0.0, $this->controls));
        }

        return $watts;
    }

    /** @param bool $before whether loads that jump now are as they were */
    private function note(bool $before): void
    {
        $state = $this->state($before);
        $readings = new Readings($state);
        Controls::look($this->controls, $readings, $this->now->x);
        $this->course->note($this->now->time, $readings, $this->controls);
        if (in_array($this->now->time, $this->time->keep, true)) {
            $moves = $state->flow !== null && $this->time->air !== Transient::FROZEN;
            $this->course->keep($this->now->time, $readings, $state->temperature, $moves ? implode('', array_map(fn (array $of): string => pack('g*', ...$of), Fields::velocities($state->flow))) : '');
        }
    }

    /** @param bool $before whether loads that jump now are as they were */
    private function state(bool $before): State
    {
        $temperature = $this->stepper->temperatures($this->now->x);
        $heat = $this->heat->at($this->now->time, $before, $temperature, INF);
        foreach (array_filter($this->controls, fn (ControlState $control): bool => $control->speed() === null) as $control) {
            $heat->coupling->control($control->part, $control->watts);
        }

        return $this->stateOf($heat, $temperature);
    }

    /** @param array<int, float> $temperature of the cells, K */
    private function stateOf(HeatAt $heat, array $temperature): State
    {
        $coupling = $heat->coupling;

        return new State($heat->model, $this->voxels, $heat->operator->system(), $temperature, $heat->air?->field, $coupling->currents(), $coupling->enclosure(), $coupling->boards(), isset($this->junctions) ? $this->junctions->over() : []);
    }

    /**
     * @param array<int, float> $temperature of the cells, K
     * @param float $reference K
     * @return array<int, float> by padded cell, K
     */
    private function rises(array $temperature, float $reference): array
    {
        $x = Stencil::zeros($this->voxels->grid->cells);
        foreach ($temperature as $cell => $value) {
            if ($this->voxels->isLive($cell)) {
                $x[$this->heat->pad() + $cell] = $value - $reference;
            }
        }

        return $x;
    }

    private function offer(bool $ends): void
    {
        if ($this->listener instanceof KeepsCourses && ! $this->time->isPeriodic) {
            $this->listener->keepCourse(fn (): CourseState => new CourseState($this->course, $this->now, $this->controls, $this->step, $this->air?->kept(), $this->junctions), $ends);
        }
    }

    private function report(): void
    {
        if (hrtime(true) / 1e9 - $this->lastReport > self::REPORT_PAUSE) {
            $this->lastReport = hrtime(true) / 1e9;
            $this->listener->report(new Progress('time', $this->voxels->grid->count(), count($this->course->times) - 1, $this->course->error(), null, 1, $this->course->latest(), ['now' => $this->now->time, 'end' => $this->time->end, 'step' => $this->now->last]));
        }
    }
}
