<?php

declare(strict_types=1);

namespace Foehn\Units;

/** Exponents of the five SI base units the product needs: metre, kilogram, second, kelvin, ampere. */
final readonly class Dimension
{
    private const NAMES = [
        '0,0,0,0,0' => 'a plain number',
        '1,0,0,0,0' => 'a length (e.g. "12 mm")',
        '2,0,0,0,0' => 'an area (e.g. "4 cm^2")',
        '3,0,0,0,0' => 'a volume (e.g. "2 cm^3")',
        '0,0,1,0,0' => 'a time (e.g. "10 s")',
        '1,0,-1,0,0' => 'a speed (e.g. "1 m/s")',
        '1,0,-2,0,0' => 'an acceleration (e.g. "9.81 m/s^2")',
        '0,0,0,1,0' => 'a temperature (e.g. "45 degC", a difference in "K")',
        '2,1,-3,0,0' => 'a heat flow (e.g. "12 W")',
        '0,1,-3,0,0' => 'a heat flux (e.g. "500 W/m^2")',
        '-1,1,-3,0,0' => 'a heat source per volume (e.g. "2e6 W/m^3")',
        '0,1,-3,-1,0' => 'a convection coefficient (e.g. "8 W/m^2/K")',
        '1,1,-3,-1,0' => 'a thermal conductivity (e.g. "0.3 W/m/K")',
        '-2,-1,3,1,0' => 'a thermal resistance (e.g. "0.4 K/W")',
        '0,-1,3,1,0' => 'a resistance times area (e.g. "2e-5 m^2*K/W")',
        '-3,1,0,0,0' => 'a density (e.g. "2700 kg/m^3")',
        '2,0,-2,-1,0' => 'a specific heat (e.g. "900 J/kg/K")',
        '2,1,-3,0,-2' => 'an electrical resistance (e.g. "0.5 ohm")',
        '4,1,-3,0,-2' => 'an electrical resistance times area (e.g. "2e-9 ohm*m^2")',
        '3,1,-3,0,-2' => 'an electrical resistivity (e.g. "1.7e-8 ohm*m")',
        '0,0,0,-1,0' => 'a share per kelvin (e.g. "23e-6/K")',
        '-1,1,-1,0,0' => 'a dynamic viscosity (e.g. "1.8e-5 Pa*s")',
        '-2,1,-2,0,0' => 'a force per volume (e.g. "12 N/m^3")',
        '-1,1,-2,0,0' => 'a pressure (e.g. "20 Pa")',
        '2,1,-3,0,-1' => 'a voltage (e.g. "0.5 V")',
        '0,0,0,0,1' => 'a current (e.g. "5 A")',
        '-2,0,0,0,1' => 'a current density (e.g. "5 A/mm^2")',
        '3,0,-1,0,0' => 'a volume flow (e.g. "4 l/s")',
        '0,1,-1,0,0' => 'a mass flow (e.g. "5 g/s")',
    ];

    /** @param array{float|int, float|int, float|int, float|int, float|int} $exponents of m, kg, s, K, A */
    private function __construct(public array $exponents)
    {
    }

    public static function of(float|int $m = 0, float|int $kg = 0, float|int $s = 0, float|int $K = 0, float|int $A = 0): self
    {
        return new self([$m, $kg, $s, $K, $A]);
    }

    public static function none(): self
    {
        return self::of();
    }

    public static function length(): self
    {
        return self::of(m: 1);
    }

    public static function time(): self
    {
        return self::of(s: 1);
    }

    public static function temperature(): self
    {
        return self::of(K: 1);
    }

    public static function power(): self
    {
        return self::of(m: 2, kg: 1, s: -3);
    }

    public static function heatFlux(): self
    {
        return self::of(kg: 1, s: -3);
    }

    public static function heatSource(): self
    {
        return self::of(m: -1, kg: 1, s: -3);
    }

    public static function filmCoefficient(): self
    {
        return self::of(kg: 1, s: -3, K: -1);
    }

    public static function conductivity(): self
    {
        return self::of(m: 1, kg: 1, s: -3, K: -1);
    }

    public static function thermalResistance(): self
    {
        return self::of(m: -2, kg: -1, s: 3, K: 1);
    }

    public static function areaResistance(): self
    {
        return self::of(kg: -1, s: 3, K: 1);
    }

    public static function density(): self
    {
        return self::of(m: -3, kg: 1);
    }

    public static function specificHeat(): self
    {
        return self::of(m: 2, s: -2, K: -1);
    }

    public static function current(): self
    {
        return self::of(A: 1);
    }

    public static function currentDensity(): self
    {
        return self::of(m: -2, A: 1);
    }

    public static function voltage(): self
    {
        return self::of(m: 2, kg: 1, s: -3, A: -1);
    }

    public static function electricalResistance(): self
    {
        return self::of(m: 2, kg: 1, s: -3, A: -2);
    }

    public static function electricalAreaResistance(): self
    {
        return self::of(m: 4, kg: 1, s: -3, A: -2);
    }

    public static function resistivity(): self
    {
        return self::of(m: 3, kg: 1, s: -3, A: -2);
    }

    public static function expansion(): self
    {
        return self::of(K: -1);
    }

    public static function viscosity(): self
    {
        return self::of(m: -1, kg: 1, s: -1);
    }

    public static function speed(): self
    {
        return self::of(m: 1, s: -1);
    }

    public static function pressure(): self
    {
        return self::of(m: -1, kg: 1, s: -2);
    }

    public static function volumeFlow(): self
    {
        return self::of(m: 3, s: -1);
    }

    public static function massFlow(): self
    {
        return self::of(kg: 1, s: -1);
    }

    /** Force per volume. */
    public static function forceDensity(): self
    {
        return self::of(m: -2, kg: 1, s: -2);
    }

    public static function acceleration(): self
    {
        return self::of(m: 1, s: -2);
    }

    public function times(self $other, int $sign = 1): self
    {
        [$a, $b] = [$this->exponents, $other->exponents];

        return new self([$a[0] + $sign * $b[0], $a[1] + $sign * $b[1], $a[2] + $sign * $b[2], $a[3] + $sign * $b[3], $a[4] + $sign * $b[4]]);
    }

    public function raisedTo(float $exponent): self
    {
        return new self(array_map(fn ($a) => $a * $exponent, $this->exponents));
    }

    public function equals(self $other): bool
    {
        foreach ($this->exponents as $i => $exponent) {
            if (abs($exponent - $other->exponents[$i]) > 1e-9) {
                return false;
            }
        }

        return true;
    }

    public function isNone(): bool
    {
        return $this->equals(self::none());
    }

    /** A name a user understands, with an example where the quantity is a usual one. */
    public function describe(): string
    {
        $key = implode(',', array_map(fn ($e) => (string) (abs($e) < 1e-9 ? 0 : round($e, 6)), $this->exponents));
        if (isset(self::NAMES[$key])) {
            return self::NAMES[$key];
        }

        return 'a quantity in ' . $this->unit();
    }

    /** Its SI unit, of base units; empty for a plain number. */
    public function unit(): string
    {
        $units = [];
        foreach (['m', 'kg', 's', 'K', 'A'] as $i => $unit) {
            $e = $this->exponents[$i];
            if (abs($e) > 1e-9) {
                $units[] = $unit . (abs($e - 1) < 1e-9 ? '' : '^' . round($e, 3));
            }
        }

        return implode('*', $units);
    }
}
