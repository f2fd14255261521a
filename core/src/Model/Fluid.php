<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Materials\Material;

/**
 * Properties of the moving fluid. Density and the values named without a temperature hold at the ambient. Air follows the ideal
 * gas law, Sutherland's viscosity (Sutherland, Phil. Mag. 36 (1893) 507) and the standard atmosphere (ISO 2533:1975); other
 * fluids have the laws of their material.
 */
final readonly class Fluid
{
    /** Of air, J/kg/K. */
    private const GAS_CONSTANT = 287.05;

    /** K */
    private const COLDEST = 50.0;

    /** A fluid of the power law counts as this strongly sheared where one viscosity must stand for it, 1/s. */
    private const TYPICAL_SHEAR = 10.0;

    /** W/m/K */
    public float $conductivity;

    public bool $gas;

    /** @var ?array{float, float} consistency in Pa s^n and index */
    public ?array $powerLaw;

    /**
     * @param float $density kg/m3
     * @param float $viscosity Pa s
     * @param float $specificHeat J/kg/K
     * @param float $expansion 1/K
     * @param float $temperature of the surroundings, K
     */
    private function __construct(
        public float $density,
        public float $viscosity,
        public float $specificHeat,
        public float $expansion,
        public float $temperature,
        private FluidLaws $laws,
    ) {
        $this->conductivity = $laws->conductivity->at($temperature);
        [$this->gas, $this->powerLaw] = [$laws->gas, $laws->powerLaw];
    }

    /** Prandtl number at the ambient. */
    public function prandtl(): float
    {
        return $this->viscosity * $this->specificHeat / $this->conductivity;
    }

    public static function of(Material $material, Surroundings $surroundings): self
    {
        $t = $surroundings->temperature;
        $conductivity = $material->conductivity[0];
        $isAir = $material->id === 'air' && $material->category === 'fluid';
        $gasConstant = $isAir ? self::GAS_CONSTANT : $material->gasConstant;
        if ($gasConstant !== null) {
            $pressure = 101325.0 * (1.0 - 2.25577e-5 * $surroundings->altitude) ** 5.25588;
            $law = $isAir ? null : $material->viscosity;

            return new self($pressure / ($gasConstant * $t), $law?->at($t) ?? self::sutherland($t), (float) $material->specificHeat, 1.0 / $t, $t, new FluidLaws(true, null, $law, $conductivity));
        }
        $power = $material->powerLaw;
        $viscosity = $power === null ? (float) $material->viscosity?->at($t) : $power[0] * self::TYPICAL_SHEAR ** ($power[1] - 1.0);

        return new self((float) $material->density, $viscosity, (float) $material->specificHeat, $material->expansion ?? 0.0, $t, new FluidLaws(false, $power, $material->viscosity, $conductivity));
    }

    /** Change of the density against that at the ambient, over the latter: ideal gas, or linear expansion. */
    public function densityChange(float $temperature): float
    {
        return $this->gas ? $this->temperature / $temperature - 1.0 : -$this->expansion * ($temperature - $this->temperature);
    }

    /** Whether density, viscosity or conductivity follow the temperature or the rate of strain. */
    public function varies(): bool
    {
        return $this->gas || $this->powerLaw !== null || $this->laws->viscosity?->isConstant() === false || ! $this->laws->conductivity->isConstant();
    }

    /** Pa s; iterations on their way may pass through temperatures that no fluid has. */
    public function viscosityAt(float $temperature): float
    {
        $temperature = $temperature > self::COLDEST ? $temperature : self::COLDEST;

        return $this->laws->viscosity?->at($temperature) ?? ($this->gas ? self::sutherland($temperature) : $this->viscosity);
    }

    /** W/m/K */
    public function conductivityAt(float $temperature): float
    {
        return $this->laws->conductivity->at($temperature);
    }

    private static function sutherland(float $t): float
    {
        return 1.458e-6 * $t * sqrt($t) / ($t + 110.4);
    }
}
