<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\ScalarField;

/**
 * What a side of the space, or a patch of it, is to the flow: a wall (which may slip or move), a symmetry plane, an inlet with
 * given flow, an outlet at a pressure or with a given flow, or open to the surroundings (air enters at ambient with its total pressure, or leaves).
 */
final readonly class FlowCondition
{
    public const KINDS = ['wall', 'symmetry', 'inlet', 'outlet', 'open'];

    /** How a flow is given: normal speed (m/s), volume flow (m3/s) or mass flow (kg/s) over the area, or, of an inlet, the velocity vector (m/s). */
    public const GIVEN = ['speed', 'volumeFlow', 'massFlow', 'velocity'];

    /**
     * @param ?GivenFlow $given of an inlet, or of an outlet that draws off a given flow; null for anything else
     * @param array{ScalarField, ScalarField, ScalarField} $velocity of an inlet or of a moving wall, m/s
     * @param ScalarField $temperature of what enters, K
     * @param float $pressure of an outlet, Pa relative to the surroundings
     */
    public function __construct(
        public string $kind,
        public bool $slip,
        public ?GivenFlow $given,
        public array $velocity,
        public ScalarField $temperature,
        public float $pressure,
    ) {
    }

    /** Whether anything that is given changes along an axis. */
    public function follows(int $axis): bool
    {
        foreach ([...$this->velocity, $this->temperature, $this->given?->amount] as $field) {
            if ($field?->follows($axis) === true) {
                return true;
            }
        }

        return false;
    }

    /** The same, with what enters so many kelvin warmer where it has a given temperature. */
    public function warmerFrom(float $temperature, float $by): self
    {
        $enters = $this->temperature->isConstant() && $this->temperature->constant === $temperature ? ScalarField::constant($temperature + $by) : $this->temperature;

        return new self($this->kind, $this->slip, $this->given, $this->velocity, $enters, $this->pressure);
    }

    public function isWall(): bool
    {
        return $this->kind === 'wall' || $this->kind === 'symmetry';
    }

    /** Whether it drives a flow, however the pressure is. */
    public function drives(): bool
    {
        return $this->given !== null;
    }

    /** Whether fluid passes at a pressure outside, so that the flow is not given. */
    public function isAtPressure(): bool
    {
        return ! $this->isWall() && $this->given === null;
    }

    public function slips(): bool
    {
        return $this->kind === 'symmetry' || $this->slip;
    }
}
