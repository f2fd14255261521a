<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A proportional controller, with an integral part where one is given: watts = gain (setpoint - reading) + integral, within bounds; or so the speed of a fan, in shares in place of watts, with a gain below 0. */
final readonly class Controller implements Control
{
    /**
     * @param float $setpoint K
     * @param float $gain W/K
     * @param ?float $integral s, reset time of the integral part; null: proportional alone
     * @param float $atLeast W
     * @param float $atMost W
     */
    public function __construct(private Sensor $sensor, public float $setpoint, public float $gain, public ?float $integral, public float $atLeast, public float $atMost)
    {
    }

    public function sensor(): Sensor
    {
        return $this->sensor;
    }

    public function bounds(): array
    {
        return [$this->atLeast, $this->atMost];
    }

    /**
     * Watts at a reading.
     *
     * @param float $reading K
     * @param float $accumulated W of the integral part
     */
    public function at(float $reading, float $accumulated): float
    {
        return max($this->atLeast, min($this->atMost, $this->gain * ($this->setpoint - $reading) + $accumulated));
    }
}
