<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\ScalarField;

/**
 * What a side of the space, or a patch of it, is to the flow: a wall (which may slip or move), a symmetry plane, an inlet with
 * given flow, an outlet at a pressure, or open to the surroundings (air enters at ambient with its total pressure, or leaves).
 */
final readonly class FlowCondition
{
    public const KINDS = ['wall', 'symmetry', 'inlet', 'outlet', 'open'];

    /** How an inlet is given: normal speed (m/s), volume flow (m3/s) or mass flow (kg/s) over its area, or the velocity vector (m/s). */
    public const INLETS = ['speed', 'volumeFlow', 'massFlow', 'velocity'];

    /**
     * @param ?Inlet $inlet how an inlet is given; null for anything else
     * @param array{float, float, float} $velocity of an inlet or of a moving wall, m/s
     * @param ScalarField $temperature of what enters, K
     * @param float $pressure of an outlet, Pa relative to the surroundings
     */
    public function __construct(
        public string $kind,
        public bool $slip,
        public ?Inlet $inlet,
        public array $velocity,
        public ScalarField $temperature,
        public float $pressure,
    ) {
    }

    public function isWall(): bool
    {
        return $this->kind === 'wall' || $this->kind === 'symmetry';
    }

    public function slips(): bool
    {
        return $this->kind === 'symmetry' || $this->slip;
    }
}
