<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

/**
 * Velocity and temperature near a wall, laminar to turbulent in one curve (Spalding, J. Appl. Mech. 28 (1961) 455), tabulated
 * over the Reynolds number of speed and wall distance, u L / nu = u+ y+.
 */
final class WallLaw
{
    private const KAPPA = 0.41;

    private const E = 9.8;

    private const TURBULENT_PRANDTL = 0.9;

    /** Entries per factor of e. */
    private const FINE = 24;

    /** @var array<int, float> effective over molecular viscosity in the fluid, d y+ / d u+ */
    public readonly array $inside;

    /** @var array<int, float> wall shear over that of a linear profile, y+ / u+ */
    public readonly array $shear;

    /** @var array<int, float> wall heat over that of a linear profile, Pr y+ / T+ */
    public readonly array $heat;

    public function __construct(float $prandtl)
    {
        $inside = $shear = $heat = [];
        $u = $y = $t = 0.0;
        $next = 0.0;
        $step = 0.002;
        while (count($inside) < 20 * self::FINE) {
            $rise = self::rise($u + 0.5 * $step);
            $u += $step;
            $k = self::KAPPA * $u;
            $y = $u + (exp($k) - 1 - $k - $k ** 2 / 2 - $k ** 3 / 6) / self::E;
            // Heat and momentum flow through the same layers, each with its own resistance.
            $t += $step * $rise / (1 / $prandtl + ($rise - 1) / self::TURBULENT_PRANDTL);
            while ($u * $y >= exp($next / self::FINE)) {
                $inside[] = self::rise($u);
                $shear[] = $y / $u;
                $heat[] = $prandtl * $y / $t;
                $next++;
            }
        }
        [$this->inside, $this->shear, $this->heat] = [$inside, $shear, $heat];
    }

    /** Place in the tables for a Reynolds number; below 1 the profile is linear. */
    public static function place(float $reynolds): int
    {
        return $reynolds <= 1.0 ? 0 : min(20 * self::FINE - 1, (int) (self::FINE * log($reynolds)));
    }

    private static function rise(float $u): float
    {
        $k = self::KAPPA * $u;

        return 1 + self::KAPPA / self::E * (exp($k) - 1 - $k - $k ** 2 / 2);
    }
}
