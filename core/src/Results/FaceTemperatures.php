<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Solve\Solution;

/** Temperatures of cell faces: recorded ones where a part ends, else between two cell centres of the same part. */
final class FaceTemperatures
{
    /** @var array<int, int> 6 * cell + direction => face record */
    private array $records = [];

    public function __construct(private readonly Solution $solution)
    {
        $faces = $solution->system->faces;
        for ($f = 0, $count = $faces->count(); $f < $count; $f++) {
            $this->records[6 * $faces->cell[$f] + $faces->direction[$f]] = $f;
        }
    }

    /** K; null when there is no neighbour and no record. */
    public function at(int $cell, int $direction): ?float
    {
        $record = $this->records[6 * $cell + $direction] ?? null;
        if ($record !== null) {
            return $this->solution->system->faces->surfaceTemperature($record, $this->solution->temperature);
        }
        $grid = $this->solution->grid;
        $axis = $direction >> 1;
        [$nx, $ny] = $grid->cells;
        $stride = [1, $nx, $nx * $ny][$axis];
        $index = intdiv($cell, $stride) % $grid->cells[$axis];
        $step = $direction % 2 === 1 ? 1 : -1;
        if ($index + $step < 0 || $index + $step >= $grid->cells[$axis]) {
            return null;
        }
        $own = $this->solution->cellTemperature($cell);
        $other = $this->solution->cellTemperature($cell + $step * $stride);
        if ($own === null || $other === null) {
            return null;
        }
        $w = $grid->widths[$axis][$index];
        $v = $grid->widths[$axis][$index + $step];

        return $own + ($other - $own) * $w / ($w + $v);
    }
}
