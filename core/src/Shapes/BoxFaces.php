<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** Faces named by the direction they look in. */
trait BoxFaces
{
    /** @return list<string> */
    public function faces(): array
    {
        return ['x-', 'x+', 'y-', 'y+', 'z-', 'z+'];
    }

    public function faceTowards(int $axis, int $sign): string
    {
        return 'xyz'[$axis] . ($sign > 0 ? '+' : '-');
    }
}
