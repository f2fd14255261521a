<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Materials\PropertyLaw;

/** How the properties of a moving fluid follow its temperature and shear. */
final readonly class FluidLaws
{
    /**
     * @param bool $gas whether the density follows the ideal gas law
     * @param ?array{float, float} $powerLaw consistency in Pa s^n and index; null where shear does not matter
     * @param ?PropertyLaw $viscosity Pa s; null for Sutherland's law of air, or a power law
     * @param PropertyLaw $conductivity W/m/K
     */
    public function __construct(public bool $gas, public ?array $powerLaw, public ?PropertyLaw $viscosity, public PropertyLaw $conductivity)
    {
    }
}
