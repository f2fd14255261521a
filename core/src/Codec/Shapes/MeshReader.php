<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Codec\Reader;
use Foehn\Shapes\Mesh;
use Foehn\Shapes\Shape;
use Foehn\Units\Dimension;

/** A closed surface: vertices as little-endian float32 triples in metres, triangles as uint32 triples, both in base64. */
final class MeshReader implements ShapeKind
{
    /** Triangles of one body; more belong into a simpler body. */
    private const MOST_TRIANGLES = 60_000;

    /** With a "scale" it is that many times as large, about the least corner of its bounds. */
    public function read(ShapeFields $fields): Shape
    {
        [$reader, $at] = [$fields->reader, $fields->at];
        $vertices = self::numbers($reader, 'vertices', 'g');
        $triangles = self::numbers($reader, 'triangles', 'V');
        $scale = $reader->quantity('scale', Dimension::none(), 1.0, 0.0, true);
        $problem = match (true) {
            count($triangles) < 12 => sprintf('a body needs at least four triangles, %d are given', intdiv(count($triangles), 3)),
            count($triangles) > 3 * self::MOST_TRIANGLES => sprintf('a body of %d triangles is given; at most %d are taken, simplify it', intdiv(count($triangles), 3), self::MOST_TRIANGLES),
            count($triangles) % 3 !== 0 || max($triangles) * 3 + 3 > count($vertices) => 'the triangles name vertices that are not there',
            array_filter($vertices, fn (float $v) => ! is_finite($v)) !== [] => 'a vertex is not a number',
            default => null,
        };
        if ($problem === null) {
            $corners = array_chunk($vertices, 3);
            $least = array_map(fn (int $axis): float => min([INF, ...array_column($corners, $axis)]), [0, 1, 2]);
            foreach ($vertices as $n => $value) {
                $vertices[$n] = $value + ($scale - 1.0) * ($value - $least[$n % 3]) + $at[$n % 3];
            }
            $mesh = new Mesh($vertices, $triangles);
            $flat = array_filter([0, 1, 2], fn (int $axis) => $mesh->bounds()->size($axis) <= 0.0);
            if ($flat === []) {
                return $mesh;
            }
            $problem = 'the body is flat';
        }
        $reader->problem('triangles', $problem);

        return $fields->placeholder();
    }

    /** @return ($code is 'g' ? list<float> : list<int>) */
    private static function numbers(Reader $reader, string $key, string $code): array
    {
        $text = $reader->raw($key);
        $bytes = is_string($text) ? base64_decode($text, true) : false;
        if ($bytes === false || $bytes === '' || strlen($bytes) % 4 !== 0) {
            $reader->problem($key, 'four-byte numbers in base64 are expected');

            return [];
        }

        /** @var ($code is 'g' ? list<float> : list<int>) $numbers */
        $numbers = array_values((array) unpack("$code*", $bytes));

        return $numbers;
    }
}
