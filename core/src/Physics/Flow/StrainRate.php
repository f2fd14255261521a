<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Vectors;

/** How fast the fluid is sheared in each cell, from differences over the neighbours; at walls from the speed of the wall itself. */
final class StrainRate
{
    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity
     * @return array<int, float> square of the rate of strain, 2 S S, in the cells, 1/s2, in the layout of the flow
     */
    public static function squared(FlowDomain $domain, array $velocity): array
    {
        $layout = $domain->layout;
        $sum = $layout->zeros();
        foreach ([[0, 1], [0, 2], [1, 2]] as [$a, $b]) {
            $sum = self::shear($domain, $a, $b, $velocity, Vectors::take($sum));
        }

        return $sum;
    }

    /**
     * Adds (du/db + dv/da)^2 + (du/da)^2 + (dv/db)^2 of two axes a and b, by central differences. A neighbour that is no fluid
     * stands at the wall, half a cell away: with its own speed where the fluid sticks to it, with that of the cell where it slips.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     * @param array<int, float> $sum 1/s2
     * @return array<int, float>
     */
    private static function shear(FlowDomain $domain, int $a, int $b, array $velocity, array $sum): array
    {
        $layout = $domain->layout;
        [$sa, $sb, $wa, $wb] = [$layout->stride[$a], $layout->stride[$b], $layout->width[$a], $layout->width[$b]];
        [$fluid, $noSlip, $u, $v] = [$domain->fluid, $domain->noSlip, $velocity[$a], $velocity[$b]];
        [$mx, $my, $mz] = $layout->size;
        $c = $layout->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    if ($fluid[$c] !== 1) {
                        continue;
                    }
                    $ia = $a === 0 ? $i : $j;
                    $ib = $b === 1 ? $j : $k;
                    $uHere = $u[$c] + $u[$c - $sa];
                    $vHere = $v[$c] + $v[$c - $sb];
                    $spanB = 2.0 * $wb[$ib];
                    $spanA = 2.0 * $wa[$ia];
                    $p = $c + $sb;
                    $m = $c - $sb;
                    $du = 0.0;
                    if ($fluid[$p] === 1) {
                        $spanB += $wb[$ib + 1];
                        $du += $u[$p] + $u[$p - $sa];
                    } else {
                        $du += $noSlip[$p] > 0.0 ? $u[$p] + $u[$p - $sa] : $uHere;
                    }
                    if ($fluid[$m] === 1) {
                        $spanB += $wb[$ib - 1];
                        $du -= $u[$m] + $u[$m - $sa];
                    } else {
                        $du -= $noSlip[$m] > 0.0 ? $u[$m] + $u[$m - $sa] : $uHere;
                    }
                    $p = $c + $sa;
                    $m = $c - $sa;
                    $dv = 0.0;
                    if ($fluid[$p] === 1) {
                        $spanA += $wa[$ia + 1];
                        $dv += $v[$p] + $v[$p - $sb];
                    } else {
                        $dv += $noSlip[$p] > 0.0 ? $v[$p] + $v[$p - $sb] : $vHere;
                    }
                    if ($fluid[$m] === 1) {
                        $spanA += $wa[$ia - 1];
                        $dv -= $v[$m] + $v[$m - $sb];
                    } else {
                        $dv -= $noSlip[$m] > 0.0 ? $v[$m] + $v[$m - $sb] : $vHere;
                    }
                    $rate = $du / $spanB + $dv / $spanA;
                    $stretch = ($u[$c] - $u[$c - $sa]) / $wa[$ia];
                    $other = ($v[$c] - $v[$c - $sb]) / $wb[$ib];
                    // Each stretching rate belongs to two pairs of axes.
                    $sum[$c] += $rate * $rate + $stretch * $stretch + $other * $other;
                }
            }
        }

        return $sum;
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity
     * @return array<int, float> m/s in the cells, in the layout of the flow
     */
    public static function speeds(FlowLayout $layout, array $velocity): array
    {
        return self::magnitudes($layout, $velocity[0], $velocity[1], $velocity[2]);
    }

    /**
     * @param array<int, float> $u
     * @param array<int, float> $v
     * @param array<int, float> $w
     * @return array<int, float>
     */
    private static function magnitudes(FlowLayout $layout, array $u, array $v, array $w): array
    {
        [, $sy, $sz] = $layout->stride;
        $speed = array_fill(0, count($u), 0.0);
        for ($c = $layout->pad, $end = $layout->length - $layout->pad; $c < $end; $c++) {
            $a = $u[$c] + $u[$c - 1];
            $b = $v[$c] + $v[$c - $sy];
            $d = $w[$c] + $w[$c - $sz];
            $speed[$c] = 0.5 * sqrt($a * $a + $b * $b + $d * $d);
        }

        return $speed;
    }
}
