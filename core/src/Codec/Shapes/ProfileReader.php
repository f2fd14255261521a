<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Codec\Reader;
use Foehn\Geometry\Axes;
use Foehn\Shapes\Profile;
use Foehn\Shapes\Shape;
use Foehn\Units\Dimension;

/** An extruded profile by the corners of its section. */
final class ProfileReader implements ShapeKind
{
    private const MOST_CORNERS = 200;

    public function read(ShapeFields $fields): Shape
    {
        [$reader, $at] = [$fields->reader, $fields->at];
        $axis = $fields->axis('axis', 'z');
        $length = $fields->length('length');
        [$a, $b] = Axes::across($axis);
        $points = [];
        foreach ($fields->rows('points') as $n => $row) {
            if (! is_array($row) || count($row) !== 2) {
                $reader->problem("points/$n", sprintf('a corner is a pair of lengths along %s and %s, not %s', 'xyz'[$a], 'xyz'[$b], Reader::show($row)));

                continue;
            }
            $points[] = [$at[$a] + $reader->element("points/$n/0", $row[0] ?? null, Dimension::length()), $at[$b] + $reader->element("points/$n/1", $row[1] ?? null, Dimension::length())];
        }
        $problem = match (true) {
            count($points) < 3 => sprintf('a profile needs at least three corners, %d are given', count($points)),
            count($points) > self::MOST_CORNERS => sprintf('a profile of %d corners is given; at most %d are taken', count($points), self::MOST_CORNERS),
            abs(self::enclosed($points)) <= 1e-15 => 'the corners enclose no area',
            default => null,
        };
        if ($problem !== null) {
            $reader->problem('points', $problem);

            return $fields->placeholder();
        }

        return new Profile($axis, $points, $at[$axis], $at[$axis] + $length);
    }

    /**
     * @param list<array{float, float}> $points
     * @return float m2, negative when they run clockwise
     */
    private static function enclosed(array $points): float
    {
        $twice = 0.0;
        foreach ($points as $i => [$p, $q]) {
            [$p2, $q2] = $points[($i + 1) % count($points)];
            $twice += $p * $q2 - $p2 * $q;
        }

        return 0.5 * $twice;
    }
}
