<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Watts, or the speed of a fan, that are switched on at one temperature of a sensor and off at another. */
final readonly class Thermostat implements Control
{
    /**
     * @param float $on K, at which it switches on: below $off for a heater
     * @param float $off K
     * @param float $watts while on; 0 of a fan
     * @param float $leastOn s that it stays on at least
     * @param float $leastOff s that it stays off at least
     * @param ?array{float, float} $speeds of a fan, while on and while off, as shares of its full speed; null: it is watts that are switched
     */
    public function __construct(private Sensor $sensor, public float $on, public float $off, public float $watts, public float $leastOn = 0.0, public float $leastOff = 0.0, public ?array $speeds = null)
    {
    }

    public function sensor(): Sensor
    {
        return $this->sensor;
    }

    public function bounds(): array
    {
        return [min(0.0, $this->watts), max(0.0, $this->watts)];
    }

    /** By how much a reading (K) is past what switches, K; positive where it has to switch. */
    public function past(bool $isOn, float $reading): float
    {
        $threshold = $isOn ? $this->off : $this->on;

        return ($this->off > $this->on) === $isOn ? $reading - $threshold : $threshold - $reading;
    }
}
