<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** What a fan does: pressure rise against volume flow at full speed, and its speed. */
final readonly class FanCurve
{
    /**
     * @param non-empty-list<array{float, float}> $points volume flow (m3/s, rising) and pressure rise (Pa) at full speed
     * @param float $speedFactor fraction of the full speed
     * @param ?float $density of the air the curve was measured in, kg/m3; null: the curve holds in the air it blows
     */
    public function __construct(public array $points, public float $speedFactor, public ?float $density = null)
    {
    }

    /** The curve in a fluid of a density in kg/m3: the flows stay, the pressures go with the density (fan laws). */
    public function in(float $density): self
    {
        $times = $this->density === null ? 1.0 : $density / $this->density;

        return new self(array_map(fn (array $point): array => [$point[0], $times * $point[1]], $this->points), $this->speedFactor);
    }
}
