<?php

declare(strict_types=1);

namespace Foehn\Results\Trace;

use Foehn\Grid\Grid;

/**
 * The surface on which a field of the cells has a value. Values at the corners of cells are linear between the middles of the cells
 * around them, of the same body alone, so that solids and the fluid beside them are not mixed. Each cell is cut as six tetrahedra around a diagonal (Kuhn;
 * Bloomenthal, Graphics Gems IV, 1994, ch. IV.8): its faces are halved as those of its neighbours are, and the surface has no cracks.
 */
final class Isosurface
{
    /** Corners of the tetrahedra, numbered x + 2 y + 4 z, from corner 0 to corner 7 along three edges in each order of the axes. */
    private const TETRAHEDRA = [[0, 1, 3, 7], [0, 3, 2, 7], [0, 2, 6, 7], [0, 6, 4, 7], [0, 4, 5, 7], [0, 5, 1, 7]];

    /** @var list<float> corners of the triangles, nine numbers each, m */
    private array $triangles = [];

    /** @param array<int, ?float> $values of the cells; null where there is none */
    private function __construct(private readonly Grid $grid, private readonly array $values, private readonly float $level)
    {
    }

    /**
     * @param array<int, ?float> $values of the cells; null where there is none
     * @param array<int, int> $body of the cells; values of different ones are not mixed
     * @return list<float> corners of triangles, m: x, y and z of three corners each
     */
    public static function of(Grid $grid, array $values, array $body, float $level): array
    {
        $surface = new self($grid, $values, $level);
        $surface->cut($body);

        return $surface->triangles;
    }

    /** @param array<int, int> $body */
    private function cut(array $body): void
    {
        [$nx, $ny, $nz] = $this->grid->cells;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                for ($i = 0; $i < $nx; $i++) {
                    $cell = $i + $nx * ($j + $ny * $k);
                    if ($this->values[$cell] === null || ! $this->nearLevel($i, $j, $k, $body[$cell], $body)) {
                        continue;
                    }
                    $corners = [];
                    for ($n = 0; $n < 8; $n++) {
                        $corners[] = $this->corner($i + ($n & 1), $j + ($n >> 1 & 1), $k + ($n >> 2), $body[$cell], $body);
                    }
                    $this->cutCell([$i, $j, $k], $corners);
                }
            }
        }
    }

    /**
     * Whether the cells around one lie on both sides of the level: else no corner of it can.
     *
     * @param array<int, int> $body
     */
    private function nearLevel(int $i, int $j, int $k, int $own, array $body): bool
    {
        [$nx, $ny, $nz] = $this->grid->cells;
        [$above, $below] = [false, false];
        for ($z = max(0, $k - 1), $zs = min($nz - 1, $k + 1); $z <= $zs; $z++) {
            for ($y = max(0, $j - 1), $ys = min($ny - 1, $j + 1); $y <= $ys; $y++) {
                $row = $nx * ($y + $ny * $z);
                for ($x = max(0, $i - 1), $xs = min($nx - 1, $i + 1); $x <= $xs; $x++) {
                    $value = $this->values[$row + $x];
                    if ($value !== null && $body[$row + $x] === $own) {
                        $above = $above || $value >= $this->level;
                        $below = $below || $value < $this->level;
                    }
                }
            }
        }

        return $above && $below;
    }

    /**
     * Above the level at a corner, by the cells of a body around it.
     *
     * @param array<int, int> $body
     */
    private function corner(int $i, int $j, int $k, int $own, array $body): float
    {
        [$nx, $ny, $nz] = $this->grid->cells;
        [$sum, $weights] = [0.0, 0.0];
        for ($z = max(0, $k - 1), $zs = min($nz - 1, $k); $z <= $zs; $z++) {
            $wz = $this->weight(2, $k, $z);
            for ($y = max(0, $j - 1), $ys = min($ny - 1, $j); $y <= $ys; $y++) {
                $wyz = $wz * $this->weight(1, $j, $y);
                for ($x = max(0, $i - 1), $xs = min($nx - 1, $i); $x <= $xs; $x++) {
                    $cell = $x + $nx * ($y + $ny * $z);
                    $value = $this->values[$cell];
                    if ($value !== null && $body[$cell] === $own) {
                        $weight = $wyz * $this->weight(0, $i, $x);
                        $sum += $weight * $value;
                        $weights += $weight;
                    }
                }
            }
        }

        return $sum / $weights - $this->level;
    }

    /** Share of a cell beside a grid line in the value there, up to a factor: the nearer its middle, the more. */
    private function weight(int $axis, int $line, int $cell): float
    {
        $widths = $this->grid->widths[$axis];

        return $widths[2 * $line - 1 - $cell] ?? 1.0;
    }

    /**
     * @param array{int, int, int} $cell
     * @param non-empty-list<float> $above the level, at its eight corners
     */
    private function cutCell(array $cell, array $above): void
    {
        if (min($above) >= 0.0 || max($above) < 0.0) {
            return;
        }
        foreach (self::TETRAHEDRA as $corners) {
            $inside = $outside = [];
            foreach ($corners as $corner) {
                if ($above[$corner] >= 0.0) {
                    $inside[] = $corner;
                } else {
                    $outside[] = $corner;
                }
            }
            if ($inside === [] || $outside === []) {
                continue;
            }
            $crossings = [];
            foreach ($inside as $one) {
                foreach ($outside as $other) {
                    $crossings[] = $this->between($cell, $one, $other, $above[$one] / ($above[$one] - $above[$other]));
                }
            }
            // One corner against three gives a triangle, two against two a quadrangle in the order 0, 1, 3, 2.
            array_push($this->triangles, ...$crossings[0], ...$crossings[1], ...$crossings[count($crossings) - 1]);
            if (count($crossings) === 4) {
                array_push($this->triangles, ...$crossings[0], ...$crossings[3], ...$crossings[2]);
            }
        }
    }

    /**
     * @param array{int, int, int} $cell
     * @return array{float, float, float} a share of the way from one corner to another, m
     */
    private function between(array $cell, int $one, int $other, float $share): array
    {
        $place = [0.0, 0.0, 0.0];
        foreach ([0, 1, 2] as $axis) {
            $from = $this->grid->lines[$axis][$cell[$axis] + ($one >> $axis & 1)];
            $to = $this->grid->lines[$axis][$cell[$axis] + ($other >> $axis & 1)];
            $place[$axis] = $from + $share * ($to - $from);
        }

        return $place;
    }
}
