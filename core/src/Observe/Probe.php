<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Grid;

/**
 * Temperature at a point. Inside the cell, straight lines run from the centre to the temperatures of the cell's faces,
 * which follow from equal heat flux on both sides, so that a jump of conductivity is not smeared.
 */
final class Probe
{
    /**
     * @param array{float, float, float} $point metres
     * @param callable(int): ?float $cellTemperature K
     * @param callable(int, int): ?float $faceTemperature K at a face (cell, direction), null: as the centre
     */
    public static function at(Grid $grid, array $point, callable $cellTemperature, callable $faceTemperature): ?float
    {
        [$nx, $ny] = $grid->cells;
        $index = [$grid->locate(0, $point[0]), $grid->locate(1, $point[1]), $grid->locate(2, $point[2])];
        $cell = $index[0] + $nx * ($index[1] + $ny * $index[2]);
        $centre = $cellTemperature($cell);
        if ($centre === null) {
            return null;
        }
        $value = $centre;
        for ($axis = 0; $axis < 3; $axis++) {
            $offset = $point[$axis] - $grid->centres[$axis][$index[$axis]];
            $face = $faceTemperature($cell, 2 * $axis + ($offset > 0.0 ? 1 : 0));
            if ($face !== null) {
                $value += ($face - $centre) * abs($offset) / (0.5 * $grid->widths[$axis][$index[$axis]]);
            }
        }

        return $value;
    }
}
