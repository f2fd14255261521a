<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\Shape;
use Foehn\Shapes\TwoResistancePackage;
use Foehn\Units\Dimension;

/** A component by its two thermal resistances and the face it stands on. */
final class PackageReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        [$axis, $sign] = $fields->direction('boardFace', 'z-');
        $resistance = fn (string $key): float => $fields->reader->quantity($key, Dimension::thermalResistance(), null, 0.0, true);

        return new TwoResistancePackage($fields->box($fields->size('size', 3)), $resistance('junctionToCase'), $resistance('junctionToBoard'), $axis, $sign);
    }
}
