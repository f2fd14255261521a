<?php

declare(strict_types=1);

namespace Foehn\Model;

/**
 * Sunlight. Where the sun stands by place, date and hour: declination and equation of time by the series of Spencer (Search 2 (1971) 172),
 * as in Iqbal, An Introduction to Solar Radiation (1983), ch. 1. Of a clear sky: direct 1353 W/m2 * 0.7^(AM^0.678) (Meinel & Meinel,
 * Applied Solar Energy, 1976) with the air mass AM of Kasten & Young (Appl. Opt. 28 (1989) 4735), diffuse a tenth of it.
 */
final readonly class Sun
{
    /** W/m2 outside of the atmosphere, of Meinel's fit. */
    private const OUTSIDE = 1353.0;

    private const DIFFUSE = 0.1;

    /**
     * @param array{float, float, float} $direction of length one, towards the sun
     * @param float $flux W/m2 on a surface that faces the sun
     * @param float $diffuse W/m2 on any surface, from all around
     */
    public function __construct(public array $direction, public float $flux, public float $diffuse)
    {
    }

    /**
     * Height of the sun and its azimuth from north over east.
     *
     * @param float $latitude rad, north is positive
     * @param int $day of the year, from 1
     * @param float $hour h of true solar time: at 12 it stands highest
     * @return array{float, float} rad
     */
    public static function place(float $latitude, int $day, float $hour): array
    {
        $declination = self::declination($day);
        $angle = M_PI * ($hour - 12.0) / 12.0;
        $height = asin(sin($latitude) * sin($declination) + cos($latitude) * cos($declination) * cos($angle));
        // From the south over west, turned to north over east.
        $azimuth = atan2(sin($angle), cos($angle) * sin($latitude) - tan($declination) * cos($latitude)) + M_PI;

        return [$height, fmod($azimuth + 2.0 * M_PI, 2.0 * M_PI)];
    }

    /** rad */
    private static function declination(int $day): float
    {
        $g = 2.0 * M_PI * ($day - 1) / 365.0;

        return 0.006918 - 0.399912 * cos($g) + 0.070257 * sin($g) - 0.006758 * cos(2 * $g) + 0.000907 * sin(2 * $g) - 0.002697 * cos(3 * $g) + 0.00148 * sin(3 * $g);
    }

    /**
     * True solar time of a clock time.
     *
     * @param float $longitude rad, east is positive
     * @param float $zone h that the clock is ahead of UTC
     */
    public static function solarHour(float $clock, int $day, float $longitude, float $zone): float
    {
        $g = 2.0 * M_PI * ($day - 1) / 365.0;
        $minutes = 229.18 * (0.000075 + 0.001868 * cos($g) - 0.032077 * sin($g) - 0.014615 * cos(2 * $g) - 0.04089 * sin(2 * $g));

        return $clock - $zone + 12.0 * $longitude / M_PI + $minutes / 60.0;
    }

    /** W/m2 of a clear sky with the sun at a height (rad), facing it; 0 below the horizon. */
    public static function clear(float $height): float
    {
        if ($height <= 0.0) {
            return 0.0;
        }
        $mass = 1.0 / (sin($height) + 0.50572 * (rad2deg($height) + 6.07995) ** -1.6364);

        return self::OUTSIDE * 0.7 ** ($mass ** 0.678);
    }

    /**
     * At a height and azimuth.
     *
     * @param array{float, float, float} $up of length one
     * @param array{float, float, float} $north
     */
    public static function at(float $height, float $azimuth, array $up, array $north, ?float $flux, ?float $diffuse): self
    {
        $flat = self::unit(self::less($north, self::dot($north, $up), $up));
        $east = [$flat[1] * $up[2] - $flat[2] * $up[1], $flat[2] * $up[0] - $flat[0] * $up[2], $flat[0] * $up[1] - $flat[1] * $up[0]];
        $direction = [0.0, 0.0, 0.0];
        foreach ($direction as $axis => $_) {
            $direction[$axis] = cos($height) * (cos($azimuth) * $flat[$axis] + sin($azimuth) * $east[$axis]) + sin($height) * $up[$axis];
        }
        $flux ??= self::clear($height);

        return new self([$direction[0], $direction[1], $direction[2]], $height > 0.0 ? $flux : 0.0, $diffuse ?? ($height > 0.0 ? self::DIFFUSE * $flux * sin($height) : 0.0));
    }

    /**
     * @param array{float, float, float} $vector
     * @return array{float, float, float}
     */
    public static function unit(array $vector): array
    {
        $length = max(1e-300, sqrt(self::dot($vector, $vector)));

        return [$vector[0] / $length, $vector[1] / $length, $vector[2] / $length];
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     */
    public static function dot(array $a, array $b): float
    {
        return $a[0] * $b[0] + $a[1] * $b[1] + $a[2] * $b[2];
    }

    /**
     * @param array{float, float, float} $a
     * @param array{float, float, float} $b
     * @return array{float, float, float} a - times b
     */
    private static function less(array $a, float $times, array $b): array
    {
        return [$a[0] - $times * $b[0], $a[1] - $times * $b[1], $a[2] - $times * $b[2]];
    }
}
