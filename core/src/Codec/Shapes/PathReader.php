<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Codec\Reader;
use Foehn\Shapes\Path;
use Foehn\Shapes\Shape;
use Foehn\Units\Dimension;

/** A wire or strip along points. */
final class PathReader implements ShapeKind
{
    private const MOST_CORNERS = 200;

    public function read(ShapeFields $fields): Shape
    {
        [$reader, $at] = [$fields->reader, $fields->at];
        $points = [];
        foreach ($fields->rows('points') as $n => $row) {
            if (! is_array($row) || count($row) !== 3) {
                $reader->problem("points/$n", sprintf('a point is three lengths along x, y and z, not %s', Reader::show($row)));

                continue;
            }
            $point = array_map(fn (int $axis) => $at[$axis] + $reader->element("points/$n/$axis", $row[$axis] ?? null, Dimension::length()), [0, 1, 2]);
            $points[] = [$point[0], $point[1], $point[2]];
        }
        $round = $reader->has('diameter');
        $half = 0.5 * $reader->quantity($round ? 'diameter' : 'width', Dimension::length(), null, 0.0, true);
        $normal = $round ? null : $fields->axis('normal', 'z');
        $thickness = $round ? 0.0 : $fields->length('thickness');
        $problem = match (true) {
            count($points) < 2 => sprintf('a path needs at least two points, %d are given', count($points)),
            count($points) > self::MOST_CORNERS => sprintf('a path of %d points is given; at most %d are taken', count($points), self::MOST_CORNERS),
            self::repeats($points) !== null => sprintf('the points %d and %d are the same', self::repeats($points), self::repeats($points) + 1),
            $normal !== null && self::extent($points, $normal) > 1e-9 => sprintf('a strip lies in one plane: its points must have the same %s, its "normal"', 'xyz'[$normal]),
            default => null,
        };
        if ($problem !== null) {
            $reader->problem('points', $problem);

            return $fields->placeholder();
        }

        return new Path($points, $half, $normal, $thickness);
    }

    /**
     * @param list<array{float, float, float}> $points
     * @return float of the points along an axis, m
     */
    private static function extent(array $points, int $axis): float
    {
        $along = array_column($points, $axis);

        return $along === [] ? 0.0 : max($along) - min($along);
    }

    /**
     * @param list<array{float, float, float}> $points
     * @return ?int number, from 1, of the first point that the next one repeats
     */
    private static function repeats(array $points): ?int
    {
        for ($n = 1; $n < count($points); $n++) {
            if (max(array_map(fn (int $axis) => abs($points[$n][$axis] - $points[$n - 1][$axis]), [0, 1, 2])) < 1e-9) {
                return $n;
            }
        }

        return null;
    }
}
