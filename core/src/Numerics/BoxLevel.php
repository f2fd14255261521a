<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * The level of a stencil matrix: aggregates of cells, and lines of cells along the axis of the strongest couplings solved
 * exactly, first all lines of one colour of a chessboard, then the others (zebra; Trottenberg, Oosterlee & Schueller,
 * Multigrid, 2001, sec. 5.1.3).
 */
final class BoxLevel implements Level
{
    /** @var list<float> inverse pivots of the line solver */
    private readonly array $pivot;

    /** @var array{int, int, int} the axis of the lines, and the two across it with the shorter steps first */
    private readonly array $axes;

    /** @param list<int> $aggregate of each padded cell on the next level */
    public function __construct(
        private readonly Stencil $stencil,
        private readonly int $axis,
        private readonly array $aggregate,
        private readonly int $coarseSize,
    ) {
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
        // Every cell is written before it is read, so the start may be anything.
        $x = $this->lines(0, true, $b, $b);
        $x = $this->lines(1, false, $b, Vectors::take($x));
        [, $a, $c] = $this->axes;

        $strides = $s->strides();

        return [$x, self::restrict($s->cells, $this->axis, $s->coupling[$a], $s->coupling[$c], $strides[$a], $strides[$c], $x, $this->aggregate, $this->coarseSize)];
    }

    public function up(array $b, array $x, array $correction): array
    {
        $x = self::prolong($this->stencil->cells, $this->axis, Vectors::take($x), $this->aggregate, $correction);
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
     * @param list<float> $ga
     * @param list<float> $gc
     * @param list<float> $x
     * @param list<int> $aggregate
     * @return list<float>
     */
    private static function restrict(array $cells, int $axis, array $ga, array $gc, int $sa, int $sc, array $x, array $aggregate, int $coarseSize): array
    {
        [$nx, $ny, $nz] = $cells;
        $sums = array_fill(0, $coarseSize, 0.0);
        $step = $axis === 0 ? 1 : 2;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $odd = self::firstOfRow($axis, $j, $k);
                if ($odd < 0) {
                    continue;
                }
                $row = $nx * $ny + $nx * ($j + $ny * $k);
                for ($c = $row + $odd, $end = $row + $nx; $c < $end; $c += $step) {
                    $sums[$aggregate[$c]] += $ga[$c] * $x[$c + $sa] + $ga[$c - $sa] * $x[$c - $sa] + $gc[$c] * $x[$c + $sc] + $gc[$c - $sc] * $x[$c - $sc];
                }
            }
        }

        return $sums;
    }

    /**
     * Only to the first colour: the second is solved anew before it is read.
     *
     * @param array{int, int, int} $cells
     * @param list<float> $x
     * @param list<int> $aggregate
     * @param list<float> $correction
     * @return list<float>
     */
    private static function prolong(array $cells, int $axis, array $x, array $aggregate, array $correction): array
    {
        [$nx, $ny, $nz] = $cells;
        $step = $axis === 0 ? 1 : 2;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $odd = self::firstOfRow($axis, $j, $k);
                if ($odd < 0) {
                    continue;
                }
                $row = $nx * $ny + $nx * ($j + $ny * $k);
                for ($c = $row + $odd, $end = $row + $nx; $c < $end; $c += $step) {
                    $x[$c] += $correction[$aggregate[$c]];
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
