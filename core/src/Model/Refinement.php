<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Geometry\Box;

/** Cells of a wanted size, given by hand: throughout a part or a box, or on one face of a part. */
final readonly class Refinement
{
    /**
     * @param ?string $part id; its linked copies are meant too
     * @param ?string $face of the part, x- to z+: the cells beside it have that size along its normal, and those of the part along the other axes
     * @param ?Box $box where no part is given
     * @param float $size m
     */
    public function __construct(public ?string $part, public ?string $face, public ?Box $box, public float $size)
    {
    }

    /**
     * @param list<Part> $parts
     * @return list<Box> what is refined, m
     */
    public function boxes(array $parts): array
    {
        if ($this->box !== null) {
            return [$this->box];
        }
        $meant = array_filter($parts, fn (Part $part) => $part->id === $this->part || $part->origin() === $this->part);

        return array_values(array_map(fn (Part $part) => $part->shape->bounds(), $meant));
    }
}
