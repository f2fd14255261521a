<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * The level of a stencil matrix: aggregates of cells, and lines of cells along one or more axes solved exactly, of each axis
 * first all lines of one colour of a chessboard, then the others (zebra; Trottenberg, Oosterlee & Schueller, Multigrid, 2001,
 * sec. 5.1.3).
 */
final class BoxLevel implements Level
{
    /** @var list<list<float>> inverse pivots of the lines along each axis of $axes */
    private readonly array $pivots;

    /**
     * @param non-empty-list<int> $axes of the lines, in the order in which they are solved
     * @param list<int> $aggregate of each padded cell on the next level
     */
    public function __construct(
        private readonly Stencil $stencil,
        private readonly array $axes,
        private readonly array $aggregate,
        private readonly int $coarseSize,
    ) {
        $pivots = [];
        foreach ($axes as $axis) {
            $pivots[] = self::pivots($stencil->pad, $stencil->pad * ($stencil->cells[2] + 1), $stencil->strides()[$axis], $stencil->coupling[$axis], $stencil->diagonal);
        }
        $this->pivots = $pivots;
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
        // Every cell is written before it is read, so the start may be anything.
        $x = $this->lines(0, 0, true, $b, $b);
        $x = $this->lines(0, 1, false, $b, Vectors::take($x));
        for ($n = 1; $n < count($this->axes); $n++) {
            $x = $this->lines($n, 0, false, $b, Vectors::take($x));
            $x = $this->lines($n, 1, false, $b, Vectors::take($x));
        }
        $s = $this->stencil;

        return [$x, self::restrict($s->cells, $this->axes[count($this->axes) - 1], $s->coupling[0], $s->coupling[1], $s->coupling[2], $s->diagonal, $b, $x, $this->aggregate, $this->coarseSize)];
    }

    public function up(array $b, array $x, array $correction): array
    {
        $x = self::prolong($this->stencil->cells, $this->axes[count($this->axes) - 1], Vectors::take($x), $this->aggregate, $correction);
        for ($n = count($this->axes) - 1; $n >= 0; $n--) {
            $x = $this->lines($n, 1, false, $b, Vectors::take($x));
            $x = $this->lines($n, 0, false, $b, Vectors::take($x));
        }

        return $x;
    }

