<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What is outside: ambient temperature (K), altitude (m), gravity (m/s2), radiant temperature (K, null: as ambient). */
final readonly class Surroundings
{
    /** @param list<float> $gravity */
    public function __construct(public float $temperature, public float $altitude, public array $gravity, public ?float $radiantTemperature)
    {
    }
}
