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
    /** @var array<int, LineOrder> of the lines along each axis of $axes */
    private readonly array $orders;

    /** @var list<array<int, float>> inverse pivots of the lines along each axis of $axes */
    private readonly array $pivots;

    /**
     * @param non-empty-array<int, int> $axes of the lines, in the order in which they are solved
     * @param array<int, int> $aggregate of each padded cell on the next level
     */
    public function __construct(
        private readonly Stencil $stencil,
        private readonly array $axes,
        private readonly array $aggregate,
        private readonly int $coarseSize,
    ) {
        $pivots = [];
        $this->orders = array_map(fn (int $axis) => new LineOrder($stencil, $axis), $axes);
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
        $x = $this->solveAlone($b);
        $x = $this->solve(0, 1, $b, Vectors::take($x));
        for ($n = 1; $n < count($this->axes); $n++) {
            $x = $this->solve($n, 0, $b, Vectors::take($x));
            $x = $this->solve($n, 1, $b, Vectors::take($x));
        }

        return [$x, $this->restrict($b, $x)];
    }

    public function up(array $b, array $x, array $correction): array
    {
        $x = $this->prolong(Vectors::take($x), $correction);
        for ($n = count($this->axes) - 1; $n >= 0; $n--) {
            $x = $this->solve($n, 1, $b, Vectors::take($x));
            $x = $this->solve($n, 0, $b, Vectors::take($x));
        }

        return $x;
    }

    /**
     * @param array<int, float> $g
     * @param array<int, float> $d
     * @return array<int, float>
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
     * The first lines of the first colour while all else is zero. In each slab all rows of lines rise and come back together.
     *
     * @param array<int, float> $b
     * @return array<int, float> every cell is written before it is read, so the other colour holds anything
     */
    private function solveAlone(array $b): array
    {
        $order = $this->orders[0];
        [[$sl, $sa, $sc], $nl, $na, $rows, $slabs, $pad] = [$order->steps, $order->length, $order->lines, $order->rows, $order->slabs, $this->stencil->pad];
        [$g, $pivot, $x] = [$this->stencil->coupling[$order->axes[0]], $this->pivots[0], $b];
        $step = 2 * $sa;
        for ($slab = 0; $slab < $slabs; $slab++) {
            $base = $pad + $slab * $sc;
            for ($l = 0; $l < $nl; $l++, $base += $sl) {
                for ($row = 0; $row < $rows; $row++) {
                    $c = $base + $row * $sc;
                    for ($end = $c + $na * $sa, $c += (($slab + $row) & 1) * $sa; $c < $end; $c += $step) {
                        $x[$c] = ($b[$c] + $g[$c - $sl] * $x[$c - $sl]) * $pivot[$c];
                    }
                }
            }
            for ($l = 1, $base -= 2 * $sl; $l < $nl; $l++, $base -= $sl) {
                for ($row = 0; $row < $rows; $row++) {
                    $c = $base + $row * $sc;
                    for ($end = $c + $na * $sa, $c += (($slab + $row) & 1) * $sa; $c < $end; $c += $step) {
                        $x[$c] += $g[$c] * $pivot[$c] * $x[$c + $sl];
                    }
                }
            }
        }

        return $x;
    }

    /**
     * Lines of one colour with the other colour's values, by Thomas' algorithm.
     *
     * @param int $n which of the axes
     * @param array<int, float> $b
     * @param array<int, float> $x
     * @return array<int, float>
     */
    private function solve(int $n, int $colour, array $b, array $x): array
    {
        $order = $this->orders[$n];
        [[$sl, $sa, $sc], $nl, $na, $rows, $slabs, $pad] = [$order->steps, $order->length, $order->lines, $order->rows, $order->slabs, $this->stencil->pad];
        $coupling = $this->stencil->coupling;
        [$g, $ga, $gc, $pivot] = [$coupling[$order->axes[0]], $coupling[$order->axes[1]], $coupling[$order->axes[2]], $this->pivots[$n]];
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
     * @param array<int, float> $b
     * @param array<int, float> $x
     * @return array<int, float>
     */
    private function restrict(array $b, array $x): array
    {
        [[$nx, $ny, $nz], [$gx, $gy, $gz], $d, $pad] = [$this->stencil->cells, $this->stencil->coupling, $this->stencil->diagonal, $this->stencil->pad];
        [$axis, $aggregate] = [$this->axes[count($this->axes) - 1], $this->aggregate];
        $sums = array_fill(0, $this->coarseSize, 0.0);
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
     * Adds the correction to the first colour only: the second is solved anew before it is read.
     *
     * @param array<int, float> $x
     * @param array<int, float> $correction
     * @return array<int, float>
     */
    private function prolong(array $x, array $correction): array
    {
        [[$nx, $ny, $nz], $axis, $aggregate] = [$this->stencil->cells, $this->axes[count($this->axes) - 1], $this->aggregate];
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
