<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\Shape;
use Foehn\Shapes\Shell;

/** A closed box by its outer size and the thickness of its walls. */
final class ShellReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $size = $fields->size('size', 3);
        $wall = $fields->length('wall');
        if (2 * $wall >= min($size)) {
            $fields->reader->problem('wall', sprintf('two walls of %g mm leave no room inside %g mm', 1e3 * $wall, 1e3 * min($size)));
            $wall = 0.1 * min($size);
        }

        return new Shell($fields->box($size), $wall);
    }
}
