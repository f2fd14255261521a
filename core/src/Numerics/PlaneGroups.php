<?php

declare(strict_types=1);

namespace Foehn\Numerics;

use Foehn\Grid\Axes;
/**
 * Which neighbouring planes of a stencil matrix become one on the next level: pairs that are not weakly coupled against
 * their surroundings, and that nowhere join a good conductor with a bad one. A coarse cell that is half metal and half air
 * has the wrong resistance to both, and the iteration then has to mend it.
 */
final class PlaneGroups
{
    /** A coupling below this share of the strongest across is weak: errors that alternate along it are not smoothed. */
    private const WEAK = 0.1;

    /** Share of the cells of a pair of planes that may be coupled weakly when it is merged. */
    private const FEW = 0.1;

    /** Couplings of neighbours that differ by more than this belong to different bodies. */
    private const CONTRAST = 10.0;

    /**
     * From this share of cells with their strongest coupling along one axis on (stacks of layers, solid blocks), the multigrid
     * of planes and lines is two to four times faster; on enclosures with thin walls all around it needs five times the iterations.
     */
    private const LAYERED = 0.8;

    /** Whether planes and lines are the better multigrid for a matrix. */
    public static function suit(Stencil $stencil): bool
    {
        return self::lineAxis($stencil)[1] >= self::LAYERED;
    }

    /**
     * The axis along which most cells have their strongest coupling, and the share of all cells that have it there.
     *
     * @return array{int, float}
     */
    public static function lineAxis(Stencil $stencil): array
    {
        $votes = self::votes($stencil->pad, $stencil->pad * ($stencil->cells[2] + 1), ...$stencil->coupling);

        // The later axis wins a tie: its lines run across the order in memory, so that the inner loop runs along it.
        $axis = $votes[2] >= max($votes) ? 2 : ($votes[1] >= $votes[0] ? 1 : 0);

        return [$axis, $votes[$axis] / $stencil->size()];
    }

    /** @return array{list<int>, list<int>, list<int>} per axis the group of each plane */
    public static function choose(Stencil $stencil, int $lineAxis): array
    {
        $strides = $stencil->strides();
        $groups = [];
        foreach ([0, 1, 2] as $axis) {
            [$a, $b] = Axes::across($axis);
            $g = $stencil->coupling;
            $may = self::mayMerge($stencil->cells, $axis, $strides[$axis], $strides[$a], $strides[$b], $g[$axis], $g[$a], $g[$b], $a !== $lineAxis, $b !== $lineAxis);
            $group = [0];
            $merged = false;
            for ($p = 1; $p < $stencil->cells[$axis]; $p++) {
                $merged = ! $merged && $may[$p - 1];
                $group[] = end($group) + ($merged ? 0 : 1);
            }
            $groups[] = $group;
        }

        return $groups;
    }

    /**
     * @param list<float> $gx
     * @param list<float> $gy
     * @param list<float> $gz
     * @return array{int, int, int}
     */
    private static function votes(int $first, int $end, array $gx, array $gy, array $gz): array
    {
        $x = $y = $z = 0;
        for ($c = $first; $c < $end; $c++) {
            $a = $gx[$c];
            $b = $gy[$c];
            $d = $gz[$c];
            if ($a + $b + $d <= 0.0) {
                continue;
            }
            if ($d >= 0.999 * $a && $d >= 0.999 * $b) {
                $z++;
            } elseif ($b >= $a) {
                $y++;
            } else {
                $x++;
            }
        }

        return [$x, $y, $z];
    }

    /**
     * Whether each plane across the axis may be merged with the next one. Couplings along lines that are solved exactly are
     * not counted among those across.
     *
     * @param array{int, int, int} $cells
     * @param list<float> $g along the axis
     * @param list<float> $ga across it
     * @param list<float> $gb across it
     * @return list<bool>
     */
    private static function mayMerge(array $cells, int $axis, int $s, int $sa, int $sb, array $g, array $ga, array $gb, bool $countA, bool $countB): array
    {
        [$nx, $ny, $nz] = $cells;
        $weak = array_fill(0, $cells[$axis], 0);
        $count = array_fill(0, $cells[$axis], 0);
        $apart = array_fill(0, $cells[$axis], 0);
        $c = $nx * $ny;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $plane = $axis === 1 ? $j : $k;
                for ($i = 0; $i < $nx; $i++, $c++) {
                    if ($g[$c] <= 0.0) {
                        continue;
                    }
                    $p = $axis === 0 ? $i : $plane;
                    $a1 = $ga[$c];
                    $a2 = $ga[$c + $s];
                    $b1 = $gb[$c];
                    $b2 = $gb[$c + $s];
                    if ($a1 > self::CONTRAST * $a2 || $a2 > self::CONTRAST * $a1 || $b1 > self::CONTRAST * $b2 || $b2 > self::CONTRAST * $b1) {
                        $apart[$p]++;
                    }
                    $a = $countA ? ($a1 < $a2 ? $a1 : $a2) : 0.0;
                    $b = $countB ? ($b1 < $b2 ? $b1 : $b2) : 0.0;
                    $most = $a > $b ? $a : $b;
                    if ($g[$c] < self::WEAK * $most) {
                        $weak[$p]++;
                    }
                    $count[$p]++;
                }
            }
        }
        $may = [];
        foreach ($count as $p => $cells) {
            $may[] = $apart[$p] === 0 && $cells > 0 && $weak[$p] <= self::FEW * $cells;
        }

        return $may;
    }
}
