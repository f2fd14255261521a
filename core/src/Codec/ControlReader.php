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

    public static function read(Reader $reader): ?Control
    {
        $control = match (true) {
            $reader->has('thermostat') => self::thermostat($reader->object('thermostat')),
            $reader->has('controller') => self::controller($reader->object('controller')),
            default => self::curve($reader),
        };
        $reader->close();

        return $control;
    }

    private static function curve(Reader $reader): ?CurveControl
    {
        $points = PairsReader::read($reader, Dimension::temperature(), Dimension::power(), 'temperature, watts', 'temperatures', 'curve');
        if (count($points) < 2) {
            $reader->problem('curve', 'a table of at least two pairs [temperature, watts] is expected');
        }
        $sensor = self::sensor($reader->object('sensor', true));

        return $points === [] ? null : new CurveControl($sensor, new PropertyLaw($points));
    }

    /** Of the speed of a fan, which a thermostat alone can switch: for every other speed a flow would have to be found. */
    public static function ofFan(Reader $reader): ?Thermostat
    {
        if (! $reader->has('thermostat')) {
            $reader->problem('', 'the speed of a fan is switched by a "thermostat" with "speed" and "idle"; a curve or a controller sets watts alone');

            return null;
        }
        $thermostat = self::thermostat($reader->object('thermostat'), true);
        $reader->close();

        return $thermostat;
    }

    /** Share of its full speed that a fan runs at while its thermostat is off. */
    public static function idle(Reader $reader): float
    {
        return $reader->has('thermostat') ? $reader->object('thermostat')->quantity('idle', Dimension::none(), 0.0) : 0.0;
    }

    private static function thermostat(Reader $reader, bool $isOfFan = false): Thermostat
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

    private static function controller(Reader $reader): Controller
    {
        $setpoint = $reader->temperature('setpoint');
        $gain = $reader->quantity('gain', Dimension::power()->times(Dimension::temperature(), -1));
        $integral = $reader->has('integral') ? $reader->quantity('integral', Dimension::time(), null, 0.0, true) : null;
        [$least, $most] = [$reader->quantity('atLeast', Dimension::power(), 0.0), $reader->quantity('atMost', Dimension::power())];
        if ($most <= $least) {
            $reader->problem('atMost', sprintf('%g W is given; it must be above "atLeast", %g W', $most, $least));
        }
        $controller = new Controller(self::sensor($reader->object('sensor', true)), $setpoint, $gain, $integral, $least, $most);
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
