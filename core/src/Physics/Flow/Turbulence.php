<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Model\Fluid;

/**
 * Algebraic eddy viscosity. Along walls from wall distance and local speed (Agonafer, Gan-Li & Spalding, EEP 17-2 (1996) 21),
 * which follows the wall law; towards the middle of a gap it is reduced to Reichardt's profile (ZAMM 31 (1951) 208), without
 * which friction and heat come out by a third too large. In jets and wakes, which that knows nothing of, Prandtl's mixing length
 * (ZAMM 5 (1925) 136) counts where it gives more, away from the walls: over a gap as Nikuradse measured it (VDI-Forschungsheft
 * 356, 1932).
 */
final class Turbulence
{
    private const TURBULENT_PRANDTL = 0.9;

    /** Of the eddy viscosity of the wall law, in the middle of a gap: Reichardt's profile has it. */
    private const LEAST_IN_GAP = 0.5;

    /** Of Nikuradse's length: with ten cells across a channel, where shear comes out too large, it still adds nothing to what the wall law gives. */
    private const MIXING_LENGTH = 0.8;

    /** Beyond this share of the gap from the walls the mixing length counts. */
    private const CORE = 0.125;

    private WallLaw $law;

    /** @var array<int, float> Pa s, in the layout of the flow */
    public array $viscosity;

    /** @var array<int, float> Pa s, in the layout of the flow */
    public array $wallViscosity;

    /** @var array<int, float> W/m/K per cell of the grid */
    public array $conductivity = [];

    /** @var array<int, float> W/m/K per cell of the grid, between the cell and a wall */
    public array $wallConductivity = [];

    public function __construct(private readonly FlowDomain $domain, private readonly Fluid $fluid, private readonly WallDistance $wall)
    {
        $this->law = new WallLaw($fluid->prandtl());
        $this->viscosity = $this->wallViscosity = array_fill(0, $domain->layout->length, $fluid->viscosity);
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity
     * @param array<int, float> $intermittency by cell of the grid, how much of the turbulence there is where walls stand too close
     */
    public function update(array $velocity, MolecularProperties $molecular, array $intermittency): void
    {
        $layout = $this->domain->layout;
        $viscosity = $layout->gather($molecular->viscosity);
        $conductivity = $layout->gather($molecular->conductivity);
        [$inside, $shear] = $this->evaluate($velocity, $viscosity, $conductivity, $layout->gather($molecular->density));
        foreach ($intermittency as $n => $part) {
            $inside[$n] = $viscosity[$n] + $part * ($inside[$n] - $viscosity[$n]);
            $shear[$n] = $viscosity[$n] + $part * ($shear[$n] - $viscosity[$n]);
            $this->conductivity[$n] = $conductivity[$n] + $part * ($this->conductivity[$n] - $conductivity[$n]);
            $this->wallConductivity[$n] = $conductivity[$n] + $part * ($this->wallConductivity[$n] - $conductivity[$n]);
        }
        $this->viscosity = $this->domain->layout->spread($inside, $this->fluid->viscosity);
        $this->wallViscosity = $this->domain->layout->spread($shear, $this->fluid->viscosity);
    }

    /**
     * mu_t = mu (d y+/d u+ - 1) near walls, at least rho l^2 |S| away from them; k_t = c_p mu_t / Pr_t.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @param array<int, float> $molecular Pa s
     * @param array<int, float> $molecularConductivity W/m/K
     * @param array<int, float> $density kg/m3
     * @return array{array<int, float>, array<int, float>} viscosity and that towards walls, Pa s per cell of the grid
     */
    private function evaluate(array $velocity, array $molecular, array $molecularConductivity, array $density): array
    {
        $layout = $this->domain->layout;
        $speed = $layout->gather(StrainRate::speeds($layout, $velocity));
        $strain = $layout->gather(StrainRate::squared($this->domain, $velocity));
        [$distance, $gap] = [$this->wall->distance, $this->wall->gap];
        [$inside, $shear, $heat] = [$this->law->inside, $this->law->shear, $this->law->heat];
        [$core, $mixing] = [self::CORE, self::MIXING_LENGTH];
        $turbulent = $this->fluid->specificHeat / self::TURBULENT_PRANDTL;
        $conductivity = $wallConductivity = $viscosity = $wallViscosity = $speed;
        for ($n = 0, $count = count($speed); $n < $count; $n++) {
            $mu = $molecular[$n];
            $k = $molecularConductivity[$n];
            $place = WallLaw::place($density[$n] / $mu * $speed[$n] * $distance[$n]);
            $reduced = 1.0;
            $fromMiddle = 0.0;
            if ($gap[$n] > 0.0) {
                $s = 2.0 * $distance[$n] / $gap[$n];
                $fromMiddle = $s < 1.0 ? (1.0 - $s) * (1.0 - $s) : 0.0;
                $reduced = (2.0 - $s) * (1.0 + 2.0 * $fromMiddle) / 6.0;
                $reduced = $reduced < self::LEAST_IN_GAP ? self::LEAST_IN_GAP : ($reduced > 1.0 ? 1.0 : $reduced);
            }
            $eddy = $mu * ($inside[$place] - 1.0) * $reduced;
            // Near walls the wall law alone is right.
            if ($distance[$n] > $core * $gap[$n]) {
                $length = 0.5 * $mixing * $gap[$n] * (0.14 - 0.08 * $fromMiddle - 0.06 * $fromMiddle * $fromMiddle);
                $free = $density[$n] * $length * $length * sqrt($strain[$n]);
                $eddy = $eddy > $free ? $eddy : $free;
            }
            $viscosity[$n] = $mu + $eddy;
            $wallViscosity[$n] = $mu * $shear[$place];
            $conductivity[$n] = $k + $turbulent * $eddy;
            $wallConductivity[$n] = $k * $heat[$place];
        }

        [$this->conductivity, $this->wallConductivity] = [$conductivity, $wallConductivity];

        return [$viscosity, $wallViscosity];
    }
}
