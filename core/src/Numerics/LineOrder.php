<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/** The order in which the lines of cells along one axis of a box are solved: slab by slab, and in each slab all rows of lines together. */
final readonly class LineOrder
{
    /** @var array{int, int, int} the axis along the lines, then the two across, the one with the shorter steps first */
    public array $axes;

    public int $slabs;

    /** Rows of lines in a slab. */
    public int $rows;

    /** Cells along a line, and lines in a row. */
    public int $length;

    public int $lines;

    /** @var array{int, int, int} steps between cells along these axes */
    public array $steps;

    public function __construct(Stencil $stencil, int $axis)
    {
        [$l, $a, $c] = $this->axes = [[0, 1, 2], [1, 0, 2], [2, 0, 1]][$axis];
        $strides = $stencil->strides();
        // Lines that cross memory in the longest steps are done together plane by plane, others slab by slab.
        [$this->slabs, $this->rows] = $l === 2 ? [1, $stencil->cells[$c]] : [$stencil->cells[$c], 1];
        [$this->length, $this->lines] = [$stencil->cells[$l], $stencil->cells[$a]];
        $this->steps = [$strides[$l], $strides[$a], $strides[$c]];
    }
}
