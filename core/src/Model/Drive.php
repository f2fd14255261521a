<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What terminals are driven with: so many times what the model states, and joints held at voltages. */
final readonly class Drive
{
    /**
     * @param float $factor of currents and voltages
     * @param array<string, float> $joints V of joints, by name
     */
    public function __construct(public float $factor = 1.0, public array $joints = [])
    {
    }

    public function of(ElectricCondition $condition): ElectricCondition
    {
        return $condition->joining === null
            ? $condition->times($this->factor)
            : $condition->heldAt($this->joints[$condition->joining->name] ?? 0.0);
    }
}
