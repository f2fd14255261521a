<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\FinAxes;
use Foehn\Shapes\PlateFins;
use Foehn\Shapes\Shape;

/** A heat sink of plate fins on a base. */
final class PlateFinsReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $reader = $fields->reader;
        $sink = SinkFields::of($fields);
        $along = $fields->axis('along', $sink->axis === 0 ? 'y' : 'x');
        $count = $reader->int('count', 1, 500);
        $thickness = $fields->length('thickness');
        if ($along === $sink->axis) {
            $reader->problem('along', sprintf('the fins stand along %s, so they cannot run along it; choose another axis', 'xyz'[$sink->axis]));
            $along = ($sink->axis + 1) % 3;
        }
        $across = $sink->size[3 - $sink->axis - $along];
        $count = SinkFields::fitting($reader, 'count', $count, 'fins', $thickness, $across);

        return new PlateFins($fields->box($sink->size), new FinAxes($sink->axis, $sink->sign, $along), $sink->base, $count, $thickness);
    }
}
