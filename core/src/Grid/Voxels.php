<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;
use Foehn\Model\Part;

/** Which part owns each cell: the last one in the ledger that contains the cell's centre. */
final readonly class Voxels
{
    public const NONE = -1;

    /**
     * @param list<int> $owner index of the part per cell, NONE where no part (or a carve-out) is
     * @param list<int> $cellsOfPart number of cells per part
     */
    private function __construct(public array $owner, public array $cellsOfPart)
    {
    }

    public static function of(Model $model, Grid $grid): self
    {
        [$nx, $ny] = $grid->cells;
        [$xs, $ys, $zs] = $grid->centres;
        $owner = array_fill(0, $grid->count(), self::NONE);
        foreach ($model->parts as $index => $part) {
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
                        }
                    }
                }
            }
        }
        $count = array_fill(0, count($model->parts), 0);
        foreach ($owner as $index) {
            if ($index >= 0) {
                $count[$index]++;
            }
        }

        return new self($owner, $count);
    }
}
