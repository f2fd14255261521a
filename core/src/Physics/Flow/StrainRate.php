<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

/** How fast the fluid is sheared in each cell, from differences over the neighbours; at walls from the speed of the wall itself. */
final class StrainRate
{
    /**
     * @param array{list<float>, list<float>, list<float>} $velocity
     * @return list<float> square of the rate of strain, 2 S S, in the cells, 1/s2, in the layout of the flow
     */
    public static function squared(FlowDomain $domain, array $velocity): array
    {
        $layout = $domain->layout;
        $sum = $layout->zeros();
        foreach ([[0, 1], [0, 2], [1, 2]] as [$a, $b]) {
            $sum = self::shear($layout->size, $layout->pad, $layout->stride[$a], $layout->stride[$b], $a, $b, $layout->width[$a], $layout->width[$b],
                $domain->fluid, $domain->drag, $velocity[$a], $velocity[$b], $sum);
        }

        return $sum;
    }

    /**
     * Adds the square of the shear between two axes. A neighbour that is no fluid stands at the wall, half a cell away: with its
     * own speed where it rubs, with that of the cell where it slips.
     *
     * @param array{int, int, int} $size
     * @param list<float> $wa
     * @param list<float> $wb
     * @param list<int> $fluid
     * @param list<float> $rubs
     * @param list<float> $u along the first axis
     * @param list<float> $v along the second one
     * @param list<float> $sum
     * @return list<float>
     */
    private static function shear(array $size, int $pad, int $sa, int $sb, int $a, int $b, array $wa, array $wb, array $fluid, array $rubs, array $u, array $v, array $sum): array
    {
        [$mx, $my, $mz] = $size;
        $c = $pad;
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
                        $du += $rubs[$p] > 0.0 ? $u[$p] + $u[$p - $sa] : $uHere;
                    }
                    if ($fluid[$m] === 1) {
                        $spanB += $wb[$ib - 1];
                        $du -= $u[$m] + $u[$m - $sa];
                    } else {
                        $du -= $rubs[$m] > 0.0 ? $u[$m] + $u[$m - $sa] : $uHere;
                    }
                    $p = $c + $sa;
                    $m = $c - $sa;
                    $dv = 0.0;
                    if ($fluid[$p] === 1) {
                        $spanA += $wa[$ia + 1];
                        $dv += $v[$p] + $v[$p - $sb];
                    } else {
                        $dv += $rubs[$p] > 0.0 ? $v[$p] + $v[$p - $sb] : $vHere;
                    }
                    if ($fluid[$m] === 1) {
                        $spanA += $wa[$ia - 1];
                        $dv -= $v[$m] + $v[$m - $sb];
                    } else {
                        $dv -= $rubs[$m] > 0.0 ? $v[$m] + $v[$m - $sb] : $vHere;
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
     * @param array{list<float>, list<float>, list<float>} $velocity
     * @return list<float> m/s in the cells, in the layout of the flow
     */
    public static function speeds(FlowLayout $layout, array $velocity): array
    {
        return self::magnitudes($layout->pad, $layout->length - $layout->pad, $layout->stride, $velocity[0], $velocity[1], $velocity[2]);
    }

    /**
     * @param array{int, int, int} $stride
     * @param list<float> $u
     * @param list<float> $v
     * @param list<float> $w
     * @return list<float>
     */
    private static function magnitudes(int $first, int $end, array $stride, array $u, array $v, array $w): array
    {
        [, $sy, $sz] = $stride;
        $speed = array_fill(0, count($u), 0.0);
        for ($c = $first; $c < $end; $c++) {
            $a = $u[$c] + $u[$c - 1];
            $b = $v[$c] + $v[$c - $sy];
            $d = $w[$c] + $w[$c - $sz];
            $speed[$c] = 0.5 * sqrt($a * $a + $b * $b + $d * $d);
        }

        return $speed;
    }
}
