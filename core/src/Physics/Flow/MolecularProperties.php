<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Model\Fluid;

use Foehn\Numerics\Vectors;

/**
 * Viscosity, conductivity and density of every cell, without eddies: by temperature, or by the rate of strain where the fluid follows the power law
 * tau = K |du/dy|^(n-1) du/dy (Bird, Armstrong & Hassager, Dynamics of Polymeric Liquids, 1987). That is singular where nothing
 * is sheared; below a thousandth of the strongest shear the viscosity stays what it is there.
 */
final class MolecularProperties
{
    private const LEAST_SHEAR = 1e-3;

    /** @var array<int, float> Pa s, in the layout of the flow */
    public array $viscosity;

    /** @var array<int, float> Pa s, in the layout of the flow: between the cell and a wall */
    public array $wallViscosity;

    /** @var array<int, float> W/m/K, in the layout of the flow */
    public array $conductivity;

    /** @var array<int, float> kg/m3, in the layout of the flow */
    public array $density;

    public function __construct(private readonly FlowDomain $domain, private readonly Fluid $fluid)
    {
        $this->viscosity = $this->wallViscosity = array_fill(0, $domain->layout->length, $fluid->viscosity);
        $this->conductivity = array_fill(0, $domain->layout->length, $fluid->conductivity);
        $this->density = array_fill(0, $domain->layout->length, $fluid->density);
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity
     * @param array<int, float> $temperature K, in the layout of the flow
     * @param ?array<int, float> $density kg/m3, in the layout of the flow; null: that of the surroundings everywhere
     */
    public function update(array $velocity, array $temperature, ?array $density): void
    {
        $this->density = $density ?? $this->density;
        if ($this->fluid->powerLaw !== null) {
            $this->byShear($velocity);
        } elseif ($this->fluid->varies()) {
            foreach ($this->domain->fluid as $c => $fluid) {
                if ($fluid === 1) {
                    $this->viscosity[$c] = $this->fluid->viscosityAt($temperature[$c]);
                    $this->conductivity[$c] = $this->fluid->conductivityAt($temperature[$c]);
                }
            }
            $this->wallViscosity = $this->viscosity;
        }
    }

    /** @param array{array<int, float>, array<int, float>, array<int, float>} $velocity */
    private function byShear(array $velocity): void
    {
        [$consistency, $index] = $this->fluid->powerLaw ?? [0.0, 1.0];
        $strain = StrainRate::squared($this->domain, $velocity);
        $speed = StrainRate::speeds($this->domain->layout, $velocity);
        $largest = Vectors::largest($strain);
        if ($largest <= 0.0) {
            return;
        }
        $least = self::LEAST_SHEAR ** 2 * $largest;
        foreach ($this->domain->fluid as $c => $fluid) {
            if ($fluid === 1) {
                $wall = $this->strainAtWall($c, $speed[$c]);
                $this->viscosity[$c] = $consistency * max($least, $strain[$c]) ** (0.5 * ($index - 1.0));
                $this->wallViscosity[$c] = $consistency * max($least, $wall ** 2) ** (0.5 * ($index - 1.0));
            }
        }
    }

    /** Speed over the distance to the nearest wall next to a cell, 1/s; 0 without one. */
    private function strainAtWall(int $c, float $speed): float
    {
        $layout = $this->domain->layout;
        $place = $layout->place($c);
        $nearest = INF;
        foreach ([0, 1, 2] as $axis) {
            foreach ([-1, 1] as $sign) {
                $next = $c + $sign * $layout->stride[$axis];
                if ($this->domain->fluid[$next] !== 1 && $this->domain->noSlip[$next] > 0.0) {
                    $nearest = min($nearest, 0.5 * $layout->width[$axis][$place[$axis]]);
                }
            }
        }

        return $speed / $nearest;
    }
}
