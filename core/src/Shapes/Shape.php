<?php

declare(strict_types=1);

namespace Foehn\Shapes;

use Foehn\Geometry\Box;
use Foehn\Geometry\Surface;

/** A solid in its place, in metres, axis-parallel. */
interface Shape
{
    /** The word of the model document. */
    public function kind(): string;

    public function bounds(): Box;

    /** @return list<float> planes across the axis that the grid must follow */
    public function planes(int $axis): array;

    public function contains(float $x, float $y, float $z): bool;

    /** m3, of a shape with round or slanted sides, which cells hold only nearly; null: as cells have it. */
    public function volume(): ?float;

    /** @return list<string> names a face condition may use */
    public function faces(): array;

    /** Name of the face that a grid face with outward direction $sign along $axis belongs to. */
    public function faceTowards(int $axis, int $sign): string;

    /** What a face is made of; of a face that is named by its direction, the share of the surface that looks its way. */
    public function surface(string $face): Surface;

    /** @return list<Feature> thin things whose cells the grid report counts */
    public function features(): array;

    /** @return list<array<string, mixed>> boxes and cylinders to draw: {kind: box, min, max} or {kind: cylinder, axis, centre, radius, from, to} */
    public function drawing(): array;
}
