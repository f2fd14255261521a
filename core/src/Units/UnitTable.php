<?php

declare(strict_types=1);

namespace Foehn\Units;

/** The unit symbols a user may type, with factor to SI, dimension and, for temperatures on a scale, offset in kelvin. */
final class UnitTable
{
    /** symbol => [factor, m, kg, s, K, A]; conversion factors after BIPM, The International System of Units, 9th ed. (2019). */
    private const UNITS = [
        'm' => [1.0, 1, 0, 0, 0, 0], 'km' => [1e3, 1, 0, 0, 0, 0], 'cm' => [1e-2, 1, 0, 0, 0, 0], 'mm' => [1e-3, 1, 0, 0, 0, 0],
        'um' => [1e-6, 1, 0, 0, 0, 0], 'µm' => [1e-6, 1, 0, 0, 0, 0], 'nm' => [1e-9, 1, 0, 0, 0, 0],
        'in' => [0.0254, 1, 0, 0, 0, 0], 'ft' => [0.3048, 1, 0, 0, 0, 0], 'mil' => [2.54e-5, 1, 0, 0, 0, 0],
        'l' => [1e-3, 3, 0, 0, 0, 0], 'L' => [1e-3, 3, 0, 0, 0, 0],
        's' => [1.0, 0, 0, 1, 0, 0], 'ms' => [1e-3, 0, 0, 1, 0, 0], 'min' => [60.0, 0, 0, 1, 0, 0], 'h' => [3600.0, 0, 0, 1, 0, 0],
        'kg' => [1.0, 0, 1, 0, 0, 0], 'g' => [1e-3, 0, 1, 0, 0, 0], 'lb' => [0.45359237, 0, 1, 0, 0, 0],
        'K' => [1.0, 0, 0, 0, 1, 0], 'mK' => [1e-3, 0, 0, 0, 1, 0],
        'A' => [1.0, 0, 0, 0, 0, 1], 'mA' => [1e-3, 0, 0, 0, 0, 1],
        'N' => [1.0, 1, 1, -2, 0, 0], 'Pa' => [1.0, -1, 1, -2, 0, 0], 'kPa' => [1e3, -1, 1, -2, 0, 0], 'MPa' => [1e6, -1, 1, -2, 0, 0],
        'GPa' => [1e9, -1, 1, -2, 0, 0], 'bar' => [1e5, -1, 1, -2, 0, 0], 'psi' => [6894.757293168, -1, 1, -2, 0, 0],
        'J' => [1.0, 2, 1, -2, 0, 0], 'kJ' => [1e3, 2, 1, -2, 0, 0],
        'W' => [1.0, 2, 1, -3, 0, 0], 'mW' => [1e-3, 2, 1, -3, 0, 0], 'uW' => [1e-6, 2, 1, -3, 0, 0], 'kW' => [1e3, 2, 1, -3, 0, 0],
        'V' => [1.0, 2, 1, -3, 0, -1], 'mV' => [1e-3, 2, 1, -3, 0, -1],
        'ohm' => [1.0, 2, 1, -3, 0, -2], 'mohm' => [1e-3, 2, 1, -3, 0, -2], 'S' => [1.0, -2, -1, 3, 0, 2],
        'deg' => [M_PI / 180, 0, 0, 0, 0, 0], 'rad' => [1.0, 0, 0, 0, 0, 0], '%' => [0.01, 0, 0, 0, 0, 0],
    ];

    /** scale => [kelvin per degree, zero of the scale in kelvin] */
    private const SCALES = ['degC' => [1.0, 273.15], '°C' => [1.0, 273.15], 'degF' => [5 / 9, 459.67 * 5 / 9], '°F' => [5 / 9, 459.67 * 5 / 9]];

    public static function isUnit(string $symbol): bool
    {
        return isset(self::UNITS[$symbol]) || isset(self::SCALES[$symbol]);
    }

    public static function isScale(string $symbol): bool
    {
        return isset(self::SCALES[$symbol]);
    }

    /** One of the unit as a quantity; null when the symbol is not a unit or is a temperature scale. */
    public static function unit(string $symbol): ?Quantity
    {
        if (! isset(self::UNITS[$symbol])) {
            return null;
        }
        [$factor, $m, $kg, $s, $K, $A] = self::UNITS[$symbol];

        return new Quantity($factor, Dimension::of($m, $kg, $s, $K, $A));
    }

    /** A reading on a temperature scale as an absolute temperature in kelvin. */
    public static function onScale(float $reading, string $scale): Quantity
    {
        [$factor, $zero] = self::SCALES[$scale];

        return new Quantity($reading * $factor + $zero, Dimension::temperature());
    }
}
