<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Grid\Grid;

/**
 * How the staggered unknowns lie in flat arrays: one ghost cell beyond each side of the space and one more x-y plane of
 * padding in front and behind, so that stencils of width two need no tests. Cell (i, j, k), counted from 1 inside, stands at
 * pad + i + mx (j + my k); the velocity component along an axis with the same index lies on the cell's upper face.
 */
final readonly class FlowLayout
{
    /** @var array{int, int, int} cells with ghosts */
    public array $size;

    /** @var array{int, int, int} steps to the next cell along each axis */
    public array $stride;

    public int $pad;

    public int $length;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} widths with ghosts, which have none, m */
    public array $width;

    public function __construct(public Grid $grid)
    {
        [$nx, $ny, $nz] = $grid->cells;
        $this->size = [$nx + 2, $ny + 2, $nz + 2];
        $this->stride = [1, $nx + 2, ($nx + 2) * ($ny + 2)];
        $this->pad = $this->stride[2];
        $this->length = $this->stride[2] * ($nz + 4);
        $width = [];
        foreach ($grid->widths as $w) {
            $width[] = [0.0, ...$w, 0.0];
        }
        $this->width = [$width[0], $width[1], $width[2]];
    }

    public function index(int $i, int $j, int $k): int
    {
        return $this->pad + $i + $this->stride[1] * $j + $this->stride[2] * $k;
    }

    /** @return array<int, float> */
    public function zeros(): array
    {
        return array_fill(0, $this->length, 0.0);
    }

    /** @return array{int, int, int} i, j, k of an index */
    public function place(int $c): array
    {
        $c -= $this->pad;

        return [$c % $this->size[0], intdiv($c, $this->size[0]) % $this->size[1], intdiv($c, $this->stride[2])];
    }

    /** @return array{float, float, float} m, middle of the upper face of a cell across an axis */
    public function faceCentre(int $axis, int $c): array
    {
        $place = $this->place($c);
        $at = [];
        foreach ([0, 1, 2] as $other) {
            $at[] = $other === $axis ? $this->grid->lines[$other][$place[$other]] : $this->grid->centres[$other][$place[$other] - 1];
        }

        return [$at[0], $at[1], $at[2]];
    }

    /** @return array<int, float> areas of the upper faces across an axis, m2, in this layout */
    public function faceAreas(int $axis): array
    {
        $sizes = $this->width;
        $sizes[$axis] = array_fill(0, $this->size[$axis], 1.0);

        return self::products($this->size, $this->pad, $sizes[0], $sizes[1], $sizes[2], $this->zeros());
    }

    /** @return array<int, float> of the cells, m3, in this layout */
    public function volumes(): array
    {
        return self::products($this->size, $this->pad, $this->width[0], $this->width[1], $this->width[2], $this->zeros());
    }

    /**
     * @param array{int, int, int} $size
     * @param array<int, float> $x
     * @param array<int, float> $y
     * @param array<int, float> $z
     * @param array<int, float> $products
     * @return array<int, float>
     */
    private static function products(array $size, int $pad, array $x, array $y, array $z, array $products): array
    {
        [$mx, $my, $mz] = $size;
        $c = $pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++) {
                    $products[$c++] = $x[$i] * $y[$j] * $z[$k];
                }
            }
        }

        return $products;
    }

    /**
     * From an array over the cells of the grid.
     *
     * @template T
     * @param array<int, T> $cells
     * @param T $outside
     * @return array<int, T>
     */
    public function spread(array $cells, mixed $outside): array
    {
        [$nx, $ny, $nz] = $this->grid->cells;
        $spread = array_fill(0, $this->length, $outside);
        $n = 0;
        for ($k = 1; $k <= $nz; $k++) {
            for ($j = 1; $j <= $ny; $j++) {
                $c = $this->index(1, $j, $k);
                for ($i = 0; $i < $nx; $i++) {
                    $spread[$c + $i] = $cells[$n++];
                }
            }
        }

        return $spread;
    }

    /**
     * To an array over the cells of the grid.
     *
     * @template T
     * @param array<int, T> $values
     * @return array<int, T>
     */
    public function gather(array $values): array
    {
        [$nx, $ny, $nz] = $this->grid->cells;
        $cells = [];
        for ($k = 1; $k <= $nz; $k++) {
            for ($j = 1; $j <= $ny; $j++) {
                $c = $this->index(1, $j, $k);
                for ($i = 0; $i < $nx; $i++) {
                    $cells[] = $values[$c + $i];
                }
            }
        }

        return $cells;
    }

    /**
     * To the padded array of a stencil over the same cells (see Stencil).
     *
     * @param array<int, float> $values
     * @return array<int, float>
     */
    public function toStencil(array $values): array
    {
        $pad = array_fill(0, $this->grid->cells[0] * $this->grid->cells[1], 0.0);

        return [...$pad, ...$this->gather($values), ...$pad];
    }

    /**
     * @param 0|1|2 $axis
     * @param array<int, float> $upper values on the upper faces of the cells across it
     * @return array<int, float> over the cells of the grid: the mean of their two faces
     */
    public function middle(int $axis, array $upper): array
    {
        $middle = $upper;
        for ($c = $this->pad, $end = $this->length; $c < $end; $c++) {
            $middle[$c] = 0.5 * ($upper[$c] + $upper[$c - $this->stride[$axis]]);
        }

        return $this->gather($middle);
    }

    /**
     * @param array<int, float> $padded
     * @return array<int, float> zero outside the cells
     */
    public function fromStencil(array $padded): array
    {
        return $this->spread(array_slice($padded, $this->grid->cells[0] * $this->grid->cells[1], $this->grid->count()), 0.0);
    }
}
