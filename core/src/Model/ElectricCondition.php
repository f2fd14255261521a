<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Where current enters or leaves at a face of a part: a current spread evenly over the face, or a voltage of all of it. */
final readonly class ElectricCondition
{
    public const KINDS = ['current', 'voltage', 'ground'];

    /**
     * @param string $kind one of KINDS
     * @param float $value A into the part for a current, V for a voltage, 0 for ground
     */
    public function __construct(public string $kind, public float $value)
    {
    }

    public function fixesVoltage(): bool
    {
        return $this->kind !== 'current';
    }
}
