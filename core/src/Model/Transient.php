<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\ScalarField;

/** A course in time to be computed: how long, from where, in what steps, and what is kept of it. */
final readonly class Transient
{
    /** Temperatures at 0 s: of the steady state at the loads there, or those of the end; else given. */
    public const STEADY = 'steady';

    public const PERIODIC = 'periodic';

    /** What the flow does meanwhile: it stays as a steady run has it at the loads that drive it, it follows the temperatures of the solids, or its own motion is computed in time. */
    public const AIR = [self::FROZEN, self::FOLLOWS, self::UNSTEADY];

    public const FROZEN = 'frozen';

    public const FOLLOWS = 'follows';

    public const UNSTEADY = 'unsteady';

    /**
     * @param float $end s
     * @param ?float $step s, where steps are given; null: as the tolerance asks
     * @param float $tolerance K that a step may be wrong by
     * @param ScalarField|null $start K at each place; null: steady
     * @param string $air one of AIR
     * @param bool $isPeriodic whether the course from the start to the end repeats itself, so that it begins as it ends
     * @param list<float> $keep moments whose temperatures are kept as pictures, s
     * @param ?int $run number of the run whose temperatures it begins with; null: as the start says
     * @param array{ScalarField, ScalarField, ScalarField}|null $velocity m/s at each place at the start, where the flow is unsteady; null: at rest
     */
    public function __construct(public float $end, public ?float $step, public float $tolerance, public ?ScalarField $start, public string $air, public array $keep, public bool $isPeriodic = false, public ?array $velocity = null, public ?int $run = null)
    {
    }

    /** Whether it begins at the steady state of its loads at 0 s. */
    public function startsSteady(): bool
    {
        return $this->start === null && $this->run === null;
    }
}
