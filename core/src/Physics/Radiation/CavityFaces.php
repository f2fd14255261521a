<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Geometry\Axes;
use Foehn\Geometry\Box;
use Foehn\Grid\OuterSpace;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Space;

/**
 * Everything that radiation meets between the parts: the faces of parts, and the faces of the sides of the space through which the
 * surroundings are seen. Each is known by the cell that it bounds, of no part, and the direction in which that cell is left there.
 * Faces in one plane of one part, and of one side, make up patches of at most three by three tiles.
 */
final class CavityFaces
{
    /** Tiles of a plane along each of its axes. */
    private const TILES = 3;

    /** @var list<int> the cell that each face bounds */
    public array $cell = [];

    /** @var list<int> direction out of that cell, 2 * axis + 1 towards rising coordinates */
    public array $direction = [];

    /** @var list<float> m2 */
    public array $area = [];

    /** @var list<int> surface element, SurfaceElements::NONE where the surroundings are seen */
    public array $element = [];

    /** @var list<int> */
    public array $patch = [];

    /** @var array<int, int> face by 6 * cell + direction */
    public array $at = [];

    /** @var array<int, float> m2 of each patch */
    public array $areas = [];

    /** @var array<int, bool> whether the surroundings are seen through each patch */
    public array $isOpening = [];

    /** @var array<string, int> */
    private array $keys = [];

    /** @param positive-int $tiles of a plane along each of its axes */
    public function __construct(Model $model, private readonly Voxels $voxels, SurfaceElements $elements, private readonly int $tiles = self::TILES)
    {
        foreach ($elements->part as $e => $part) {
            $beyond = $part < 0 ? SurfaceElements::NONE : OuterSpace::beyond($voxels->grid, $elements->cell[$e], $elements->direction[$e]);
            if ($beyond >= 0 && $voxels->owner[$beyond] < 0) {
                $this->add($beyond, $elements->direction[$e] ^ 1, $elements->area[$e], $e, "part $part", $model->parts[$part]->shape->bounds());
            }
        }
        foreach (Space::SIDES as $direction => $name) {
            if ($model->space->sides[$name]->flow->kind === 'symmetry') {
                continue;
            }
            foreach ($this->boundary($direction) as $cell) {
                $this->add($cell, $direction, $voxels->grid->faceArea($cell, $direction >> 1), SurfaceElements::NONE, "side $name", $model->space->box);
            }
        }
    }

    /** @return iterable<int> cells of no part at a side of the space */
    private function boundary(int $direction): iterable
    {
        $grid = $this->voxels->grid;
        $axis = $direction >> 1;
        [$a, $b] = Axes::across($axis);
        $strides = $grid->strides();
        $first = $direction % 2 === 1 ? ($grid->cells[$axis] - 1) * $strides[$axis] : 0;
        for ($j = 0; $j < $grid->cells[$b]; $j++) {
            for ($i = 0; $i < $grid->cells[$a]; $i++) {
                $cell = $first + $i * $strides[$a] + $j * $strides[$b];
                if ($this->voxels->owner[$cell] < 0) {
                    yield $cell;
                }
            }
        }
    }

    private function add(int $cell, int $direction, float $area, int $element, string $of, Box $bounds): void
    {
        $grid = $this->voxels->grid;
        $axis = $direction >> 1;
        $strides = $grid->strides();
        $tile = '';
        foreach (Axes::across($axis) as $along) {
            $centre = $grid->centres[$along][intdiv($cell, $strides[$along]) % $grid->cells[$along]];
            $tile .= ' ' . min($this->tiles - 1, (int) floor($this->tiles * ($centre - $bounds->min[$along]) / max(1e-12, $bounds->size($along))));
        }
        $plane = intdiv($cell, $strides[$axis]) % $grid->cells[$axis];
        $patch = $this->keys["$of $direction $plane$tile"] ??= count($this->keys);
        $this->at[6 * $cell + $direction] = count($this->cell);
        $this->cell[] = $cell;
        $this->direction[] = $direction;
        $this->area[] = $area;
        $this->element[] = $element;
        $this->patch[] = $patch;
        $this->areas[$patch] = ($this->areas[$patch] ?? 0.0) + $area;
        $this->isOpening[$patch] = $element === SurfaceElements::NONE;
    }
}
