<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Materials\Material;
use Foehn\Model\Surroundings;

/**
 * Properties of the moving fluid at the ambient temperature and altitude. Air follows the ideal gas law, Sutherland's viscosity
 * (Sutherland, Phil. Mag. 36 (1893) 507) and the standard atmosphere (ISO 2533:1975); other fluids keep their own values.
 */
final readonly class Fluid
{
    private const GAS_CONSTANT = 287.05;

    public function __construct(
        public float $density,
        public float $viscosity,
        public float $conductivity,
        public float $specificHeat,
        public float $expansion,
        public float $temperature,
        public bool $gas,
    ) {
    }

    public static function of(Material $material, Surroundings $surroundings): self
    {
        $t = $surroundings->temperature;
        $conductivity = $material->conductivity[0]->at($t);
        if ($material->id === 'air' && $material->category === 'fluid') {
            $pressure = 101325.0 * (1.0 - 2.25577e-5 * $surroundings->altitude) ** 5.25588;

            return new self($pressure / (self::GAS_CONSTANT * $t), 1.458e-6 * $t ** 1.5 / ($t + 110.4), $conductivity, (float) $material->specificHeat, 1.0 / $t, $t, true);
        }

        return new self((float) $material->density, (float) $material->viscosity, $conductivity, (float) $material->specificHeat, $material->expansion ?? 0.0, $t, false);
    }

    /** Density change against the reference per kg/m3 at a temperature: ideal gas, or linear expansion. */
    public function buoyantShare(float $temperature): float
    {
        return $this->gas ? $this->temperature / $temperature - 1.0 : -$this->expansion * ($temperature - $this->temperature);
    }
}
