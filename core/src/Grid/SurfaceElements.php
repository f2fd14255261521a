<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\HeatCondition;

/**
 * The faces of a grid where two different things meet: a part and another part, a part and fluid, either and a side of the space
 * or nothing. One array per property, one entry per face and part. A face between two parts has two entries, one after the other,
 * since each has a surface of its own there. They depend on the model and the grid only. What passes them is up to the physics.
 */
final class SurfaceElements
{
    /** Beyond a face there is no cell, part, side or patch. */
    public const NONE = -1;

    /** @var array<int, int> index of the part, NONE for fluid */
    public array $part = [];

    /** @var array<int, int> 2 * axis + (1 when the part ends towards rising coordinates) */
    public array $direction = [];

    /** @var array<int, int> */
    public array $cell = [];

    /** @var array<int, float> of the face of the grid, m2 */
    public array $area = [];

    /** @var array<int, int> cell beyond the face, NONE where nothing is computed there */
    public array $other = [];

    /** @var array<int, int> part beyond the face, NONE for fluid, nothing or a side */
    public array $otherPart = [];

    /** @var array<int, int> side of the space (0 .. 5), or NONE */
    public array $side = [];

    /** @var array<int, int> patch of that side, or NONE */
    public array $patch = [];

    /** @var list<HeatCondition> what is stated of the heat there, on the steps that a slanted surface has on the grid */
    public array $condition = [];

    /** @var array<int, float> contact resistance between the surface and what is beyond, m2K/W */
    public array $contact = [];

    /** @var list<bool> whether heat passes between the cell and the surface; not through the sides of a package */
    public array $passes = [];

    /** @var array<int, int> the other element of the same face, NONE where there is none */
    public array $twin = [];

    public function count(): int
    {
        return count($this->part);
    }
}
