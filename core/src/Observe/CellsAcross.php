<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Field;
use Foehn\Grid\Voxels;

/**
 * How finely the grid resolves what is at each place: the fewest cells, over the three axes, from one end of the part or fluid to the
 * other. Fluid that ends at a side of the space counts along that axis only if it ends at a wall or part on both ends of the run.
 */
final class CellsAcross
{
    public static function of(Voxels $voxels): Field
    {
        $least = array_fill(0, $voxels->grid->count(), null);
        foreach ($voxels->owner as $c => $owner) {
            if ($owner >= 0 || $voxels->region[$c] >= 0) {
                $least[$c] = INF;
            }
        }
        foreach ([0, 1, 2] as $axis) {
            $least = self::along($voxels, $axis, $least);
        }

        return new Field('cellsAcross', '1', $voxels->grid, [array_map(fn (?float $cells): ?float => $cells === INF ? null : $cells, $least)]);
    }

    /**
     * @param array<int, ?float> $least cells across so far; null where nothing is computed
     * @return array<int, ?float> with this axis
     */
    private static function along(Voxels $voxels, int $axis, array $least): array
    {
        $grid = $voxels->grid;
        [$stride, $cells] = [$grid->strides()[$axis], $grid->cells[$axis]];
        foreach ($voxels->owner as $start => $_) {
            if (intdiv($start, $stride) % $cells !== 0) {
                continue;
            }
            $from = 0;
            for ($n = 1; $n <= $cells; $n++) {
                $first = $start + $from * $stride;
                if ($n < $cells && $voxels->owner[$start + $n * $stride] === $voxels->owner[$first]) {
                    continue;
                }
                // A gap has a solid on both sides; fluid that reaches a side of the space is none.
                if ($voxels->owner[$first] >= 0 || ($from > 0 && $n < $cells)) {
                    for ($c = $first; $c < $start + $n * $stride; $c += $stride) {
                        $least[$c] = $least[$c] === null ? null : min($least[$c], (float) ($n - $from));
                    }
                }
                $from = $n;
            }
        }

        return $least;
    }
}
