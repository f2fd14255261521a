<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

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
     * @param array<int, float> $emissivity by element, above 0 (see Emitters)
     * @param array<int, float> $irradiation W/m2 by element
     * @param float $begin K of the surfaces to begin with
     */
    public function __construct(private readonly array $emissivity, public array $irradiation, float $begin)
    {
        $this->about = array_map(fn (): float => $begin, $emissivity);
    }

    /**
     * Another model's surfaces at the temperatures, and in the light, of these.
     *
     * @param array<int, float> $emissivity of the same elements
     * @param ?float $radiant K of what they see where they see the surroundings only; null: what these see
     */
    public function like(array $emissivity, ?float $radiant): self
    {
        $other = new self($emissivity, array_map(fn (): float => self::SIGMA * ($radiant ?? 0.0) ** 4, $emissivity), 1.0);
        $other->about = array_replace($other->about, array_intersect_key($this->about, $other->about));
        if ($radiant === null) {
            $other->irradiation = array_replace($other->irradiation, array_intersect_key($this->irradiation, $other->irradiation));
        }

        return $other;
    }

    public function addToSurfaces(SurfaceNodes $nodes): void
    {
        foreach ($this->emissivity as $e => $emissivity) {
            $about = $this->about[$e];
            $slope = 4.0 * self::SIGMA * $about ** 3;
            $nodes->radiate($e, $emissivity * $slope, $about - (self::SIGMA * $about ** 4 - $this->irradiation[$e]) / $slope);
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
        foreach ($this->emissivity as $e => $emissivity) {
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
