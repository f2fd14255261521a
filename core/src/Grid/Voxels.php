<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Shapes\Shape;

/** Which part owns each cell: the last one in the ledger that contains the cell's centre. */
final readonly class Voxels
{
    public const NONE = -1;

    /** Cells that miss a part by more than this do not stand for it. */
    private const LEAST = 0.2;

    private const MOST = 2.0;

    /**
     * @param list<int> $owner index of the part per cell, NONE where no part (or a carve-out) is
     * @param list<int> $cellsOfPart number of cells per part
     * @param list<float> $filling per part, how much of its cells it fills: below 1 where round or slanted parts have too few cells to be held by them
     */
    private function __construct(public array $owner, public array $cellsOfPart, public array $filling)
    {
    }

    public static function of(Model $model, Grid $grid): self
    {
        [$nx, $ny] = $grid->cells;
        [$xs, $ys, $zs] = $grid->centres;
        [$wx, $wy, $wz] = $grid->widths;
        $owner = array_fill(0, $grid->count(), self::NONE);
        $filling = [];
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
            $filling[] = self::filling($shape, $inside);
        }
        $count = array_fill(0, count($model->parts), 0);
        foreach ($owner as $index) {
            if ($index >= 0) {
                $count[$index]++;
            }
        }

        return new self($owner, $count, $filling);
    }

    /** @param float $cells their volume, m3 */
    private static function filling(Shape $shape, float $cells): float
    {
        $volume = $shape->volume();

        return $volume === null || $cells <= 0.0 ? 1.0 : min(self::MOST, max(self::LEAST, $volume / $cells));
    }
}
