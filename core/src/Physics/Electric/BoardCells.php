<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Board\CopperRaster;
use Foehn\Geometry\Axes;
use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Model\BoardArtwork;
use Foehn\Physics\PhysicsException;

/** Where the pixels of a board lie among the cells of a grid. A pixel belongs to cells by the shares of its area that they hold. */
final readonly class BoardCells
{
    /** @var list<non-empty-list<array{int, float}>> of each column of pixels, steps to cells and shares */
    private array $columns;

    /** @var list<non-empty-list<array{int, float}>> of each row */
    private array $rows;

    /** @var list<int> steps to the cells that each layer of copper lies in */
    private array $layers;

    /** @throws PhysicsException where copper lies in cells in which nothing is computed */
    public function __construct(BoardArtwork $artwork, private CopperRaster $raster, Voxels $voxels)
    {
        $grid = $voxels->grid;
        [$a, $b] = Axes::across($artwork->normal);
        $strides = $grid->strides();
        $this->columns = self::shares($grid, $a, $strides[$a], $raster->pixels[0], $artwork->lower[$a], $raster->size[0]);
        $this->rows = self::shares($grid, $b, $strides[$b], $raster->pixels[1], $artwork->lower[$b], $raster->size[1]);
        $this->layers = array_map(fn ($layer): int => $strides[$artwork->normal] * $grid->locate($artwork->normal, $artwork->lower[$artwork->normal] + $layer->height), $raster->layers);
        foreach ($this->toCells($raster->covered) as $cell => $pixels) {
            if ($pixels > 0.0 && ! $voxels->isLive($cell)) {
                throw new PhysicsException('copper of a board lies where nothing is computed; look for carve-outs in the board');
            }
        }
    }

    /**
     * @param array<int, float> $perPixel an amount in each pixel
     * @return array<int, float> the amount in each cell that has any
     */
    public function toCells(array $perPixel): array
    {
        [$nx] = $this->raster->pixels;
        $cells = [];
        $at = 0;
        foreach ($this->layers as $layer) {
            foreach ($this->rows as $row) {
                foreach ($this->columns as $column) {
                    $amount = $perPixel[$at++];
                    if ($amount === 0.0) {
                        continue;
                    }
                    foreach ($row as [$v, $across]) {
                        foreach ($column as [$u, $along]) {
                            $cell = $layer + $v + $u;
                            $cells[$cell] = ($cells[$cell] ?? 0.0) + $amount * $across * $along;
                        }
                    }
                }
            }
        }

        return $cells;
    }

    /**
     * @param array<int, float> $perCell
     * @return array<int, float> mean over each pixel of what its cells have
     */
    public function toPixels(array $perCell): array
    {
        $pixels = [];
        foreach ($this->layers as $layer) {
            foreach ($this->rows as $row) {
                foreach ($this->columns as $column) {
                    $mean = 0.0;
                    foreach ($row as [$v, $across]) {
                        foreach ($column as [$u, $along]) {
                            $mean += $across * $along * $perCell[$layer + $v + $u];
                        }
                    }
                    $pixels[] = $mean;
                }
            }
        }

        return $pixels;
    }

    /** @return list<non-empty-list<array{int, float}>> */
    private static function shares(Grid $grid, int $axis, int $stride, int $pixels, float $lower, float $size): array
    {
        $lines = $grid->lines[$axis];
        $shares = [];
        $cell = $grid->locate($axis, $lower + 1e-6 * $size);
        for ($n = 0; $n < $pixels; $n++) {
            [$from, $to] = [$lower + $n * $size, $lower + ($n + 1) * $size];
            $own = [];
            while (true) {
                $held = min($to, $lines[$cell + 1]) - max($from, $lines[$cell]);
                if ($held > 1e-6 * $size) {
                    $own[] = [$stride * $cell, $held / $size];
                }
                if ($lines[$cell + 1] >= $to - 1e-6 * $size || ! isset($lines[$cell + 2])) {
                    break;
                }
                $cell++;
            }
            $own = $own === [] ? [[$stride * $cell, 1.0]] : $own;
            $whole = array_sum(array_column($own, 1));
            $shares[] = array_map(fn (array $one): array => [$one[0], $one[1] / $whole], $own);
        }

        return $shares;
    }
}
