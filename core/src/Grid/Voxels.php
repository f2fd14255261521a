<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Shapes\Shape;

/** What each cell of a grid is: the part that owns it, which is the last one in the ledger that contains its centre, or a region of fluid, or nothing. */
final readonly class Voxels
{
    public const NONE = -1;

    /** Cells that miss a part by more than this do not stand for it. */
    private const LEAST = 0.2;

    private const MOST = 2.0;

    /**
     * @param array<int, int> $owner index of the part per cell, NONE where no part (or a carve-out) is
     * @param array<int, int> $cellsOfPart number of cells per part
     * @param array<int, float> $fill per part, its volume over that of its cells: differs from 1 where round or slanted parts have too few cells to be held by them
     * @param list<FluidRegion> $regions of fluid
     * @param array<int, int> $region index of the region per cell, NONE where no fluid is
     */
    private function __construct(public Grid $grid, public array $owner, public array $cellsOfPart, public array $fill, public array $regions, public array $region)
    {
    }

    public static function of(Model $model, Grid $grid): self
    {
        [$nx, $ny] = $grid->cells;
        [$xs, $ys, $zs] = $grid->centres;
        [$wx, $wy, $wz] = $grid->widths;
        $owner = array_fill(0, $grid->count(), self::NONE);
        $fill = [];
        foreach ($model->parts as $index => $part) {
            $inside = 0.0;
            $shape = $part->shape;
            $box = $shape->bounds();
            $mark = $part->material === Part::FLUID ? self::NONE : $index;
            [$i0, $i1] = $grid->range(0, $box->min[0], $box->max[0]);
            [$j0, $j1] = $grid->range(1, $box->min[1], $box->max[1]);
            [$k0, $k1] = $grid->range(2, $box->min[2], $box->max[2]);
            for ($k = $k0; $k < $k1; $k++) {
                for ($j = $j0; $j < $j1; $j++) {
                    $row = $nx * ($j + $ny * $k);
                    for ($i = $i0; $i < $i1; $i++) {
                        if ($shape->contains($xs[$i], $ys[$j], $zs[$k])) {
                            $owner[$row + $i] = $mark;
                            $inside += $wx[$i] * $wy[$j] * $wz[$k];
                        }
                    }
                }
            }
            $fill[] = self::fill($shape, $inside);
        }
        $count = array_fill(0, count($model->parts), 0);
        foreach ($owner as $index) {
            if ($index >= 0) {
                $count[$index]++;
            }
        }
        $regions = $model->space->fluid === null ? [] : [new FluidRegion($model->space->fluid)];

        return new self($grid, $owner, $count, $fill, $regions, self::regions($owner, $regions === [] ? self::NONE : 0));
    }

    /** Whether anything is computed in a cell. */
    public function isLive(int $cell): bool
    {
        return $this->owner[$cell] >= 0 || $this->region[$cell] >= 0;
    }

    /** @return list<int> cells of fluid */
    public function ofFluid(): array
    {
        return array_keys(array_filter($this->region, fn (int $region): bool => $region !== self::NONE));
    }

    /**
     * @param array<int, int> $owner
     * @return array<int, int>
     */
    private static function regions(array $owner, int $ofSpace): array
    {
        $region = $owner;
        foreach ($owner as $cell => $part) {
            $region[$cell] = $part >= 0 ? self::NONE : $ofSpace;
        }

        return $region;
    }

    /** @param float $cells their volume, m3 */
    private static function fill(Shape $shape, float $cells): float
    {
        $volume = $shape->volume();

        return $volume === null || $cells <= 0.0 ? 1.0 : min(self::MOST, max(self::LEAST, $volume / $cells));
    }
}
