<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * A level of a stencil matrix: groups of planes, and lines of cells along the axis of the strongest couplings solved
 * exactly, first all lines of one colour of a chessboard, then the others (zebra; Trottenberg, Oosterlee & Schueller,
 * Multigrid, 2001, sec. 5.1.3).
 */
final class BoxLevel implements Level
{
    /** @var list<float> inverse pivots of the line solver */
    private readonly array $pivot;

    /** @var array{int, int, int} the axis of the lines, and the two across it with the shorter steps first */
    private readonly array $axes;

    /**
     * @param array{list<int>, list<int>, list<int>} $group per axis the plane of the next level that each plane belongs to
     * @param array{int, int, int} $coarseCells
     * @param ?list<int> $unknown of each padded cell of the next level, when that is no stencil any more
     */
    public function __construct(
        private readonly Stencil $stencil,
        private readonly int $axis,
        private readonly array $group,
        private readonly array $coarseCells,
        private readonly ?array $unknown,
        private readonly int $unknowns,
    )
    {
        $this->axes = [[0, 1, 2], [1, 0, 2], [2, 0, 1]][$axis];
        $this->pivot = self::pivots($stencil->pad, $stencil->pad * ($stencil->cells[2] + 1), $stencil->strides()[$axis], $stencil->coupling[$axis], $stencil->diagonal);
    }

    public function size(): int
    {
        return $this->stencil->size();
    }

    public function times(array $x): array
    {
        return $this->stencil->times($x);
    }

    public function down(array $b): array
    {
        $s = $this->stencil;
        $x = $this->lines(0, true, $b, Stencil::zeros($s->cells));
        $x = $this->lines(1, false, $b, Vectors::take($x));
        [, $a, $c] = $this->axes;

        $sums = self::restrict($s->cells, $this->coarseCells, $this->group, $this->axis, $s->coupling[$a], $s->coupling[$c], $s->strides()[$a], $s->strides()[$c], $x);

        return [$x, $this->unknown === null ? $sums : Stencil::pack($sums, $this->unknown, $this->unknowns)];
    }

    public function up(array $b, array $x, array $correction): array
    {
        $correction = $this->unknown === null ? $correction : Stencil::unpack($correction, $this->unknown);
        $x = self::prolong($this->stencil->cells, $this->coarseCells, $this->group, $this->axis, Vectors::take($x), $correction);
        $x = $this->lines(1, false, $b, Vectors::take($x));

        return $this->lines(0, false, $b, Vectors::take($x));
    }

    /**
     * @param list<float> $b
     * @param list<float> $x
     * @return list<float>
     */
    private function lines(int $colour, bool $alone, array $b, array $x): array
    {
        $s = $this->stencil;
        [$l, $a, $c] = $this->axes;
        $strides = $s->strides();
        if ($alone) {
            return self::solveAlone($colour, $s->pad, $s->cells[$l], $s->cells[$a], $s->cells[$c], $strides[$l], $strides[$a], $strides[$c], $s->coupling[$l], $this->pivot, $b, Vectors::take($x));
        }

        return self::solve($colour, $s->pad, $s->cells[$l], $s->cells[$a], $s->cells[$c], $strides[$l], $strides[$a], $strides[$c],
            $s->coupling[$l], $s->coupling[$a], $s->coupling[$c], $this->pivot, $b, Vectors::take($x));
    }

    /**
     * @param list<float> $g
     * @param list<float> $d
     * @return list<float>
     */
    private static function pivots(int $first, int $end, int $stride, array $g, array $d): array
    {
        for ($c = $first; $c < $end; $c++) {
            // Also right across the ends of lines, where the coupling is zero.
            $p = $d[$c] - $g[$c - $stride] * $g[$c - $stride] * $d[$c - $stride];
            $d[$c] = $p > 1e-13 * $d[$c] ? 1.0 / $p : 0.0;
        }

        return $d;
    }

    /**
     * Lines of one colour while the other colour is zero.
     *
     * @param list<float> $g along the lines
     * @param list<float> $pivot
     * @param list<float> $b
     * @param list<float> $x
     * @return list<float>
     */
    private static function solveAlone(int $colour, int $pad, int $nl, int $na, int $nc, int $sl, int $sa, int $sc, array $g, array $pivot, array $b, array $x): array
    {
        $step = 2 * $sa;
        for ($k = 0; $k < $nc; $k++) {
            $odd = ($k + $colour) & 1;
            $base = $pad + $k * $sc;
            for ($l = 0; $l < $nl; $l++, $base += $sl) {
                for ($c = $base + $odd * $sa, $end = $base + $na * $sa; $c < $end; $c += $step) {
                    $x[$c] = ($b[$c] + $g[$c - $sl] * $x[$c - $sl]) * $pivot[$c];
                }
            }
            for ($l = 1, $base -= 2 * $sl; $l < $nl; $l++, $base -= $sl) {
                for ($c = $base + $odd * $sa, $end = $base + $na * $sa; $c < $end; $c += $step) {
                    $x[$c] += $g[$c] * $pivot[$c] * $x[$c + $sl];
                }
            }
        }

        return $x;
    }

