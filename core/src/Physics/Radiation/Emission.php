<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\SurfaceElements;
use Foehn\Physics\Heat\SurfaceContribution;
use Foehn\Physics\Heat\SurfaceNodes;

/**
 * Grey surfaces that emit and take up radiation: q = eps (sigma T^4 - G) with the irradiation G, of large surroundings sigma T_r^4
 * (Incropera & DeWitt, Fundamentals of Heat and Mass Transfer, 2002, eq. 1.7). About the temperatures T* of the surfaces it is a
 * coefficient h = 4 eps sigma T*^3 towards theta = T* - (sigma T*^4 - G) / (4 sigma T*^3), which is Newton's method.
 */
final class Emission implements SurfaceContribution
{
    /** Stefan-Boltzmann constant, W/m2/K4 (CODATA 2018). */
    public const SIGMA = 5.670374419e-8;

    /** K4, below which no surface is taken to be. */
    private const COLDEST = 1.0;

    /** @var array<int, float> K by element, the temperatures it is linear about */
    public array $about;

    /**
     * @param array<int, float> $emissivity by element on the area of the grid face, above 0; of walls of the space that of their inside
     * @param array<int, float> $irradiation W/m2 by element
     * @param array<int, float> $outer emissivity of the outside of walls of the space, by element
     * @param float $radiant W/m2 in which that outside stands
     * @param float $begin K of the surfaces to begin with
     */
    public function __construct(public readonly array $emissivity, public array $irradiation, private readonly array $outer, private readonly float $radiant, float $begin)
    {
        $this->about = array_map(fn (): float => $begin, $emissivity + $outer);
    }

    /**
     * Another model's surfaces at the temperatures of these.
     *
     * @param self $other in their own light
     * @param bool $lit whether they stand in the light of these instead
     */
    public function like(self $other, bool $lit): self
    {
        $other->about = array_replace($other->about, array_intersect_key($this->about, $other->about));
        if ($lit) {
            $other->irradiation = array_replace($other->irradiation, array_intersect_key($this->irradiation, $other->irradiation));
        }

        return $other;
    }

    /** @param array<int, float> $temperature of the cells, K, that the surfaces take on */
    public function beginAt(SurfaceElements $elements, array $temperature): void
    {
        foreach ($this->about as $e => $_) {
            $this->about[$e] = max(self::COLDEST, $temperature[$elements->cell[$e]]);
        }
    }

    public function addToSurfaces(SurfaceNodes $nodes): void
    {
        foreach ($this->about as $e => $about) {
            $slope = 4.0 * self::SIGMA * $about ** 3;
            $towards = fn (float $light): float => $about - (self::SIGMA * $about ** 4 - $light) / $slope;
            if (isset($this->emissivity[$e])) {
                $nodes->radiate($e, $this->emissivity[$e] * $slope, $towards($this->irradiation[$e]), $this->irradiation[$e]);
            }
            if (isset($this->outer[$e])) {
                $nodes->radiateOut($e, $this->outer[$e] * $slope, $towards($this->radiant));
            }
        }
    }

    /**
     * Takes up the temperatures that the surfaces have now: those with the emission that was computed.
     *
     * @param array<int, float> $temperature of the cells, K
     * @return float W that the emission of all surfaces changes by, over what they emit
     */
    public function follow(SurfaceNodes $nodes, array $temperature): float
    {
        $moved = $all = 0.0;
        foreach (array_keys($this->about) as $e) {
            $emissivity = ($this->emissivity[$e] ?? 0.0) + ($this->outer[$e] ?? 0.0);
            $now = $nodes->surfaceTemperature($e, $temperature);
            // Those that the surfaces have been linear about, which may be another one's.
            $about = ($nodes->radiant($e) / (4.0 * $emissivity * self::SIGMA)) ** (1.0 / 3.0);
            // The fourth power on its tangent, so that a step from far away does not overshoot.
            $next = max(self::COLDEST, $about ** 4 + 4.0 * $about ** 3 * ($now - $about)) ** 0.25;
            $moved += $emissivity * $nodes->elements->area[$e] * abs($next ** 4 - $about ** 4);
            $all += $emissivity * $nodes->elements->area[$e] * $next ** 4;
            $this->about[$e] = $next;
        }

        return $all > 0.0 ? $moved / $all : 0.0;
    }
}
