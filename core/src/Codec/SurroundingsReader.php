<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\Surroundings;
use Foehn\Units\Dimension;

/** Reads what is outside. */
final class SurroundingsReader
{
    public static function read(Reader $reader): Surroundings
    {
        $gravity = $reader->vector('gravity', Dimension::acceleration(), 3, [0.0, 0.0, -9.81]);
        $gravity = [$gravity[0], $gravity[1], $gravity[2]];
        $surroundings = new Surroundings(
            $reader->temperatureLoad('temperature', 293.15),
            self::altitude($reader),
            $gravity,
            $reader->has('radiantTemperature') ? $reader->temperatureLoad('radiantTemperature') : null,
            $reader->has('sun') ? SunReader::read($reader->object('sun'), $gravity) : null,
        );
        $reader->close();

        return $surroundings;
    }

    /** In metres; the pressure of the standard atmosphere is a formula for its lowest layer only. */
    private static function altitude(Reader $reader): float
    {
        $altitude = $reader->quantity('altitude', Dimension::length(), 0.0);
        if ($altitude < Surroundings::LOWEST || $altitude > Surroundings::HIGHEST) {
            $reader->problem('altitude', sprintf('%g m is given; the standard atmosphere of ISO 2533 holds here from %g m to %g m', $altitude, Surroundings::LOWEST, Surroundings::HIGHEST));
        }

        return $altitude;
    }
}
