<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

/**
 * Algebraic eddy viscosity. Along walls from wall distance and local speed (Agonafer, Gan-Li & Spalding, EEP 17-2 (1996) 21),
 * which follows the wall law; towards the middle of a gap it is reduced to Reichardt's profile (ZAMM 31 (1951) 208), without
 * which friction and heat come out by a third too large. In jets and wakes, which that knows nothing of, Prandtl's mixing length
 * (ZAMM 5 (1925) 136) counts where it gives more, away from the walls: a share of the half gap (Escudier, Imperial College
 * TWF/TN/12, 1966).
 */
final class Turbulence
{
    private const TURBULENT_PRANDTL = 0.9;

    private const LEAST_SHARE = 0.5;

    /** Of the half gap; 0.09 as in boundary layers would add to what the wall law gives in a channel. */
    private const MIXING_LENGTH = 0.07;

    /** Beyond this share of the gap from the walls the mixing length counts. */
    private const CORE = 0.125;

    private WallLaw $law;

    private WallDistance $wall;

    /** @var list<float> Pa s, in the layout of the flow */
    public array $viscosity;

    /** @var list<float> Pa s, in the layout of the flow */
    public array $wallViscosity;

    /** @var list<float> W/m/K per cell of the grid */
    public array $conductivity = [];

    /** @var list<float> W/m/K per cell of the grid, between the cell and a wall */
    public array $wallConductivity = [];

    public function __construct(private readonly FlowDomain $domain, private readonly Fluid $fluid)
    {
        $this->law = new WallLaw($fluid->viscosity * $fluid->specificHeat / $fluid->conductivity);
        $this->wall = new WallDistance($domain);
        $this->viscosity = $this->wallViscosity = array_fill(0, $domain->layout->length, $fluid->viscosity);
    }

    /** @param array{list<float>, list<float>, list<float>} $velocity */
    public function update(array $velocity): void
    {
        [$this->conductivity, $this->wallConductivity, $inside, $shear] = self::evaluate(
            $this->domain->layout->gather($this->speeds($velocity)), $this->domain->layout->gather($this->strains($velocity)), $this->wall->distance, $this->wall->gap, $this->fluid, $this->law->inside, $this->law->shear, $this->law->heat,
        );
        $this->viscosity = $this->domain->layout->spread($inside, $this->fluid->viscosity);
        $this->wallViscosity = $this->domain->layout->spread($shear, $this->fluid->viscosity);
    }

    /**
     * Reynolds number of the flow: the mean of speed times twice the gap over kinematic viscosity, weighted by speed, so that
     * it says what holds where the flow is and not in dead corners.
     *
     * @param array{list<float>, list<float>, list<float>} $velocity
     */
    public function reynolds(array $velocity): float
    {
        $grid = $this->domain->layout->grid;
        [$nx, $ny] = $grid->cells;
        [$sum, $volume] = [0.0, 0.0];
        foreach ($this->domain->layout->gather($this->speeds($velocity)) as $n => $speed) {
            if ($this->wall->gap[$n] > 0.0) {
                $v = $grid->widths[0][$n % $nx] * $grid->widths[1][intdiv($n, $nx) % $ny] * $grid->widths[2][intdiv($n, $nx * $ny)];
                $sum += $v * $speed ** 2 * 2.0 * $this->wall->gap[$n];
                $volume += $v * $speed;
            }
        }

        return $sum / max($volume, 1e-300) * $this->fluid->density / $this->fluid->viscosity;
    }

    /**
     * @param array{list<float>, list<float>, list<float>} $velocity
     * @return list<float> m/s in the cells, in the layout of the flow
     */
    private function speeds(array $velocity): array
    {
        $layout = $this->domain->layout;

        return self::magnitudes($layout->pad, $layout->length - $layout->pad, $layout->stride, $velocity[0], $velocity[1], $velocity[2]);
    }

    /**
     * @param array{list<float>, list<float>, list<float>} $velocity
     * @return list<float> square of the rate of strain, 2 S S, in the cells, 1/s2, in the layout of the flow
     */
    private function strains(array $velocity): array
    {
        $layout = $this->domain->layout;
        $sum = $layout->zeros();
        foreach ([[0, 1], [0, 2], [1, 2]] as [$a, $b]) {
            $sum = self::shear($layout->size, $layout->pad, $layout->stride[$a], $layout->stride[$b], $a, $b, $layout->width[$a], $layout->width[$b], $this->domain->fluid, $velocity[$a], $velocity[$b], $sum);
        }

        return $sum;
    }

