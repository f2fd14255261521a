<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Voxels;

/** Least, mean and greatest cell temperature of every part. */
final class PartTemperatures
{
    /**
     * K; null for a part without cells. The mean is by volume.
     *
     * @param array<int, float> $temperature of the cells, K
     * @return list<array{min: float, mean: float, max: float}|null>
     */
    public static function of(Voxels $voxels, array $temperature): array
    {
        $parts = count($voxels->cellsOfPart);
        $min = array_fill(0, $parts, INF);
        $max = array_fill(0, $parts, -INF);
        $sum = array_fill(0, $parts, 0.0);
        $volume = array_fill(0, $parts, 0.0);
        [$nx, $ny] = $voxels->grid->cells;
        [$wx, $wy, $wz] = $voxels->grid->widths;
        foreach ($voxels->owner as $cell => $part) {
            if ($part < 0) {
                continue;
            }
            $t = $temperature[$cell];
            $v = $wx[$cell % $nx] * $wy[intdiv($cell, $nx) % $ny] * $wz[intdiv($cell, $nx * $ny)];
            $sum[$part] += $v * $t;
            $volume[$part] += $v;
            if ($t < $min[$part]) {
                $min[$part] = $t;
            }
            if ($t > $max[$part]) {
                $max[$part] = $t;
            }
        }
        $result = [];
        for ($part = 0; $part < $parts; $part++) {
            $result[] = $volume[$part] > 0.0 ? ['min' => $min[$part], 'mean' => $sum[$part] / $volume[$part], 'max' => $max[$part]] : null;
        }

        return $result;
    }
}
