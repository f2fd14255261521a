<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\ScalarField;

/** A course in time to be computed: how long, from where, in what steps, and what is kept of it. */
final readonly class Transient
{
    /** Temperatures at 0 s: of the steady state at the loads there, or given. */
    public const STEADY = 'steady';

    /** What the flow does meanwhile: it stays as a steady run has it at the loads that drive it. */
    public const AIR = ['frozen'];

    /**
     * @param float $end s
     * @param ?float $step s, where steps are given; null: as the tolerance asks
     * @param float $tolerance K that a step may be wrong by
     * @param ScalarField|null $start K at each place; null: steady
     * @param list<float> $keep moments whose temperatures are kept as pictures, s
     */
    public function __construct(public float $end, public ?float $step, public float $tolerance, public ?ScalarField $start, public string $air, public array $keep)
    {
    }

    /** The same for longer or shorter. */
    public function until(float $end): self
    {
        return new self($end, $this->step, $this->tolerance, $this->start, $this->air, $this->keep);
    }
}
