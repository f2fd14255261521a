<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Where current enters or leaves at a face of a part, or at a rectangle of it: a current spread evenly over it, a voltage of all of it, or a resistor to ground. */
final readonly class ElectricCondition
{
    /** At a terminal; a load of so many watts at a voltage draws the current of both. */
    public const KINDS = ['current', 'voltage', 'ground', 'power', 'resistance'];

    /** At a terminal of a board, and where the part that it is joined to touches it: one voltage, which follows from the currents on both sides. */
    public const JOINT = 'joint';

    /** Not a terminal: what the current meets between the face and the conductor that touches it. */
    public const CONTACT = 'contact';

    /**
     * @param string $face of the part
     * @param string $kind one of KINDS, or JOINT
     * @param float $value A into the part for a current and for the load of so many watts, V for a voltage and a joint, 0 for ground, ohm for a resistance
     * @param ?array{array{float, float}, array{float, float}} $rectangle lower and upper corner in the space along the two axes of the face, in the order x, y, z, m; null: the whole face
     * @param ?Joining $joining of a joint
     */
    public function __construct(public string $face, public string $kind, public float $value, public ?array $rectangle = null, public ?Joining $joining = null)
    {
    }

    /** Whether the current is given; else it follows from the voltage that is given here or beyond the resistor. */
    public function givesCurrent(): bool
    {
        return $this->kind === 'current' || $this->kind === 'power';
    }

    /** Whether the face itself is at a given voltage, or at ground; a joint is not, its voltage follows. */
    public function holdsVoltage(): bool
    {
        return $this->kind === 'voltage' || $this->kind === 'ground';
    }

    /** V of the face, or beyond its resistor; of a joint in the middle of its contact. */
    public function voltage(): float
    {
        return $this->kind === 'voltage' || $this->kind === self::JOINT ? $this->value : 0.0;
    }

    /** What current meets at the face times area, ohm m2: of a joint half of its contact. */
    public function contact(): float
    {
        return 0.5 * ($this->joining->resistance ?? 0.0);
    }

    /**
     * From inside a conductor to the voltage, through a piece of the face and its part of the resistor, S.
     *
     * @param float $toFace conductance to that piece, S
     * @param float $share of the whole face that it is
     */
    public function conductance(float $toFace, float $share): float
    {
        return 1.0 / (1.0 / $toFace + ($this->kind === 'resistance' ? $this->value / $share : 0.0));
    }

    /**
     * Through a piece of the face, A into the part.
     *
     * @param float $inside V at the other end of the conductance to that piece
     */
    public function current(float $toFace, float $share, float $inside): float
    {
        return $this->givesCurrent() ? $this->value * $share : $this->conductance($toFace, $share) * ($this->voltage() - $inside);
    }

    /** With a current or voltage so many times as large. */
    public function times(float $factor): self
    {
        return new self($this->face, $this->kind, $this->kind === 'resistance' ? $this->value : $factor * $this->value, $this->rectangle, $this->joining);
    }

    /** A joint at a voltage, V. */
    public function heldAt(float $voltage): self
    {
        return new self($this->face, $this->kind, $voltage, $this->rectangle, $this->joining);
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
