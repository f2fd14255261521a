<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\Grid;
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
        $neighbour = self::neighbour($this->solution->grid, $cell, $direction);

        return $neighbour === null ? null : self::between(
            $this->solution->grid, $cell, $direction, $this->solution->cellTemperature($cell), $this->solution->cellTemperature($neighbour),
        );
    }

    /** The cell beyond a face (direction: 2 * axis + 1 towards rising coordinates); null outside the grid. */
    public static function neighbour(Grid $grid, int $cell, int $direction): ?int
    {
        [$axis, $stride, $index] = self::place($grid, $cell, $direction);
        $step = $direction % 2 === 1 ? 1 : -1;

        return $index + $step < 0 || $index + $step >= $grid->cells[$axis] ? null : $cell + $step * $stride;
    }

    /** Temperature of the face between two cells of one material, K. */
    public static function between(Grid $grid, int $cell, int $direction, ?float $own, ?float $other): ?float
    {
        if ($own === null || $other === null) {
            return null;
        }
        [$axis, , $index] = self::place($grid, $cell, $direction);
        $w = $grid->widths[$axis][$index];
        $v = $grid->widths[$axis][$index + ($direction % 2 === 1 ? 1 : -1)];

        return $own + ($other - $own) * $w / ($w + $v);
    }

    /** @return array{int, int, int} axis, stride along it, index of the cell along it */
    private static function place(Grid $grid, int $cell, int $direction): array
    {
        $axis = $direction >> 1;
        $stride = [1, $grid->cells[0], $grid->cells[0] * $grid->cells[1]][$axis];

        return [$axis, $stride, intdiv($cell, $stride) % $grid->cells[$axis]];
    }
}
