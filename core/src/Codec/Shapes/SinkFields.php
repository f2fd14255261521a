<?php

declare(strict_types=1);

namespace Foehn\Codec\Shapes;

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
}
