<?php

declare(strict_types=1);

namespace Foehn\Numerics;

use Foehn\Geometry\Axes;

/**
 * Aggregates of a box of cells whose lines along some axes are solved exactly: in every block of 2 x 2 x 2 cells those that
 * strong couplings join. Blocks stay compact, and one that holds metal and air becomes two aggregates: a coarse unknown that
 * is half metal and half air has the wrong resistance to both.
 */
final class BlockAggregates
{
    /** A coupling is strong from this share of the strongest ones across the lines of either cell on. */
    private const STRONG = 0.25;

    /** Lines along a further axis are worth it from this share of cells that are stiffest along it on. */
    private const WORTH = 0.1;

    /**
     * @param non-empty-array<int, int> $lineAxes
     * @param list<non-empty-array<int, int>> $ties padded indices of cells with one common value: one aggregate each
     * @return array{array<int, int>, int} the aggregate of each padded cell, 0 for cells that take no part, and how many there are
     */
    public static function of(Stencil $stencil, array $lineAxes, array $ties = []): array
    {
        $strides = $stencil->strides();
        $strongest = null;
        foreach ($lineAxes as $axis) {
            [$a, $b] = Axes::across($axis);
            $across = self::strongest($stencil->pad, $stencil->pad * ($stencil->cells[2] + 1), $strides[$a], $strides[$b], $stencil->coupling[$a], $stencil->coupling[$b], Stencil::zeros($stencil->cells));
            // Of the lines through a cell those along its stiffest axis leave the least across.
            $strongest = $strongest === null ? $across : array_map(fn (float $one, float $other): float => min($one, $other), $strongest, $across);
        }
        $root = array_keys($strongest);
        foreach ($ties as $cells) {
            $first = min($cells);
            foreach ($cells as $c) {
                $root[$c] = $first;
                $strongest[$c] = INF;
            }
        }
        foreach ([0, 1, 2] as $axis) {
            $root = self::join($stencil->cells, $axis, $strides[$axis], $stencil->coupling[$axis], $strongest, $root);
        }

        return self::number($stencil->diagonal, $root);
    }

    /**
     * The axes along which many cells have their strongest coupling; lines along them are the ones to solve exactly.
     *
     * @return non-empty-array<int, int> the one of most cells last
     */
    public static function lineAxes(Stencil $stencil): array
    {
        $votes = self::votes($stencil->pad, $stencil->pad * ($stencil->cells[2] + 1), ...$stencil->coupling);
        $axes = array_keys(array_filter($votes, fn (int $count) => $count >= max(1, self::WORTH * array_sum($votes))));
        usort($axes, fn (int $a, int $b) => $votes[$a] <=> $votes[$b]);

        return $axes === [] ? [2] : $axes;
    }

    /**
     * @param array<int, float> $gx
     * @param array<int, float> $gy
     * @param array<int, float> $gz
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
     * @param array<int, float> $ga
     * @param array<int, float> $gb
     * @param array<int, float> $strongest zeros
     * @return array<int, float> the strongest coupling of each cell across the lines
     */
    private static function strongest(int $first, int $end, int $sa, int $sb, array $ga, array $gb, array $strongest): array
    {
        for ($c = $first; $c < $end; $c++) {
            $g = $ga[$c] > $ga[$c - $sa] ? $ga[$c] : $ga[$c - $sa];
            $h = $gb[$c] > $gb[$c - $sb] ? $gb[$c] : $gb[$c - $sb];
            $strongest[$c] = $g > $h ? $g : $h;
        }

        return $strongest;
    }

    /**
     * Joins the trees of neighbours along an axis that are in one block and strongly coupled.
     *
     * @param array{int, int, int} $cells
     * @param array<int, float> $g
     * @param array<int, float> $strongest
     * @param array<int, int> $root a cell of the same aggregate for each cell, the first one has itself
     * @return array<int, int>
     */
    private static function join(array $cells, int $axis, int $stride, array $g, array $strongest, array $root): array
    {
        [$nx, $ny, $nz] = $cells;
        $step = $axis === 0 ? 2 : 1;
        for ($k = 0; $k < $nz; $k += $axis === 2 ? 2 : 1) {
            for ($j = 0; $j < $ny; $j += $axis === 1 ? 2 : 1) {
                $c = $nx * $ny + $nx * ($j + $ny * $k);
                for ($end = $c + $nx; $c < $end; $c += $step) {
                    $d = $c + $stride;
                    $most = $strongest[$c] > $strongest[$d] ? $strongest[$c] : $strongest[$d];
                    if ($g[$c] <= 0.0 || $g[$c] < self::STRONG * $most) {
                        continue;
                    }
                    $i = $c;
                    while ($root[$i] !== $i) {
                        $i = $root[$i];
                    }
                    while ($root[$d] !== $d) {
                        $d = $root[$d];
                    }
                    if ($i < $d) {
                        $root[$d] = $i;
                    } else {
                        $root[$i] = $d;
                    }
                }
            }
        }

        return $root;
    }

    /**
     * @param array<int, float> $diagonal zero where a cell takes no part
     * @param array<int, int> $root
     * @return array{array<int, int>, int}
     */
    private static function number(array $diagonal, array $root): array
    {
        $count = 0;
        $aggregate = $root;
        foreach ($root as $c => $r) {
            if ($diagonal[$c] <= 0.0) {
                $aggregate[$c] = 0;
            } elseif ($r === $c) {
                $aggregate[$c] = $count++;
            } else {
                // A root stands before all others of its aggregate, so it is numbered by now.
                while ($root[$r] !== $r) {
                    $r = $root[$r];
                }
                $aggregate[$c] = $aggregate[$r];
            }
        }

        return [$aggregate, $count];
    }
}
