<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Control;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Thermostat;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\Flow\Devices;
use Foehn\Physics\PhysicsException;

/**
 * Fans whose speed follows a sensor, while a flow is brought to rest. Each time the flow has come to rest at their speeds, they go to
 * those that would be asked for if rises over the ambient went with a power of the speed. At first that power is guessed: convection
 * coefficients of streams along walls go with 0.5 to 0.8 of it, heat carried out with 1 (Incropera et al., Fundamentals of Heat and
 * Mass Transfer, 6th ed. 2007, ch. 7). Then it is the one between the last two speeds.
 */
final class FanControls
{
    /** Rises go with the speed to minus this, as a guess. */
    private const EXPONENT = 0.8;

    /** Bounds of what is found for it. */
    private const EXPONENTS = [0.02, 2.0];

    /** Change of a speed, as a share of full speed, within which it stays. */
    private const RESTS = 0.005;

    /** What a speed may differ by from what its sensor asks for. */
    public const NEAR = 0.02;

    /** Below this share of full speed rises are not told from the speed. */
    private const LEAST = 0.02;

    /** @var array<string, array{speed: float, rise: float}> where each fan was before */
    private array $before = [];

    /** @var array<string, float> */
    private array $exponents = [];

    /** @param array<string, Control> $controls by the id of the part */
    public function __construct(private readonly Model $model, private readonly array $controls)
    {
    }

    /** All fans of a model that follow a sensor; thermostats have no steady state. */
    public static function of(Model $model): self
    {
        $controls = array_combine(array_map(fn (Part $part): string => $part->id, $model->parts), array_map(fn (Part $part): ?Control => $part->speedControl, $model->parts));

        return new self($model, array_filter($controls, fn (?Control $control): bool => $control !== null && ! $control instanceof Thermostat));
    }

    public function isEmpty(): bool
    {
        return $this->controls === [];
    }

    /**
     * Lets the speeds follow the temperatures of a flow at rest.
     *
     * @return bool whether they were there already
     * @throws PhysicsException where a sensor sees nothing
     */
    public function follow(State $state, Devices $devices): bool
    {
        foreach ($this->rises($state) as $id => $rise) {
            $this->learn($id, max(self::LEAST, $devices->speeds()[$id]), $rise);
        }
        $speeds = $this->asked($state, $devices);
        $moved = self::most($speeds, $devices->speeds());
        $devices->setSpeeds($speeds);

        return $moved <= self::RESTS;
    }

    /**
     * By how much, as a share of full speed, the fans run at other speeds than their sensors ask for.
     *
     * @throws PhysicsException where a sensor sees nothing
     */
    public function open(State $state, Devices $devices): float
    {
        return self::most($this->asked($state, $devices), $devices->speeds());
    }

    /** @return array<string, float> by the id of the part */
    private function asked(State $state, Devices $devices): array
    {
        $ambient = $this->model->surroundings->temperature;
        $speeds = [];
        foreach ($this->rises($state) as $id => $rise) {
            $now = max(self::LEAST, $devices->speeds()[$id]);
            $exponent = $this->exponents[$id] ?? self::EXPONENT;
            $speeds[$id] = Controls::atRest($this->controls[$id], fn (float $trial): float => Controls::asked($this->controls[$id], $ambient + $rise * ($now / max(self::LEAST, $trial)) ** $exponent, $trial));
        }

        return $speeds;
    }

    /** @return array<string, float> K over the ambient at the sensors, by the id of the part */
    private function rises(State $state): array
    {
        $readings = new Readings($state);

        return array_map(fn (Control $control): float => Controls::sensed($readings, $control->sensor()->of) - $this->model->surroundings->temperature, $this->controls);
    }

    /** Takes note of how the rise at a sensor went with the speed. */
    private function learn(string $id, float $speed, float $rise): void
    {
        $before = $this->before[$id] ?? null;
        if ($before !== null && abs($speed - $before['speed']) > self::RESTS && $rise > 0.0 && $before['rise'] > 0.0) {
            $this->exponents[$id] = max(self::EXPONENTS[0], min(self::EXPONENTS[1], -log($rise / $before['rise']) / log($speed / $before['speed'])));
        }
        $this->before[$id] = ['speed' => $speed, 'rise' => $rise];
    }

    /**
     * @param array<string, float> $one
     * @param array<string, float> $other with all of these
     */
    private static function most(array $one, array $other): float
    {
        return max([0.0, ...array_map(fn (string $id): float => abs($one[$id] - $other[$id]), array_keys($one))]);
    }
}
