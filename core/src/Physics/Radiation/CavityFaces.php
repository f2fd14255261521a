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
 * Faces in one plane of one part, and of one side, make up patches: a single one of a small plane, tiles of a large one. The steps of a
 * slanted or round surface have together its true area.
 */
final class CavityFaces
{
    /** Tiles are as large as all area over this number of patches, and a plane has at most so many along each of its axes. */
    private const PATCHES = 1200;

    private const MOST = 12;

    /** @var list<int> the cell that each face bounds */
    public array $cell = [];

    /** @var list<int> direction out of that cell, 2 * axis + 1 towards rising coordinates */
    public array $direction = [];

    /** @var list<float> m2 of the true surface */
    public array $area = [];

    /** @var list<int> the part whose steps the face is one of, NONE where it is flat */
    public array $stepOf = [];

    /** @var array<int, float> share of sunlight that passes each face, of openings and of walls of glass; nothing where none does */
    public array $transmittance = [];

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

    /** @var list<array{string, Box}> plane of each face, and what it is a part of */
    private array $planes = [];

    /** @param ?int $tiles of every plane along each of its axes; null: by their areas */
    public function __construct(Model $model, private readonly Voxels $voxels, SurfaceElements $elements, SurfaceFinishes $finishes, ?int $tiles = null)
    {
        foreach ($elements->part as $e => $part) {
            if ($part < 0) {
                // A wall of the space, seen from its fluid.
                $side = $elements->side[$e] >= 0 ? $model->space->sides[Space::SIDES[$elements->side[$e]]] : null;
                $patch = max(-1, $elements->patch[$e]);
                if ($side !== null && ($patch < 0 ? $side->flow : $side->patches[$patch]->flow)->kind === 'wall') {
                    $this->add($elements->cell[$e], $elements->direction[$e], $elements->area[$e], $e, "wall {$elements->side[$e]} $patch", $model->space->box, $side->coverOf($patch)->transmittance(false));
                }

                continue;
            }
            $beyond = OuterSpace::beyond($voxels->grid, $elements->cell[$e], $elements->direction[$e]);
            if ($beyond >= 0 && $voxels->owner[$beyond] < 0) {
                $this->add($beyond, $elements->direction[$e] ^ 1, $elements->area[$e] / $finishes->steps[$e], $e, "part $part", $model->parts[$part]->shape->bounds(), 0.0, $finishes->stepOf[$e]);
            }
        }
        foreach (Space::SIDES as $direction => $name) {
            if ($model->space->sides[$name]->flow->kind === 'symmetry') {
                continue;
            }
            foreach ($this->boundary($direction) as $cell) {
                if (isset($this->at[6 * $cell + $direction])) {
                    continue;
                }
                $patch = $this->patchOf($model, $name, $cell);
                $this->add($cell, $direction, $voxels->grid->faceArea($cell, $direction >> 1), SurfaceElements::NONE, "side $name $patch", $model->space->box, $model->space->sides[$name]->coverOf($patch)->transmittance(true));
            }
        }
        $this->divide($tiles);
    }

    /**
     * A place on a face, by its shares of the way along the two axes of the face.
     *
     * @return array{float, float, float} m
     */
    public function place(int $face, float $share, float $other): array
    {
        $grid = $this->voxels->grid;
        [$cell, $direction] = [$this->cell[$face], $this->direction[$face]];
        [$a, $b] = Axes::across($direction >> 1);
        $place = [0.0, 0.0, 0.0];
        foreach ([[$direction >> 1, (float) ($direction % 2)], [$a, $share], [$b, $other]] as [$axis, $part]) {
            $at = $grid->position($cell, $axis);
            $place[$axis] = $grid->lines[$axis][$at] + $part * $grid->widths[$axis][$at];
        }

        return [$place[0], $place[1], $place[2]];
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

    /** Index of the patch of a side that a cell is at, -1 where it is none of them. */
    private function patchOf(Model $model, string $side, int $cell): int
    {
        $grid = $this->voxels->grid;
        $centre = $grid->centre($cell);
        [$a, $b] = Axes::across(intdiv((int) array_search($side, Space::SIDES, true), 2));

        return $model->space->sides[$side]->patchAt($centre[$a], $centre[$b]) ?? -1;
    }

    private function add(int $cell, int $direction, float $area, int $element, string $of, Box $bounds, float $transmittance = 0.0, int $stepOf = SurfaceElements::NONE): void
    {
        $axis = $direction >> 1;
        $plane = intdiv($cell, $this->voxels->grid->strides()[$axis]) % $this->voxels->grid->cells[$axis];
        $this->at[6 * $cell + $direction] = count($this->cell);
        $this->cell[] = $cell;
        $this->direction[] = $direction;
        $this->area[] = $area;
        $this->element[] = $element;
        $this->stepOf[] = $stepOf;
        if ($transmittance > 0.0) {
            $this->transmittance[count($this->cell) - 1] = $transmittance;
        }
        $this->planes[] = ["$of $direction $plane", $bounds];
    }

    /** Divides the planes into patches. */
    private function divide(?int $tiles): void
    {
        $grid = $this->voxels->grid;
        $strides = $grid->strides();
        $planes = [];
        foreach ($this->planes as $face => [$plane]) {
            $planes[$plane] = ($planes[$plane] ?? 0.0) + $this->area[$face];
        }
        $tile = sqrt(array_sum($planes) / self::PATCHES);
        $keys = [];
        foreach ($this->planes as $face => [$plane, $bounds]) {
            $cell = $this->cell[$face];
            $isSmall = $planes[$plane] < $tile ** 2;
            $key = $plane;
            foreach (Axes::across($this->direction[$face] >> 1) as $axis) {
                $along = $tiles ?? ($isSmall ? 1 : max(1, min(self::MOST, (int) round($bounds->size($axis) / $tile))));
                $centre = $grid->centres[$axis][intdiv($cell, $strides[$axis]) % $grid->cells[$axis]];
                $key .= ' ' . min($along - 1, (int) floor($along * ($centre - $bounds->min[$axis]) / max(1e-12, $bounds->size($axis))));
            }
            $patch = $keys[$key] ??= count($keys);
            $this->patch[] = $patch;
            $this->areas[$patch] = ($this->areas[$patch] ?? 0.0) + $this->area[$face];
            $this->isOpening[$patch] = $this->element[$face] === SurfaceElements::NONE;
        }
    }
}
