<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Physics\Heat\SurfaceContribution;
use Foehn\Physics\Heat\SurfaceNodes;

/**
 * Grey surfaces that see nothing but large surroundings: q = eps sigma (T^4 - T_r^4) (Incropera & DeWitt, Fundamentals of Heat and Mass
 * Transfer, 2002, eq. 1.7). About the temperatures T* of the surfaces it is a coefficient h = 4 eps sigma T*^3 towards
 * theta = T* - (T*^4 - T_r^4) / (4 T*^3), which is Newton's method.
 */
final class ToSurroundings implements SurfaceContribution
{
    /** Stefan-Boltzmann constant, W/m2/K4 (CODATA 2018). */
    public const SIGMA = 5.670374419e-8;

    /** K4, below which no surface is taken to be. */
    private const COLDEST = 1.0;

    /** @var array<int, float> K by element, the temperatures it is linear about */
    private array $about;

    /** @param float $radiant K, of the surroundings */
    public function __construct(private readonly Emitters $emitters, private readonly float $radiant, float $begin)
    {
        $this->about = array_fill_keys(array_keys($emitters->emissivity), $begin);
    }

    /**
     * Another model's surfaces at the temperatures of these.
     *
     * @param Emitters $emitters of the same elements
     */
    public function like(Emitters $emitters, float $radiant): self
    {
        $other = new self($emitters, $radiant, $radiant);
        $other->about = array_replace($other->about, array_intersect_key($this->about, $other->about));

        return $other;
    }

    public function addToSurfaces(SurfaceNodes $nodes): void
    {
        foreach ($this->emitters->emissivity as $e => $emissivity) {
            $about = $this->about[$e];
            $cube = $about ** 3;
            $nodes->radiate($e, 4.0 * $emissivity * self::SIGMA * $cube, $about - ($about ** 4 - $this->radiant ** 4) / (4.0 * $cube));
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
        foreach ($this->emitters->emissivity as $e => $emissivity) {
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
