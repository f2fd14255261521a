<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

/**
 * Friction and heat between parallel plates on a stretch of a duct that air enters with even speed and temperature. Lengths are in
 * hydraulic diameters (twice the gap) from the entrance on; the Reynolds number is that of the hydraulic diameter.
 * - Apparent friction over a length x, f Re = (24^2 + 3.44^2 Re / x)^(1/2) (Shah & London, Laminar Flow Forced Convection in Ducts,
 *   1978; combined as by Muzychka & Yovanovich, J. Fluids Eng. 131 (2009) 111105); turbulent f = 0.079 Re^(-1/4) (Blasius).
 * - Mean over a length x, Nu = 7.55 + 0.024 z^1.14 / (1 + 0.0358 Pr^0.17 z^0.64) with z = Re Pr / x, speed and temperature both
 *   developing (Stephan, Chem. Ing. Tech. 31 (1959) 773); turbulent after Gnielinski (Int. Chem. Eng. 16 (1976) 359).
 */
final class PlateDuct
{
    public const DEVELOPED_FRICTION = 24.0;

    private const TURBULENT_FROM = 2300.0;

    private const TURBULENT_WHOLLY = 4000.0;

    /** How much of the turbulence that a model gives there is: narrow gaps are laminar below their Reynolds number, whatever the flow before them is. */
    public static function turbulence(float $reynolds): float
    {
        return min(1.0, max(0.0, ($reynolds - self::TURBULENT_FROM) / (self::TURBULENT_WHOLLY - self::TURBULENT_FROM)));
    }

    /** Fanning friction factor times Reynolds number, of the stretch alone. */
    public static function friction(float $reynolds, float $from, float $to): float
    {
        $up = fn (float $x): float => sqrt(self::DEVELOPED_FRICTION ** 2 * $x * $x + 3.44 ** 2 * $reynolds * $x);
        $laminar = ($up($to) - $up($from)) / ($to - $from);

        return $reynolds > self::TURBULENT_FROM ? max($laminar, 0.079 * $reynolds ** 0.75) : $laminar;
    }

    /** Nusselt number of the stretch alone, of the mean temperature of the air there. */
    public static function nusselt(float $reynolds, float $prandtl, float $from, float $to): float
    {
        $up = function (float $x) use ($reynolds, $prandtl): float {
            $z = $x > 0.0 ? $reynolds * $prandtl / $x : 0.0;

            return $x * (7.55 + 0.024 * $z ** 1.14 / (1.0 + 0.0358 * $prandtl ** 0.17 * $z ** 0.64));
        };
        $laminar = ($up($to) - $up($from)) / ($to - $from);
        if ($reynolds <= self::TURBULENT_FROM) {
            return $laminar;
        }
        $eighth = (0.79 * log($reynolds) - 1.64) ** -2 / 8.0;

        return max($laminar, $eighth * ($reynolds - 1000.0) * $prandtl / (1.0 + 12.7 * sqrt($eighth) * ($prandtl ** (2 / 3) - 1.0)));
    }
}
