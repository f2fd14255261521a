<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Physics\PhysicsException;

/** Finds when within a step a thermostat switches. */
final readonly class Switching
{
    /** @param list<ControlState> $controls */
    public function __construct(private TimeStepper $stepper, private array $controls)
    {
    }

    /**
     * The step cut to the first switching of a thermostat within it.
     *
     * @return array{TimeStep, ?ControlState}
     * @throws PhysicsException
     */
    public function within(Moment $now, TimeStep $trial): array
    {
        $low = array_map(fn (ControlState $control): float => min(0.0, $control->past($control->reading)), $this->controls);
        $high = $this->pasts($trial);
        $first = $this->firstPast($now, $low, $high, $trial->step);
        if ($first === null) {
            return [$trial, null];
        }
        [$from, $below] = [0.0, $low[$first]];
        for ($n = 0; $n < TimeSettings::MOST_LOCATIONS && $trial->step - $from > TimeSettings::SWITCHING; $n++) {
            // Where a straight line passes zero, kept off the ends so that the bracket closes from both sides.
            $share = max(0.02, min(0.98, $below / ($below - $high[$first])));
            $own = $this->stepper->attempt($now, $from + $share * ($trial->step - $from));
            if ($own === null) {
                break;
            }
            $past = $this->pasts($own);
            $earlier = $this->firstPast($now, $low, $past, $own->step);
            if ($earlier === null) {
                [$from, $below] = [$own->step, $past[$first]];
            } else {
                [$first, $trial, $high] = [$earlier, $own, $past];
                if ($past[$first] <= TimeSettings::SWITCHING * ($past[$first] - $low[$first]) / $own->step) {
                    return [$trial, $this->controls[$first]];
                }
            }
        }

        // Controls have to be in the stage of the step that is taken.
        return [$this->stepper->attempt($now, $trial->step) ?? $trial, $this->controls[$first]];
    }

    /** @return list<float> by how much the reading of each control is past what switches it after a step, K */
    private function pasts(TimeStep $trial): array
    {
        return array_map(fn (ControlState $control): float => $control->past($control->readingAt($control->sensed($trial->x))), $this->controls);
    }

    /**
     * The control that switches first within a step; null where none does.
     *
     * @param list<float> $low how far each is past its switching before
     * @param list<float> $high and after the step
     */
    private function firstPast(Moment $now, array $low, array $high, float $step): ?int
    {
        $first = null;
        $earliest = INF;
        foreach ($high as $n => $past) {
            $share = $past > 0.0 ? -$low[$n] / ($past - $low[$n]) : INF;
            if ($share < $earliest && $this->controls[$n]->free() < $now->time + $step * (1.0 - 1e-9)) {
                [$first, $earliest] = [$n, $share];
            }
        }

        return $first;
    }
}
