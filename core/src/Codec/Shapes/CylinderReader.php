<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Geometry\Axes;
use Foehn\Shapes\Cylinder;
use Foehn\Shapes\Shape;

/** A cylinder by axis, length and radius. */
final class CylinderReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $axis = $fields->axis('axis', 'z');
        $length = $fields->length('length');
        $radius = $fields->length('radius');
        [$a, $b] = Axes::across($axis);

        return new Cylinder($axis, [$fields->at[$a], $fields->at[$b]], $radius, $fields->at[$axis], $fields->at[$axis] + $length);
    }
}
