<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Geometry\Box;
use Foehn\Model\GridSettings;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Space;

/** The largest body of air that the parts of a model close off from outside, or the place where that air gets out. Metres. */
final readonly class Cavity
{
    /** Room around the parts, as a share of their longest side: outside is what reaches it. */
    private const AROUND = 0.05;

    private const MOST_CELLS = 400_000;

    private const FEWEST_CELLS = 8_000;

    /** Parts that lie over each other are filled in one after the other. */
    private const MOST_FILLED = 10_000_000;

    /**
     * @param ?Box $inside around the air inside; null where none is closed off
     * @param float $volume of that air, m3
     * @param ?array{float, float, float} $leak the narrowest place on the shortest way from the middle of the parts out
     * @param float $gap width of that place, m
     */
    private function __construct(public ?Box $inside, public float $volume, public ?array $leak, public float $gap)
    {
    }

    /**
     * Flood fill from outside over a grid of the parts.
     *
     * @throws GridException
     */
    public static function of(Model $model): ?self
    {
        $solid = array_values(array_filter($model->parts, fn (Part $part) => $part->material !== Part::FLUID && $part->shape->features() !== []));
        if ($solid === []) {
            return null;
        }
        $parts = Box::around(array_map(fn (Part $part) => $part->shape->bounds(), $solid));
        [$min, $max] = [$parts->min, $parts->max];
        $room = self::AROUND * max($parts->size(0), $parts->size(1), $parts->size(2));
        $around = new Box([$min[0] - $room, $min[1] - $room, $min[2] - $room], [$max[0] + $room, $max[1] + $room, $max[2] + $room]);
        $alone = $model->within(new Space($around, $model->space->fluid, $model->space->sides), new GridSettings('working', self::mostCells($solid, $around), null, []));
        $grid = GridBuilder::build($alone);
        $owner = Voxels::of($alone, $grid)->owner;
        $cells = self::largestClosed($grid, $owner, self::reached($grid, $owner, 0));

        if ($cells !== []) {
            return new self(self::boxOf($grid, $cells), self::volumeOf($grid, $cells), null, 0.0);
        }
        [$leak, $gap] = self::narrowest($grid, $owner, self::wayOut($grid, $owner, self::freeNear($grid, $owner, $parts)));

        return new self(null, 0.0, $leak, $gap);
    }

    /**
     * Cells for which the parts together have at most MOST_FILLED cells to fill.
     *
     * @param list<Part> $solid
     */
    private static function mostCells(array $solid, Box $around): int
    {
        $filled = 0.0;
        foreach ($solid as $part) {
            $box = $part->shape->bounds();
            $filled += $box->size(0) * $box->size(1) * $box->size(2) / ($around->size(0) * $around->size(1) * $around->size(2));
        }

        return (int) max(self::FEWEST_CELLS, min(self::MOST_CELLS, self::MOST_FILLED / max($filled, 1e-9)));
    }

    /**
     * @param array<int, int> $owner
     * @return array<int, int> for every free cell that can be reached from a cell the one it was reached from; -1 for that itself
     */
    private static function reached(Grid $grid, array $owner, int $from): array
    {
        $before = [$from => -1];
        $front = [$from];
        while ($front !== []) {
            $next = [];
            foreach ($front as $cell) {
                foreach (self::neighbours($grid, $cell) as $other) {
                    if ($owner[$other] === Voxels::NONE && ! isset($before[$other])) {
                        $before[$other] = $cell;
                        $next[] = $other;
                    }
                }
            }
            $front = $next;
        }

        return $before;
    }

    /** @return array<int, int> */
    private static function neighbours(Grid $grid, int $cell): array
    {
        [$nx, $ny, $nz] = $grid->cells;
        $plane = $nx * $ny;
        [$i, $j, $k] = [$cell % $nx, intdiv($cell, $nx) % $ny, intdiv($cell, $plane)];

        return array_keys(array_filter([
            $cell - 1 => $i > 0, $cell + 1 => $i < $nx - 1, $cell - $nx => $j > 0, $cell + $nx => $j < $ny - 1, $cell - $plane => $k > 0, $cell + $plane => $k < $nz - 1,
        ]));
    }

    /**
     * @param array<int, int> $owner
     * @param array<int, int> $outside
     * @return array<int, int> cells of the largest body of air that outside does not reach
     */
    private static function largestClosed(Grid $grid, array $owner, array $outside): array
    {
        [$best, $largest] = [[], 0.0];
        foreach ($owner as $cell => $part) {
            if ($part !== Voxels::NONE || isset($outside[$cell])) {
                continue;
            }
            $body = self::reached($grid, $owner, $cell);
            $outside += $body;
            $volume = self::volumeOf($grid, array_keys($body));
            if ($volume > $largest) {
                [$best, $largest] = [array_keys($body), $volume];
            }
        }

        return $best;
    }

    /**
     * @param array<int, int> $owner
     * @return array<int, int> cells from a free cell to the rim of the grid
     */
    private static function wayOut(Grid $grid, array $owner, int $from): array
    {
        $before = self::reached($grid, $owner, $from);
        foreach (array_keys($before) as $cell) {
            if (count(self::neighbours($grid, $cell)) < 6) {
                for ($way = []; $cell >= 0; $cell = $before[$cell]) {
                    $way[] = $cell;
                }

                return $way;
            }
        }

        return [$from];
    }

    /** @param array<int, int> $owner */
    private static function freeNear(Grid $grid, array $owner, Box $box): int
    {
        [$nearest, $found] = [INF, 0];
        foreach ($owner as $cell => $part) {
            if ($part === Voxels::NONE) {
                $distance = 0.0;
                foreach ($grid->centre($cell) as $axis => $at) {
                    $distance += ($at - 0.5 * ($box->min[$axis] + $box->max[$axis])) ** 2;
                }
                [$nearest, $found] = $distance < $nearest ? [$distance, $cell] : [$nearest, $found];
            }
        }

        return $found;
    }

    /**
     * @param array<int, int> $owner
     * @param array<int, int> $way
     * @return array{array{float, float, float}, float}
     */
    private static function narrowest(Grid $grid, array $owner, array $way): array
    {
        [$gap, $place] = [INF, $way[0] ?? 0];
        foreach ($way as $cell) {
            foreach ([0, 1, 2] as $axis) {
                $width = self::clearance($grid, $owner, $cell, $axis);
                [$gap, $place] = $width < $gap ? [$width, $cell] : [$gap, $place];
            }
        }

        return [$grid->centre($place), $gap];
    }

    /**
     * Free length through a cell between two solid ones; infinite where it ends outside.
     *
     * @param array<int, int> $owner
     */
    private static function clearance(Grid $grid, array $owner, int $cell, int $axis): float
    {
        $stride = [1, $grid->cells[0], $grid->cells[0] * $grid->cells[1]][$axis];
        $at = intdiv($cell, $stride) % $grid->cells[$axis];
        $width = 0.0;
        foreach ([-1, 1] as $step) {
            for ($n = $at; $owner[$cell + ($n - $at) * $stride] === Voxels::NONE; $n += $step) {
                if ($n + $step < 0 || $n + $step >= $grid->cells[$axis]) {
                    return INF;
                }
            }
            $width += $step > 0 ? $grid->lines[$axis][$n] : -$grid->lines[$axis][$n + 1];
        }

        return $width;
    }

    /** @param array<int, int> $cells */
    private static function volumeOf(Grid $grid, array $cells): float
    {
        [$nx, $ny] = $grid->cells;
        $volume = 0.0;
        foreach ($cells as $cell) {
            $volume += $grid->widths[0][$cell % $nx] * $grid->widths[1][intdiv($cell, $nx) % $ny] * $grid->widths[2][intdiv($cell, $nx * $ny)];
        }

        return $volume;
    }

    /** @param non-empty-array<int, int> $cells */
    private static function boxOf(Grid $grid, array $cells): Box
    {
        [$min, $max] = [[INF, INF, INF], [-INF, -INF, -INF]];
        foreach ($cells as $cell) {
            foreach ([[1, 0], [$grid->cells[0], 1], [$grid->cells[0] * $grid->cells[1], 2]] as [$stride, $axis]) {
                $at = intdiv($cell, $stride) % $grid->cells[$axis];
                $min[$axis] = min($min[$axis], $grid->lines[$axis][$at]);
                $max[$axis] = max($max[$axis], $grid->lines[$axis][$at + 1]);
            }
        }

        return new Box([$min[0], $min[1], $min[2]], [$max[0], $max[1], $max[2]]);
    }
}