    /**
     * Lines of one colour with the other colour's values.
     *
     * @param list<float> $g along the lines
     * @param list<float> $ga across them
     * @param list<float> $gc across them
     * @param list<float> $pivot
     * @param list<float> $b
     * @param list<float> $x
     * @return list<float>
     */
    private static function solve(int $colour, int $pad, int $nl, int $na, int $nc, int $sl, int $sa, int $sc, array $g, array $ga, array $gc, array $pivot, array $b, array $x): array
    {
        $step = 2 * $sa;
        for ($k = 0; $k < $nc; $k++) {
            $odd = ($k + $colour) & 1;
            $base = $pad + $k * $sc;
            for ($l = 0; $l < $nl; $l++, $base += $sl) {
                for ($c = $base + $odd * $sa, $end = $base + $na * $sa; $c < $end; $c += $step) {
                    $x[$c] = ($b[$c] + $g[$c - $sl] * $x[$c - $sl] + $ga[$c] * $x[$c + $sa] + $ga[$c - $sa] * $x[$c - $sa]
                        + $gc[$c] * $x[$c + $sc] + $gc[$c - $sc] * $x[$c - $sc]) * $pivot[$c];
                }
            }
            for ($l = 1, $base -= 2 * $sl; $l < $nl; $l++, $base -= $sl) {
                for ($c = $base + $odd * $sa, $end = $base + $na * $sa; $c < $end; $c += $step) {
                    $x[$c] += $g[$c] * $pivot[$c] * $x[$c + $sl];
                }
            }
        }

        return $x;
    }

    /**
     * After both colours from zero only the first has a residual: its couplings to the second.
     *
     * @param array{int, int, int} $cells
     * @param array{int, int, int} $coarse
     * @param array{list<int>, list<int>, list<int>} $group
     * @param list<float> $ga
     * @param list<float> $gc
     * @param list<float> $x
     * @return list<float>
     */
    private static function restrict(array $cells, array $coarse, array $group, int $axis, array $ga, array $gc, int $sa, int $sc, array $x): array
    {
        [$nx, $ny, $nz] = $cells;
        [$mx, $my] = $coarse;
        [$gx, $gy, $gz] = $group;
        $sums = Stencil::zeros($coarse);
        $step = $axis === 0 ? 1 : 2;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $odd = self::firstOfRow($axis, $j, $k);
                if ($odd < 0) {
                    continue;
                }
                $row = $mx * $my + $mx * ($gy[$j] + $my * $gz[$k]);
                $c = $nx * $ny + $nx * ($j + $ny * $k) + $odd;
                for ($i = $odd; $i < $nx; $i += $step, $c += $step) {
                    $sums[$row + $gx[$i]] += $ga[$c] * $x[$c + $sa] + $ga[$c - $sa] * $x[$c - $sa] + $gc[$c] * $x[$c + $sc] + $gc[$c - $sc] * $x[$c - $sc];
                }
            }
        }

        return $sums;
    }

    /**
     * Only to the first colour: the second is solved anew before it is read.
     *
     * @param array{int, int, int} $cells
     * @param array{int, int, int} $coarse
     * @param array{list<int>, list<int>, list<int>} $group
     * @param list<float> $x
     * @param list<float> $correction
     * @return list<float>
     */
    private static function prolong(array $cells, array $coarse, array $group, int $axis, array $x, array $correction): array
    {
        [$nx, $ny, $nz] = $cells;
        [$mx, $my] = $coarse;
        [$gx, $gy, $gz] = $group;
        $step = $axis === 0 ? 1 : 2;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $odd = self::firstOfRow($axis, $j, $k);
                if ($odd < 0) {
                    continue;
                }
                $row = $mx * $my + $mx * ($gy[$j] + $my * $gz[$k]);
                $c = $nx * $ny + $nx * ($j + $ny * $k) + $odd;
                for ($i = $odd; $i < $nx; $i += $step, $c += $step) {
                    $x[$c] += $correction[$row + $gx[$i]];
                }
            }
        }

        return $x;
    }

    /** First cell of the first colour in a row of x; -1: none. */
    private static function firstOfRow(int $axis, int $j, int $k): int
    {
        return match ($axis) {
            0 => ($j + $k) % 2 === 0 ? 0 : -1,
            1 => $k % 2,
            default => $j % 2,
        };
    }
}
