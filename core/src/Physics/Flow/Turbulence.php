<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

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

    private const LEAST_SHARE = 0.5;

    /** Of Nikuradse's length: with ten cells across a channel, where shear comes out too large, it still adds nothing to what the wall law gives. */
    private const MIXING_LENGTH = 0.8;

    /** Beyond this share of the gap from the walls the mixing length counts. */
    private const CORE = 0.125;

    private WallLaw $law;

    /** @var list<float> Pa s, in the layout of the flow */
    public array $viscosity;

    /** @var list<float> Pa s, in the layout of the flow */
    public array $wallViscosity;

    /** @var list<float> W/m/K per cell of the grid */
    public array $conductivity = [];

    /** @var list<float> W/m/K per cell of the grid, between the cell and a wall */
    public array $wallConductivity = [];

    public function __construct(private readonly FlowDomain $domain, private readonly Fluid $fluid, private readonly WallDistance $wall)
    {
        $this->law = new WallLaw($fluid->prandtl());
        $this->viscosity = $this->wallViscosity = array_fill(0, $domain->layout->length, $fluid->viscosity);
    }

    /**
     * @param array{list<float>, list<float>, list<float>} $velocity
     * @param array<int, float> $share by cell of the grid, how much of it there is where walls stand too close
     */
    public function update(array $velocity, MolecularProperties $molecular, array $share): void
    {
        $layout = $this->domain->layout;
        [$this->conductivity, $this->wallConductivity, $inside, $shear] = self::evaluate(
            $layout->gather(StrainRate::speeds($layout, $velocity)), $layout->gather(StrainRate::squared($this->domain, $velocity)), $this->wall->distance, $this->wall->gap,
            $viscosity = $layout->gather($molecular->viscosity), $conductivity = $layout->gather($molecular->conductivity), $layout->gather($molecular->density), $this->fluid, $this->law->inside, $this->law->shear, $this->law->heat,
        );
        foreach ($share as $n => $part) {
            $inside[$n] = $viscosity[$n] + $part * ($inside[$n] - $viscosity[$n]);
            $shear[$n] = $viscosity[$n] + $part * ($shear[$n] - $viscosity[$n]);
            $this->conductivity[$n] = $conductivity[$n] + $part * ($this->conductivity[$n] - $conductivity[$n]);
            $this->wallConductivity[$n] = $conductivity[$n] + $part * ($this->wallConductivity[$n] - $conductivity[$n]);
        }
        $this->viscosity = $this->domain->layout->spread($inside, $this->fluid->viscosity);
        $this->wallViscosity = $this->domain->layout->spread($shear, $this->fluid->viscosity);
    }

    /**
     * @param list<float> $speed
     * @param list<float> $strain squared
     * @param list<float> $distance
     * @param list<float> $gap
     * @param list<float> $molecular Pa s
     * @param list<float> $molecularConductivity W/m/K
     * @param list<float> $density kg/m3
     * @param list<float> $inside
     * @param list<float> $shear
     * @param list<float> $heat
     * @return array{list<float>, list<float>, list<float>, list<float>} conductivity, that towards walls, viscosity, that towards walls
     */
    private static function evaluate(array $speed, array $strain, array $distance, array $gap, array $molecular, array $molecularConductivity, array $density, Fluid $fluid, array $inside, array $shear, array $heat): array
    {
        [$core, $mixing] = [self::CORE, self::MIXING_LENGTH];
        $turbulent = $fluid->specificHeat / self::TURBULENT_PRANDTL;
        $conductivity = $wallConductivity = $viscosity = $wallViscosity = $speed;
        for ($n = 0, $count = count($speed); $n < $count; $n++) {
            $mu = $molecular[$n];
            $k = $molecularConductivity[$n];
            $place = WallLaw::place($density[$n] / $mu * $speed[$n] * $distance[$n]);
            $share = 1.0;
            $fromMiddle = 0.0;
            if ($gap[$n] > 0.0) {
                $s = 2.0 * $distance[$n] / $gap[$n];
                $fromMiddle = $s < 1.0 ? (1.0 - $s) * (1.0 - $s) : 0.0;
                $share = (2.0 - $s) * (1.0 + 2.0 * $fromMiddle) / 6.0;
                $share = $share < self::LEAST_SHARE ? self::LEAST_SHARE : ($share > 1.0 ? 1.0 : $share);
            }
            $eddy = $mu * ($inside[$place] - 1.0) * $share;
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

        return [$conductivity, $wallConductivity, $viscosity, $wallViscosity];
    }
}
