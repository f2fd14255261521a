<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Codec\Reader;
use Foehn\Geometry\Axes;
use Foehn\Shapes\PinFins;
use Foehn\Shapes\Shape;

/** A heat sink of pins on a base. */
final class PinFinsReader implements ShapeKind
{
    public function read(ShapeFields $fields): Shape
    {
        $reader = $fields->reader;
        $sink = SinkFields::of($fields);
        $width = $fields->length('width');
        [$a, $b] = Axes::across($sink->axis);
        $counts = [self::count($reader, 'columns', $width, $sink->size[$a]), self::count($reader, 'rows', $width, $sink->size[$b])];

        return new PinFins($fields->box($sink->size), $sink->axis, $sink->sign, $sink->base, $counts, $width, $reader->bool('round', true));
    }

    /** Of pins along a length in m, with gaps between them. */
    private static function count(Reader $reader, string $key, float $width, float $length): int
    {
        return SinkFields::fitting($reader, $key, $reader->int($key, 1, 200), 'pins', $width, $length);
    }
}
