<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Geometry\Rotation;

/**
 * Axes of its own for the parts of one group. Their places are given from its origin along its axes, and it stands turned in
 * the space, once or several times.
 */
final readonly class Assembly
{
    /** What these conduct, blow or hold depends on an axis, so that a quarter turn exchanges their fields instead of turning them. */
    public const ALONG_AN_AXIS = ['board', 'vias', 'shell', 'package', 'fan', 'screen'];

    /**
     * @param array{float, float, float} $at origin, m
     * @param list<array{float, float, float}> $offsets of its copies along the axes of the space, m; its own first
     */
    public function __construct(public array $at, public Rotation $rotation, public array $offsets)
    {
    }

    /** Name in the space of a face that a part of this assembly names by its own axes. */
    public function facing(string $kind, string $face): string
    {
        return in_array($kind, self::ALONG_AN_AXIS, true) && ! $this->rotation->isNone() ? $this->direction($face) : $face;
    }

    /** Where a direction such as "z-" or an axis such as "z" points after a turn by right angles. */
    public function direction(string $given): string
    {
        [$axis, $sign] = $this->rotation->axis((int) strpos('xyz', $given[0]));
        $positive = (($given[1] ?? '+') === '+') === ($sign > 0);

        return 'xyz'[$axis] . ($positive ? '+' : '-');
    }
}
