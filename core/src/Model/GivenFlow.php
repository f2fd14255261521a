<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Units\ScalarField;

/** How the flow through an opening is given: what an inlet lets in, or what an outlet draws off. */
final readonly class GivenFlow
{
    /**
     * @param string $by one of FlowCondition::GIVEN
     * @param ScalarField $amount of what is given, not negative: m/s, which may follow the place, m3/s or kg/s; of a velocity vector nothing
     * @param string $profile uniform, or developed (fully developed laminar flow between the walls of a slot)
     */
    public function __construct(public string $by, public ScalarField $amount, public string $profile)
    {
    }
}
