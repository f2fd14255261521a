<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\Block;
use Foehn\Shapes\Shape;

/** A field of plated through holes: a piece of a board with another conductivity through it, which is up to LaminateReader. */
final class ViasReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $normal = $fields->axis('normal', 'z');
        $outline = $fields->size('size', 2);
        $thickness = $fields->length('thickness');
        foreach (['board', 'drill', 'plating', 'count', 'fill'] as $key) {
            $fields->reader->raw($key);
        }

        return new Block($fields->box(ShapeFields::across($normal, $outline, $thickness)), 'vias');
    }
}
