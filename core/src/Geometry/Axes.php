<?php

declare(strict_types=1);

namespace Foehn\Geometry;

/** The three axes by number: 0 is x, 1 is y, 2 is z. */
final class Axes
{
    /** @return array{int, int} the two axes across one, in the order x, y, z */
    public static function across(int $axis): array
    {
        return [[1, 2], [0, 2], [0, 1]][$axis];
    }
}