    /**
     * @param int $n which of the axes
     * @param list<float> $b
     * @param list<float> $x
     * @return list<float>
     */
    private function lines(int $n, int $colour, bool $alone, array $b, array $x): array
    {
        $s = $this->stencil;
        // Across the lines, the shorter steps first.
        [$l, $a, $c] = [[0, 1, 2], [1, 0, 2], [2, 0, 1]][$this->axes[$n]];
        $strides = $s->strides();
        // Lines that cross memory in the longest steps are done together plane by plane, others slab by slab.
        [$slabs, $rows] = $l === 2 ? [1, $s->cells[$c]] : [$s->cells[$c], 1];
        if ($alone) {
            return self::solveAlone($colour, $s->pad, $slabs, $rows, $s->cells[$l], $s->cells[$a], $strides[$l], $strides[$a], $strides[$c], $s->coupling[$l], $this->pivots[$n], $b, Vectors::take($x));
        }

        return self::solve($colour, $s->pad, $slabs, $rows, $s->cells[$l], $s->cells[$a], $strides[$l], $strides[$a], $strides[$c],
            $s->coupling[$l], $s->coupling[$a], $s->coupling[$c], $this->pivots[$n], $b, Vectors::take($x));
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
     * Lines of one colour while the other colour is zero. In each slab all rows of lines rise and come back together.
     *
     * @param list<float> $g along the lines
     * @param list<float> $pivot
     * @param list<float> $b
     * @param list<float> $x
     * @return list<float>
     */
    private static function solveAlone(int $colour, int $pad, int $slabs, int $rows, int $nl, int $na, int $sl, int $sa, int $sc, array $g, array $pivot, array $b, array $x): array
    {
        $step = 2 * $sa;
        for ($slab = 0; $slab < $slabs; $slab++) {
            $base = $pad + $slab * $sc;
            for ($l = 0; $l < $nl; $l++, $base += $sl) {
                for ($row = 0; $row < $rows; $row++) {
                    $c = $base + $row * $sc;
                    for ($end = $c + $na * $sa, $c += (($slab + $row + $colour) & 1) * $sa; $c < $end; $c += $step) {
                        $x[$c] = ($b[$c] + $g[$c - $sl] * $x[$c - $sl]) * $pivot[$c];
                    }
                }
            }
            for ($l = 1, $base -= 2 * $sl; $l < $nl; $l++, $base -= $sl) {
                for ($row = 0; $row < $rows; $row++) {
                    $c = $base + $row * $sc;
                    for ($end = $c + $na * $sa, $c += (($slab + $row + $colour) & 1) * $sa; $c < $end; $c += $step) {
                        $x[$c] += $g[$c] * $pivot[$c] * $x[$c + $sl];
                    }
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
    private static function solve(int $colour, int $pad, int $slabs, int $rows, int $nl, int $na, int $sl, int $sa, int $sc, array $g, array $ga, array $gc, array $pivot, array $b, array $x): array
    {
        $step = 2 * $sa;
        for ($slab = 0; $slab < $slabs; $slab++) {
            $base = $pad + $slab * $sc;
            for ($l = 0; $l < $nl; $l++, $base += $sl) {
                for ($row = 0; $row < $rows; $row++) {
                    $c = $base + $row * $sc;
                    for ($end = $c + $na * $sa, $c += (($slab + $row + $colour) & 1) * $sa; $c < $end; $c += $step) {
                        $x[$c] = ($b[$c] + $g[$c - $sl] * $x[$c - $sl] + $ga[$c] * $x[$c + $sa] + $ga[$c - $sa] * $x[$c - $sa]
                            + $gc[$c] * $x[$c + $sc] + $gc[$c - $sc] * $x[$c - $sc]) * $pivot[$c];
                    }
                }
            }
            for ($l = 1, $base -= 2 * $sl; $l < $nl; $l++, $base -= $sl) {
                for ($row = 0; $row < $rows; $row++) {
                    $c = $base + $row * $sc;
                    for ($end = $c + $na * $sa, $c += (($slab + $row + $colour) & 1) * $sa; $c < $end; $c += $step) {
                        $x[$c] += $g[$c] * $pivot[$c] * $x[$c + $sl];
                    }
                }
            }
        }

        return $x;
    }

    /**
     * Sums of the residual over the aggregates: where lines were solved last it is zero, so only the other colour has one.
     *
     * @param array{int, int, int} $cells
     * @param list<float> $gx
     * @param list<float> $gy
     * @param list<float> $gz
     * @param list<float> $d
     * @param list<float> $b
     * @param list<float> $x
     * @param list<int> $aggregate
     * @return list<float>
     */
    private static function restrict(array $cells, int $axis, array $gx, array $gy, array $gz, array $d, array $b, array $x, array $aggregate, int $coarseSize): array
    {
        [$nx, $ny, $nz] = $cells;
        $pad = $nx * $ny;
        $sums = array_fill(0, $coarseSize, 0.0);
        $step = $axis === 0 ? 1 : 2;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $odd = self::firstOfRow($axis, $j, $k);
                if ($odd < 0) {
                    continue;
                }
                $row = $pad + $nx * ($j + $ny * $k);
                for ($c = $row + $odd, $end = $row + $nx; $c < $end; $c += $step) {
                    $sums[$aggregate[$c]] += $b[$c] - $d[$c] * $x[$c] + $gx[$c] * $x[$c + 1] + $gx[$c - 1] * $x[$c - 1]
                        + $gy[$c] * $x[$c + $nx] + $gy[$c - $nx] * $x[$c - $nx] + $gz[$c] * $x[$c + $pad] + $gz[$c - $pad] * $x[$c - $pad];
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
