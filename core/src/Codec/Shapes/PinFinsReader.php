<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Shapes\PinFins;
use Foehn\Shapes\Shape;

/** A heat sink of pins on a base. */
final class PinFinsReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $reader = $fields->reader;
        $sink = SinkFields::of($fields);
        $counts = [];
        $width = $fields->length('width');
        foreach (Axes::across($sink->axis) as $n => $axis) {
            $key = ['columns', 'rows'][$n];
            $counts[] = $reader->int($key, 1, 200);
            if ($counts[$n] * $width > $sink->size[$axis] * (1 - 1e-9) && $counts[$n] > 1) {
                $reader->problem($key, sprintf('%d pins of %g mm do not fit into %g mm with gaps between them', $counts[$n], 1e3 * $width, 1e3 * $sink->size[$axis]));
                $counts[$n] = 1;
            }
        }

        return new PinFins($fields->box($sink->size), $sink->axis, $sink->sign, $sink->base, $counts, $width, $reader->bool('round', true));
    }
}
