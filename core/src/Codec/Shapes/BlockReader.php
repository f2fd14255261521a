<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\Block;
use Foehn\Shapes\Shape;

/** A block by its size. */
final class BlockReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        return new Block($fields->box($fields->size('size', 3)));
    }
}
