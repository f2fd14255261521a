<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** A solid or fluid with its properties in SI units; null where a property is not known. */
final readonly class Material
{
    /**
     * @param array{PropertyLaw, PropertyLaw, PropertyLaw} $conductivity W/m/K along x, y, z
     * @param ?PropertyLaw $resistivity ohm m; null where no current is to be computed in it
     * @param ?PropertyLaw $viscosity Pa s
     * @param ?array{float, float} $powerLaw consistency K in Pa s^n and index n of a fluid of the power law, instead of a viscosity
     * @param ?float $gasConstant J/kg/K of an ideal gas, whose density and expansion follow from it
     * @param string $source where the values come from
     */
    public function __construct(
        public string $id,
        public string $title,
        public string $category,
        public bool $fluid,
        public array $conductivity,
        public ?float $density,
        public ?float $specificHeat,
        public ?float $emissivity,
        public ?PropertyLaw $resistivity,
        public ?float $expansion,
        public ?PropertyLaw $viscosity,
        public string $source,
        public ?array $powerLaw = null,
        public ?float $gasConstant = null,
    ) {
    }

    /** @param array{PropertyLaw, PropertyLaw, PropertyLaw} $conductivity W/m/K along x, y, z */
    public static function ofBoard(string $id, string $title, array $conductivity, ?float $density, ?float $specificHeat, string $source): self
    {
        return new self($id, $title, 'board', false, $conductivity, $density, $specificHeat, 0.9, null, null, null, $source);
    }

    public function dependsOnTemperature(): bool
    {
        return ! ($this->conductivity[0]->isConstant() && $this->conductivity[1]->isConstant() && $this->conductivity[2]->isConstant());
    }
}
