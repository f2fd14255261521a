<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A shape of whose grid faces the direction alone does not say to which of its faces they belong. */
interface LocatedFaces
{
    /**
     * Name of the face that a grid face belongs to.
     *
     * @param int $sign +1 where the shape ends towards rising coordinates of the axis, else -1
     * @param array{float, float, float} $place middle of the grid face, m
     */
    public function faceAt(int $axis, int $sign, array $place): string;
}
