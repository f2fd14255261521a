<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What is outside: ambient temperature (K), altitude (m), gravity (m/s2), radiant temperature (K, null: as ambient), and the sun where it shines. */
final readonly class Surroundings
{
    /** Altitudes of the lowest layer of the standard atmosphere (ISO 2533:1975), m. */
    public const LOWEST = -2000.0;

    public const HIGHEST = 11000.0;

    /** @param array{float, float, float} $gravity */
    public function __construct(public float $temperature, public float $altitude, public array $gravity, public ?float $radiantTemperature, public ?Sun $sun = null)
    {
    }

    /** K, of what surfaces radiate to. */
    public function radiant(): float
    {
        return $this->radiantTemperature ?? $this->temperature;
    }

    public function warmer(float $by): self
    {
        return new self($this->temperature + $by, $this->altitude, $this->gravity, $this->radiantTemperature, $this->sun);
    }
}
