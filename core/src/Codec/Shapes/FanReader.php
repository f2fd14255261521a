<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Codec\ControlReader;
use Foehn\Shapes\Fan;
use Foehn\Shapes\FanCurve;
use Foehn\Shapes\Shape;
use Foehn\Units\Dimension;

/** A fan by its outline, direction and curve. Its place is the lowest corner of its rectangle, or of the square around a round one. */
final class FanReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $reader = $fields->reader;
        [$axis, $sign] = $fields->direction('direction');
        $hub = $reader->quantity('hub', Dimension::none(), 0.0, 0.0);
        if ($hub >= 1.0) {
            $reader->problem('hub', 'the hub is given as a share of the diameter and must be below 1');
            $hub = 0.0;
        }
        $curve = [];
        foreach ($fields->rows('curve') as $n => $row) {
            if (! is_array($row) || count($row) !== 2) {
                $reader->problem("curve/$n", 'a pair [volume flow, pressure rise] is expected');

                continue;
            }
            $curve[] = [$reader->element("curve/$n/0", $row[0] ?? null, Dimension::volumeFlow()), $reader->element("curve/$n/1", $row[1] ?? null, Dimension::pressure())];
            if (count($curve) > 1 && $curve[count($curve) - 1][0] <= $curve[count($curve) - 2][0]) {
                $reader->problem("curve/$n/0", 'the volume flows of a fan curve must rise');
                array_pop($curve);
            }
        }
        if (count($curve) < 2) {
            $reader->problem('curve', 'a fan needs a curve of at least two pairs [volume flow, pressure rise]');
            $curve = [[0.0, 1.0], [1.0, 0.0]];
        }

        $density = $reader->has('curveDensity') ? $reader->quantity('curveDensity', Dimension::density(), null, 0.0, true) : null;

        // While a thermostat switches it, it begins as it idles.
        $speed = ControlReader::isControl($reader->raw('speedFactor')) ? ControlReader::idle($reader->object('speedFactor')) : $reader->load('speedFactor', Dimension::none(), 1.0, 0.0);

        return new Fan($fields->outline($axis, $hub), $sign, new FanCurve($curve, $speed, $density), $reader->quantity('swirl', Dimension::none(), 0.0));
    }
}
