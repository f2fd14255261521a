<?php

declare(strict_types=1);

namespace Foehn\Model;

/** How the flow of an inlet is given. */
final readonly class Inlet
{
    /**
     * @param string $given one of FlowCondition::INLETS
     * @param float $amount of what is given, positive into the space: m/s, m3/s or kg/s; of a velocity vector nothing
     * @param string $profile uniform, or developed (fully developed laminar flow between the walls of a slot)
     */
    public function __construct(public string $given, public float $amount, public string $profile)
    {
    }
}
