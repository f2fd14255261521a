<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Shapes\Shape;

/** Reads the shapes of one kind. Every field of the document that the kind has is asked for; the rest is reported as unknown. */
interface ShapeKind
{
    public function read(ShapeFields $fields): Shape;
}
