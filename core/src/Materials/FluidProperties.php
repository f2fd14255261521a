<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** What a fluid has beside what a solid has. */
final readonly class FluidProperties
{
    /**
     * @param ?PropertyLaw $viscosity Pa s
     * @param ?array{float, float} $powerLaw consistency K in Pa s^n and index n of a fluid of the power law, instead of a viscosity
     * @param ?float $gasConstant J/kg/K of an ideal gas, whose density and expansion follow from it
     */
    public function __construct(public ?PropertyLaw $viscosity, public ?array $powerLaw = null, public ?float $gasConstant = null)
    {
    }
}
