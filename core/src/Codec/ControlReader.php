<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Materials\PropertyLaw;
use Foehn\Model\Control;
use Foehn\Model\Controller;
use Foehn\Model\CurveControl;
use Foehn\Model\Part;
use Foehn\Model\Sensor;
use Foehn\Model\Target;
use Foehn\Model\Thermostat;
use Foehn\Units\Dimension;

/** Reads what sets the watts of a part, or the speed of a fan, by the temperature at a sensor. */
final class ControlReader
{
    private const KINDS = ['curve', 'thermostat', 'controller'];

    public static function isControl(mixed $power): bool
    {
        return is_array($power) && array_intersect(self::KINDS, array_keys($power)) !== [];
    }

    /** @param bool $isOfFan whether it sets the speed of a fan, as a share of its full speed, and not watts */
    public static function read(Reader $reader, bool $isOfFan = false): ?Control
    {
        $control = match (true) {
            $reader->has('thermostat') => self::thermostat($reader->object('thermostat'), $isOfFan),
            $reader->has('controller') => self::controller($reader->object('controller'), $isOfFan),
            default => self::curve($reader, $isOfFan),
        };
        $reader->close();

        return $control;
    }

    private static function curve(Reader $reader, bool $isOfFan): ?CurveControl
    {
        $what = $isOfFan ? 'speed' : 'watts';
        $points = PairsReader::read($reader, Dimension::temperature(), self::dimension($isOfFan), "temperature, $what", 'temperatures', 'curve');
        if (count($points) < 2) {
            $reader->problem('curve', "a table of at least two pairs [temperature, $what] is expected");
        }
        $least = min([0.0, ...array_column($points, 1)]);
        if ($isOfFan && $least < 0.0) {
            $reader->problem('curve', sprintf('a speed of %g is given; a share of full speed is 0 or more', $least));
        }
        $sensor = self::sensor($reader->object('sensor', true));

        return $points === [] ? null : new CurveControl($sensor, new PropertyLaw($points));
    }

    /** Share of its full speed that a fan runs at while its thermostat is off; 1 where something else sets it. */
    public static function idle(Reader $reader): float
    {
        return $reader->has('thermostat') ? $reader->object('thermostat')->quantity('idle', Dimension::none(), 0.0) : 1.0;
    }

    private static function dimension(bool $isOfFan): Dimension
    {
        return $isOfFan ? Dimension::none() : Dimension::power();
    }

    private static function thermostat(Reader $reader, bool $isOfFan): Thermostat
    {
        [$on, $off] = [$reader->temperature('on'), $reader->temperature('off')];
        if ($on === $off) {
            $reader->problem('off', sprintf('it would switch on and off at %g K without end; give a hysteresis, such as 2 K between "on" and "off"', $on));
        }
        $watts = $isOfFan ? 0.0 : $reader->quantity('watts', Dimension::power());
        $speeds = $isOfFan ? [$reader->quantity('speed', Dimension::none(), 1.0, 0.0), $reader->quantity('idle', Dimension::none(), 0.0, 0.0)] : null;
        $least = fn (string $key): float => $reader->quantity($key, Dimension::time(), 0.0, 0.0);
        $thermostat = new Thermostat(self::sensor($reader->object('sensor', true)), $on, $off, $watts, $least('leastOn'), $least('leastOff'), $speeds);
        $reader->close();

        return $thermostat;
    }

    private static function controller(Reader $reader, bool $isOfFan): Controller
    {
        $dimension = self::dimension($isOfFan);
        $setpoint = $reader->temperature('setpoint');
        $gain = $reader->quantity('gain', $dimension->times(Dimension::temperature(), -1));
        $integral = $reader->has('integral') ? $reader->quantity('integral', Dimension::time(), null, 0.0, true) : null;
        [$least, $most] = [$reader->quantity('atLeast', $dimension, 0.0, $isOfFan ? 0.0 : null), $reader->quantity('atMost', $dimension, $isOfFan ? 1.0 : null)];
        if ($most <= $least) {
            $reader->problem('atMost', sprintf($isOfFan ? '%g is given; it must be above "atLeast", %g' : '%g W is given; it must be above "atLeast", %g W', $most, $least));
        }
        // A fan runs faster the warmer it is, and cools.
        $controller = new Controller(self::sensor($reader->object('sensor', true)), $setpoint, $isOfFan ? -$gain : $gain, $integral, $least, $most);
        $reader->close();

        return $controller;
    }

    private static function sensor(Reader $reader): Sensor
    {
        $point = $reader->has('point') ? $reader->vector('point', Dimension::length(), 3) : null;
        $part = $reader->has('part') ? $reader->string('part') : null;
        $face = $reader->has('face') ? $reader->string('face') : null;
        $node = $reader->has('node') ? $reader->oneOf('node', Target::NODES) : null;
        if (($part === null) === ($point === null)) {
            $reader->problem('', 'a sensor stands at a "part" or at a "point"');
        }
        $sensor = new Sensor(new Target($part, $face, $node, null, $point), $reader->quantity('lag', Dimension::time(), 0.0, 0.0), $reader->quantity('deadTime', Dimension::time(), 0.0, 0.0));
        $reader->close();

        return $sensor;
    }

    /**
     * Sensors have to stand at what is there.
     *
     * @param list<Part> $parts
     */
    public static function check(array $parts, Problems $problems): void
    {
        $byId = array_combine(array_map(fn (Part $part): string => $part->id, $parts), $parts);
        foreach ($parts as $part) {
            $of = ($part->speedControl ?? $part->control)?->sensor()->of;
            $pointer = $part->pointer . ($part->speedControl === null ? '/power' : '/shape/speedFactor');
            $at = $byId[$of->part ?? ''] ?? null;
            if ($of?->part !== null && $at === null) {
                $problems->add($pointer, sprintf('there is no part with the id "%s" for the sensor', $of->part));
            } elseif ($of?->face !== null && $at !== null && ! in_array($of->face, $at->shape->faces(), true)) {
                $problems->add($pointer, sprintf('"%s" has no face "%s" for the sensor; it has %s', $at->name, $of->face, implode(', ', $at->shape->faces())));
            }
        }
    }
}
