<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Where current enters or leaves at a face of a part, or at a rectangle of it: a current spread evenly over it, or a voltage of all of it. */
final readonly class ElectricCondition
{
    public const KINDS = ['current', 'voltage', 'ground'];

    /**
     * @param string $face of the part
     * @param string $kind one of KINDS
     * @param float $value A into the part for a current, V for a voltage, 0 for ground
     * @param ?array{array{float, float}, array{float, float}} $rectangle lower and upper corner in the space along the two axes of the face, in the order x, y, z, m; null: the whole face
     */
    public function __construct(public string $face, public string $kind, public float $value, public ?array $rectangle = null)
    {
    }

    public function fixesVoltage(): bool
    {
        return $this->kind !== 'current';
    }

    /** Whether it holds at a place on its face, m along the two axes of the face. */
    public function holdsAt(float $a, float $b): bool
    {
        if ($this->rectangle === null) {
            return true;
        }
        [$min, $max] = $this->rectangle;

        return $a > $min[0] && $a < $max[0] && $b > $min[1] && $b < $max[1];
    }
}
