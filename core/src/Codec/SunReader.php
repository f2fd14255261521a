<?php

declare(strict_types=1);

namespace Foehn\Codec;

use DateTimeImmutable;
use Foehn\Model\Sun;
use Foehn\Units\Dimension;

/** Reads where the sun stands, by a direction or by place, date and hour, and how strongly it shines. */
final class SunReader
{
    /** W/m2, more than the sun has outside of the atmosphere. */
    private const MOST = 1500.0;

    /** @param array{float, float, float} $gravity m/s2, against which up is */
    public static function read(Reader $reader, array $gravity): Sun
    {
        $sun = $reader->has('direction') ? self::byDirection($reader) : self::byHour($reader, $gravity);
        $reader->close();

        return $sun;
    }

    private static function byDirection(Reader $reader): Sun
    {
        foreach (['latitude', 'date', 'hour'] as $key) {
            if ($reader->has($key)) {
                $reader->problem($key, sprintf('the sun stands where its "direction" says, or by latitude, date and hour; "direction" and "%s" are given', $key));
            }
        }
        $given = $reader->vector('direction', Dimension::none(), 3);
        $direction = [$given[0], $given[1], $given[2]];
        if (Sun::dot($direction, $direction) <= 0.0) {
            $reader->problem('direction', 'the direction has no length; write where the sun stands, such as [1, 0, 1]');
        }

        return new Sun(Sun::unit($direction), self::flux($reader, 'flux') ?? self::needed($reader), self::flux($reader, 'diffuse') ?? 0.0);
    }

    private static function needed(Reader $reader): float
    {
        $reader->problem('flux', 'the flux of the sun is missing, such as "1000 W/m^2"; it follows from latitude, date and hour only');

        return 0.0;
    }

    /** @param array{float, float, float} $gravity */
    private static function byHour(Reader $reader, array $gravity): Sun
    {
        $latitude = $reader->quantity('latitude', Dimension::none());
        if (abs($latitude) > M_PI / 2.0 + 1e-9) {
            $reader->problem('latitude', sprintf('%g is given; a latitude goes from "-90 deg" to "90 deg", and a plain number is in rad', $latitude));
        }
        $text = $reader->string('date');
        $date = DateTimeImmutable::createFromFormat('!Y-m-d', $text);
        if ($date === false || $date->format('Y-m-d') !== $text) {
            $reader->problem('date', sprintf('"%s" is no date; write it as "2027-06-21"', $text));
            $date = new DateTimeImmutable('2027-01-01');
        }
        $day = 1 + (int) $date->format('z');
        $hour = $reader->quantity('hour', Dimension::none());
        if ($hour < 0.0 || $hour > 24.0) {
            $reader->problem('hour', sprintf('%g is given; an hour goes from 0 to 24', $hour));
        }
        if ($reader->has('longitude') !== $reader->has('zone')) {
            $reader->problem($reader->has('zone') ? 'zone' : 'longitude', 'a clock time needs both, the "longitude" and the "zone" in hours ahead of UTC; without them the hour is true solar time');
        } elseif ($reader->has('zone')) {
            $hour = Sun::solarHour($hour, $day, $reader->quantity('longitude', Dimension::none()), $reader->quantity('zone', Dimension::none()));
        }
        $up = Sun::dot($gravity, $gravity) > 0.0 ? Sun::unit([-$gravity[0], -$gravity[1], -$gravity[2]]) : [0.0, 0.0, 1.0];
        $north = $reader->vector('north', Dimension::none(), 3, [0.0, 1.0, 0.0]);
        $north = [$north[0], $north[1], $north[2]];
        if (Sun::dot($north, $north) - Sun::dot($north, $up) ** 2 <= 1e-12) {
            $reader->problem('north', 'north points straight up or down, or nowhere; write the direction of the drawing that points north, such as [0, 1, 0]');
            $north = $up[0] ** 2 < 0.5 ? [1.0, 0.0, 0.0] : [0.0, 1.0, 0.0];
        }
        [$height, $azimuth] = Sun::place($latitude, $day, $hour);

        return Sun::at($height, $azimuth, $up, $north, self::flux($reader, 'flux'), self::flux($reader, 'diffuse'));
    }

    /** W/m2; null where none is given. */
    private static function flux(Reader $reader, string $key): ?float
    {
        $flux = $reader->optionalQuantity($key, Dimension::heatFlux());
        if ($flux !== null && ($flux < 0.0 || $flux > self::MOST)) {
            $reader->problem($key, sprintf('%g W/m2 are given; sunlight has 0 to %g W/m2', $flux, self::MOST));
        }

        return $flux;
    }
}
