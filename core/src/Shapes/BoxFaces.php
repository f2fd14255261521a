<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Surface;

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

    public function volume(): ?float
    {
        return null;
    }

    public function surface(string $face): Surface
    {
        return Surface::ofBox($this->bounds(), ...self::direction($face));
    }

    /** @return array{int, int} axis and sign */
    private static function direction(string $face): array
    {
        return [(int) strpos('xyz', $face[0]), $face[1] === '+' ? 1 : -1];
    }
}
