<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Geometry\Axes;

/** A rectilinear grid: rising lines in metres along x, y and z. Cells are numbered i + nx*(j + ny*k). */
final readonly class Grid
{
    /** @var array{int, int, int} cells along x, y, z */
    public array $cells;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} */
    public array $widths;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} */
    public array $centres;

    /** @param array{array<int, float>, array<int, float>, array<int, float>} $lines */
    public function __construct(public array $lines)
    {
        $this->cells = [count($lines[0]) - 1, count($lines[1]) - 1, count($lines[2]) - 1];
        $widths = [[], [], []];
        $centres = [[], [], []];
        foreach ($lines as $axis => $line) {
            for ($i = 1; $i < count($line); $i++) {
                $widths[$axis][] = $line[$i] - $line[$i - 1];
                $centres[$axis][] = 0.5 * ($line[$i] + $line[$i - 1]);
            }
        }
        $this->widths = $widths;
        $this->centres = $centres;
    }

    public function count(): int
    {
        return $this->cells[0] * $this->cells[1] * $this->cells[2];
    }

    /** @return array{int, int, int} steps from a cell to the next one along each axis */
    public function strides(): array
    {
        return [1, $this->cells[0], $this->cells[0] * $this->cells[1]];
    }

    /** Which one along an axis a cell is, from 0. */
    public function position(int $cell, int $axis): int
    {
        return intdiv($cell, $this->strides()[$axis]) % $this->cells[$axis];
    }

    /** Narrowest width of any cell, m. */
    public function smallest(): float
    {
        return min(array_map(fn (array $widths): float => $widths === [] ? INF : min($widths), $this->widths));
    }

    /** Volume of a cell, m3. */
    public function volume(int $cell): float
    {
        $size = $this->size($cell);

        return $size[0] * $size[1] * $size[2];
    }

    /** @return array{float, float, float} middle of a cell, m */
    public function centre(int $cell): array
    {
        [$nx, $ny] = $this->cells;

        return [$this->centres[0][$cell % $nx], $this->centres[1][intdiv($cell, $nx) % $ny], $this->centres[2][intdiv($cell, $nx * $ny)]];
    }

    /** @return array{float, float, float} widths of a cell, m */
    public function size(int $cell): array
    {
        [$nx, $ny] = $this->cells;

        return [$this->widths[0][$cell % $nx], $this->widths[1][intdiv($cell, $nx) % $ny], $this->widths[2][intdiv($cell, $nx * $ny)]];
    }

    /** Area of a cell across an axis, m2. */
    public function faceArea(int $cell, int $axis): float
    {
        $size = $this->size($cell);
        [$a, $b] = Axes::across($axis);

        return $size[$a] * $size[$b];
    }

    /** The cell beyond a face (direction: 2 * axis + 1 towards rising coordinates); null outside the grid. */
    public function neighbour(int $cell, int $direction): ?int
    {
        $axis = $direction >> 1;
        $step = $direction % 2 === 1 ? 1 : -1;
        $index = $this->position($cell, $axis) + $step;

        return $index < 0 || $index >= $this->cells[$axis] ? null : $cell + $step * $this->strides()[$axis];
    }

    /**
     * @param int $direction 2 * axis + (1 towards rising coordinates)
     * @return array{float, float, float} middle of a face of a cell, m
     */
    public function faceCentre(int $cell, int $direction): array
    {
        $axis = $direction >> 1;
        [$x, $y, $z] = $this->centre($cell);
        $step = ($direction % 2 - 0.5) * $this->widths[$axis][$this->position($cell, $axis)];

        return [$axis === 0 ? $x + $step : $x, $axis === 1 ? $y + $step : $y, $axis === 2 ? $z + $step : $z];
    }

    /**
     * Range of cells along the axis whose centres lie between two coordinates.
     *
     * @return array{int, int} first and last + 1
     */
    public function range(int $axis, float $from, float $to): array
    {
        return [$this->firstCentreFrom($axis, $from), $this->firstCentreFrom($axis, $to)];
    }

    /** Index of the cell along the axis that contains the coordinate; the nearest one outside. */
    public function locate(int $axis, float $coordinate): int
    {
        $line = $this->lines[$axis];
        $low = 0;
        $high = count($line) - 2;
        while ($low < $high) {
            $middle = intdiv($low + $high + 1, 2);
            if ($line[$middle] <= $coordinate) {
                $low = $middle;
            } else {
                $high = $middle - 1;
            }
        }

        return $low;
    }

    /**
     * The cell that contains a point; the nearest one outside.
     *
     * @param array{float, float, float} $point m
     */
    public function cellAt(array $point): int
    {
        return $this->locate(0, $point[0]) + $this->cells[0] * ($this->locate(1, $point[1]) + $this->cells[1] * $this->locate(2, $point[2]));
    }

    private function firstCentreFrom(int $axis, float $coordinate): int
    {
        $index = $this->locate($axis, $coordinate);

        return $this->centres[$axis][$index] >= $coordinate ? $index : $index + 1;
    }
}
