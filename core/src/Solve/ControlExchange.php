<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Model\Control;
use Foehn\Model\Thermostat;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\PhysicsException;

/**
 * Controls and heat in the steady state: watts at which every control is at rest with its sensor. What a watt adds at the sensor is
 * taken from the last two passes (secant), and the law of the control is then solved with it, so that a steep control comes to rest too.
 */
final class ControlExchange implements Exchange
{
    /** @var array<int, Control> by index of the part */
    private array $controls = [];

    /** @var array<int, array{float, float}> W and K at the sensor in the pass before */
    private array $before = [];

    /** @var array<int, float> K at the sensor for a watt */
    private array $slopes = [];

    /**
     * @param Closure(): ?HeatSystem $system with the last temperatures
     * @throws PhysicsException where a thermostat has no steady state
     */
    public function __construct(private readonly HeatEquation $heat, private readonly Closure $system)
    {
        foreach ($heat->model->parts as $index => $part) {
            if ($part->control instanceof Thermostat) {
                throw new PhysicsException(sprintf('the thermostat of "%s" switches on and off and has no steady state; compute the course in time, or give a curve of the watts against the temperature', $part->name));
            }
            if ($part->control !== null) {
                $this->controls[$index] = $part->control;
            }
        }
    }

    public function followsTemperature(): bool
    {
        return true;
    }

    public function follow(?array $temperature): float
    {
        $system = ($this->system)();
        if ($temperature === null || $system === null) {
            foreach ($this->controls as $part => $control) {
                $this->heat->losses->watts[$part] = $control->bounds()[0];
            }

            return INF;
        }
        $readings = new Readings(new State($this->heat->model, $this->heat->voxels, $system, $temperature));
        $moved = 0.0;
        foreach ($this->controls as $part => $control) {
            $sensed = Controls::sensed($readings, $control->sensor()->of);
            $watts = $this->heat->losses->watts[$part];
            [$low, $high] = $control->bounds();
            if (isset($this->before[$part]) && abs($watts - $this->before[$part][0]) > 1e-9 * ($high - $low)) {
                $this->slopes[$part] = max(0.0, ($sensed - $this->before[$part][1]) / ($watts - $this->before[$part][0]));
            }
            $this->before[$part] = [$watts, $sensed];
            $next = isset($this->slopes[$part]) ? Controls::atRest($control, fn (float $trial): float => Controls::asked($control, $sensed + $this->slopes[$part] * ($trial - $watts), $trial)) : $low + 0.1 * ($high - $low);
            $moved = max($moved, abs($next - $watts) / max(abs($low), abs($high)));
            $this->heat->losses->watts[$part] = $next;
        }

        return $moved;
    }
}