    /**
     * Adds the square of the shear between two axes, from differences over the neighbours of each cell.
     *
     * @param array{int, int, int} $size
     * @param list<float> $wa
     * @param list<float> $wb
     * @param list<int> $fluid
     * @param list<float> $u along the first axis
     * @param list<float> $v along the second one
     * @param list<float> $sum
     * @return list<float>
     */
    private static function shear(array $size, int $pad, int $sa, int $sb, int $a, int $b, array $wa, array $wb, array $fluid, array $u, array $v, array $sum): array
    {
        [$mx, $my, $mz] = $size;
        $c = $pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    if ($fluid[$c] === 1) {
                        $ia = $a === 0 ? $i : $j;
                        $ib = $b === 1 ? $j : $k;
                        $rate = ($u[$c + $sb] + $u[$c + $sb - $sa] - $u[$c - $sb] - $u[$c - $sb - $sa]) / ($wb[$ib - 1] + 2.0 * $wb[$ib] + $wb[$ib + 1])
                            + ($v[$c + $sa] + $v[$c + $sa - $sb] - $v[$c - $sa] - $v[$c - $sa - $sb]) / ($wa[$ia - 1] + 2.0 * $wa[$ia] + $wa[$ia + 1]);
                        $stretch = ($u[$c] - $u[$c - $sa]) / $wa[$ia];
                        $other = ($v[$c] - $v[$c - $sb]) / $wb[$ib];
                        // Each stretching rate belongs to two pairs of axes.
                        $sum[$c] += $rate * $rate + $stretch * $stretch + $other * $other;
                    }
                }
            }
        }

        return $sum;
    }

    /**
     * @param array{int, int, int} $stride
     * @param list<float> $u
     * @param list<float> $v
     * @param list<float> $w
     * @return list<float>
     */
    private static function magnitudes(int $first, int $end, array $stride, array $u, array $v, array $w): array
    {
        [, $sy, $sz] = $stride;
        $speed = array_fill(0, count($u), 0.0);
        for ($c = $first; $c < $end; $c++) {
            $a = $u[$c] + $u[$c - 1];
            $b = $v[$c] + $v[$c - $sy];
            $d = $w[$c] + $w[$c - $sz];
            $speed[$c] = 0.5 * sqrt($a * $a + $b * $b + $d * $d);
        }

        return $speed;
    }

    /**
     * @param list<float> $speed
     * @param list<float> $strain squared
     * @param list<float> $distance
     * @param list<float> $gap
     * @param list<float> $inside
     * @param list<float> $shear
     * @param list<float> $heat
     * @return array{list<float>, list<float>, list<float>, list<float>} conductivity, that towards walls, viscosity, that towards walls
     */
    private static function evaluate(array $speed, array $strain, array $distance, array $gap, Fluid $fluid, array $inside, array $shear, array $heat): array
    {
        $mu = $fluid->viscosity;
        [$core, $mixing] = [self::CORE, self::MIXING_LENGTH];
        $density = $fluid->density;
        $scale = $density / $mu;
        $turbulent = $fluid->specificHeat / self::TURBULENT_PRANDTL;
        $k = $fluid->conductivity;
        $conductivity = $wallConductivity = $viscosity = $wallViscosity = $speed;
        for ($n = 0, $count = count($speed); $n < $count; $n++) {
            $place = WallLaw::place($scale * $speed[$n] * $distance[$n]);
            $share = 1.0;
            if ($gap[$n] > 0.0) {
                $s = 2.0 * $distance[$n] / $gap[$n];
                $share = (2.0 - $s) * (1.0 + 2.0 * (1.0 - $s) * (1.0 - $s)) / 6.0;
                $share = $share < self::LEAST_SHARE ? self::LEAST_SHARE : ($share > 1.0 ? 1.0 : $share);
            }
            $eddy = $mu * ($inside[$place] - 1.0) * $share;
            // Near walls the wall law alone is right.
            if ($distance[$n] > $core * $gap[$n]) {
                $length = 0.5 * $mixing * $gap[$n];
                $free = $density * $length * $length * sqrt($strain[$n]);
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
