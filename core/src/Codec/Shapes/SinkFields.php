<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

use Foehn\Codec\Reader;

/** What heat sinks share: where their fins stand, the thickness of the base and the size of the whole. */
final readonly class SinkFields
{
    /**
     * @param int $axis along which the fins stand up
     * @param int $sign of that direction
     * @param float $base m
     * @param array{float, float, float} $size m
     */
    private function __construct(public int $axis, public int $sign, public float $base, public array $size)
    {
    }

    public static function of(ShapeFields $fields): self
    {
        [$axis, $sign] = $fields->direction('up', 'z+');
        $footprint = $fields->size('size', 2);
        $base = $fields->length('base');

        return new self($axis, $sign, $base, ShapeFields::across($axis, $footprint, $base + $fields->length('height')));
    }

    /** The count of a field, or 1 with a problem where so many of a width do not fit into a length with gaps between them; m. */
    public static function fitting(Reader $reader, string $key, int $count, string $what, float $width, float $length): int
    {
        if ($count > 1 && $count * $width > $length * (1 - 1e-9)) {
            $reader->problem($key, sprintf('%d %s of %g mm do not fit into %g mm with gaps between them', $count, $what, 1e3 * $width, 1e3 * $length));

            return 1;
        }

        return $count;
    }
}
