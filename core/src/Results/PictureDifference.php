<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\Grid;

/**
 * What one picture has beyond another, in the cells of its own grid: the field of the other is read at the middle of each cell, straight
 * between the middles of the cells of the same body around it. Only where both are solid, or both fluid, there is a difference.
 */
final class PictureDifference
{
    /**
     * @return list<?float> this picture minus the base, in the order of the cells of this one; null where they cannot be compared
     * @throws OutputException where one of them has no such field
     */
    public static function of(StoredPicture $picture, StoredPicture $base, string $field): array
    {
        [$values, $owners] = [$picture->values($field), $picture->owners()];
        [$there, $ownersThere] = [$base->values($field), $base->owners()];
        [$places, $strides] = [self::places($picture->grid, $base->grid), $base->grid->strides()];
        [$nx, $ny, $nz] = $picture->grid->cells;
        $differences = [];
        $cell = 0;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                for ($i = 0; $i < $nx; $i++, $cell++) {
                    $at = [$places[0][$i], $places[1][$j], $places[2][$k]];
                    $value = $values[$cell];
                    if ($value === null || $at[0] === null || $at[1] === null || $at[2] === null) {
                        $differences[] = null;

                        continue;
                    }
                    $owner = $ownersThere[$at[0][0] + $strides[1] * $at[1][0] + $strides[2] * $at[2][0]];
                    $known = ($owner > 0) === ($owners[$cell] > 0) ? self::read($there, $ownersThere, $strides, $at, $owner) : null;
                    $differences[] = $known === null ? null : $value - $known;
                }
            }
        }

        return $differences;
    }

    /**
     * Where the middles of the cells of one grid lie in another.
     *
     * @return array{list<?array{int, int, float}>, list<?array{int, int, float}>, list<?array{int, int, float}>} per axis and cell: the cell
     *     of the other that holds it, the lower of the two whose middles are beside it, and the share of the way to the upper; null outside
     */
    private static function places(Grid $grid, Grid $other): array
    {
        $along = function (int $axis) use ($grid, $other): array {
            [$lines, $centres] = [$other->lines[$axis], $other->centres[$axis]];
            $last = count($centres) - 1;
            $places = [];
            foreach ($grid->centres[$axis] as $x) {
                if ($x < $lines[0] || $x > $lines[$last + 1]) {
                    $places[] = null;

                    continue;
                }
                $cell = $other->locate($axis, $x);
                $low = $x < $centres[$cell] ? $cell - 1 : $cell;
                $places[] = match (true) {
                    $low < 0 => [$cell, 0, 0.0],
                    $low >= $last => [$cell, $last, 0.0],
                    default => [$cell, $low, ($x - $centres[$low]) / ($centres[$low + 1] - $centres[$low])],
                };
            }

            return $places;
        };

        return [$along(0), $along(1), $along(2)];
    }

    /**
     * The value between the eight cells around a place that belong to its owner.
     *
     * @param array<int, ?float> $values
     * @param list<int> $owners
     * @param array{int, int, int} $strides
     * @param array{array{int, int, float}, array{int, int, float}, array{int, int, float}} $at
     */
    private static function read(array $values, array $owners, array $strides, array $at, int $owner): ?float
    {
        [$sum, $weights] = [0.0, 0.0];
        for ($n = 0; $n < 8; $n++) {
            [$weight, $cell] = [1.0, 0];
            foreach ($at as $axis => [, $low, $share]) {
                $up = ($n >> $axis) & 1;
                $weight *= $up === 1 ? $share : 1.0 - $share;
                // Beyond the last middle the share is nothing.
                $cell += ($share > 0.0 ? $low + $up : $low) * $strides[$axis];
            }
            if ($weight > 0.0 && $owners[$cell] === $owner && $values[$cell] !== null) {
                $sum += $weight * $values[$cell];
                $weights += $weight;
            }
        }

        return $weights > 1e-9 ? $sum / $weights : null;
    }
}
