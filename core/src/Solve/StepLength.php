<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Transient;
use Foehn\Numerics\TrBdf2;

/** How long steps of a course are, from their errors and from what must not be passed in one. */
final readonly class StepLength
{
    /**
     * @param list<ControlState> $controls
     * @param ?AirInTime $air null where nothing flows
     */
    public function __construct(private Transient $time, private TimeStepper $stepper, private array $controls, private ?AirInTime $air)
    {
    }

    /** Of the first step after a start or a jump, s: one in which temperatures move by a few tolerances, and a small share of the way to what comes next. */
    public function first(Moment $now, float $next): float
    {
        if ($this->time->step !== null) {
            return $this->time->step;
        }
        $fastest = 0.0;
        foreach ($this->stepper->stored->capacities as $c => $capacity) {
            $rate = $capacity > 0.0 ? abs($now->rate[$c]) / $capacity : 0.0;
            $fastest = $rate > $fastest ? $rate : $fastest;
        }
        $first = $this->time->air === Transient::UNSTEADY ? TimeSettings::FIRST_OF_FLOW : TimeSettings::FIRST;

        return max(min($first * ($next - $now->time), $fastest > 0.0 ? TimeSettings::FIRST_MOVES * $this->time->tolerance / $fastest : INF), 10.0 * $this->shortest());
    }

    public function shortest(): float
    {
        return TimeSettings::SHORTEST * $this->time->end;
    }

    /**
     * Steps of one length that reach a moment, so that their matrix is made once.
     *
     * @param float $left s up to that moment
     * @param float $step s that is wanted
     * @param float $last s of the step before
     * @return array{float, int} s, and how many they are
     */
    public function within(float $left, float $step, float $last): array
    {
        $count = max(1, (int) ceil($left / min($step, $this->longest()) - 1e-9));

        // What differs by rounding alone is one step, with one matrix.
        return [abs($left / $count - $last) <= 1e-9 * $last ? $last : $left / $count, $count];
    }

    /**
     * By how much the next step may be longer; what is too long is below the safety in it.
     *
     * @param ?TimeStep $trial null where what follows the temperatures did not come to rest, or what flows errs too much
     * @param float $flow error of what flows as a share of what is allowed
     */
    public function growth(?TimeStep $trial, float $flow): float
    {
        if ($this->time->step !== null) {
            return $trial === null ? 0.0 : 1.0;
        }
        if ($trial === null && $flow <= 1.0) {
            return 0.0;
        }
        // A step that is half as long lets a fan ask for half as much more.
        $fans = $trial === null ? [] : array_map(fn (ControlState $control): float => ($control->open($control->sensed($trial->x)) / TimeSettings::SPEED_MOST) ** TrBdf2::ORDER, $this->controls);
        $error = $trial === null ? $flow : max([$flow, $this->stepper->error($trial) / (TimeSettings::SHARE * $this->time->tolerance), ...$fans]);

        return TimeSettings::SAFETY * max($error, 1e-9) ** (-1.0 / TrBdf2::ORDER);
    }

    /** The longest step that dead times and what flows allow, s: what a sensor tells must have been. */
    private function longest(): float
    {
        $air = $this->time->step === null ? $this->air?->longest() ?? INF : INF;
        $deadTimes = array_map(fn (ControlState $control): float => $control->control->sensor()->deadTime, $this->controls);

        return min([$air, ...array_filter($deadTimes, fn (float $time): bool => $time > 0.0)]);
    }
}
