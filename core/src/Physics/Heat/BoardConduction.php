<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Board\Barrel;
use Foehn\Board\CopperRaster;
use Foehn\Geometry\Axes;
use Foehn\Grid\Voxels;
use Foehn\Model\BoardCopper;
use Foehn\Model\BoardLayer;
use Foehn\Model\Model;

/**
 * A board whose artwork is known conducts from cell to cell as its copper lies, and not as its layer stack does on the whole. In the plane the
 * copper of a cell lies between two bounds: rows of pixels side by side, each of them one pixel after the other, and columns one after the
 * other, each of them side by side (Wiener's bounds, applied twice; Milton, The Theory of Composites (2002), ch. 13). The mean of both is
 * taken; they agree for tracks along and gaps across. Through the plane layers follow each other, beside the barrels that stand in the cell.
 * The temperature of a cell at the upper or lower face of the board is that of the height at which it conducts in the plane, as its copper does: what
 * stands on the copper does not reach it through half a cell of laminate.
 */
final class BoardConduction implements ConductivityChange
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} conductivity over that of the layer stack, by axis and cell */
    private array $times = [[], [], []];

    /** @var array<int, float> what of the resistance through a cell at a face of the board lies between its copper and that face, as a share */
    private array $outer = [];

    /** W/m/K of the copper. */
    private readonly float $metal;

    /** @var list<array{BoardLayer, float, ?int}> layers with the conductivity beside their copper in W/m/K, and their number among those of copper */
    private array $layers = [];

    /** @param int $part index of the board */
    public function __construct(Model $model, private readonly Voxels $voxels, private readonly int $part, private readonly BoardCopper $copper, private readonly CopperRaster $raster)
    {
        $at = fn (string $material): float => $model->materials->get($material)?->conductivity[0]->at($model->surroundings->temperature) ?? throw new \LogicException("\"$material\" is no material");
        $this->metal = $at($copper->material);
        $number = 0;
        foreach ($copper->artwork->layers as $layer) {
            $this->layers[] = [$layer, $at($layer->material), $layer->isCopper() ? $number++ : null];
        }
        $stack = $model->materials->get((string) $model->parts[$part]->material) ?? throw new \LogicException('a board has a material');
        $this->compare(array_map(fn ($law): float => $law->at($model->surroundings->temperature), $stack->conductivity));
    }

    public function change(HalfResistances $resistances): void
    {
        foreach ($this->times as $axis => $times) {
            $half = $resistances->half[$axis];
            $resistances->half[$axis] = [];
            foreach ($times as $cell => $factor) {
                $half[$cell] /= $factor;
            }
            $resistances->half[$axis] = $half;
        }
        $normal = $this->copper->artwork->normal;
        foreach ($this->outer as $cell => $share) {
            $whole = 2.0 * $resistances->half[$normal][$cell];
            $resistances->outer[$normal][$cell] = $share * $whole;
            $resistances->half[$normal][$cell] = (1.0 - $share) * $whole;
        }
    }

    /** @param array<int, float> $stack W/m/K along the axes */
    private function compare(array $stack): void
    {
        [$artwork, $grid] = [$this->copper->artwork, $this->voxels->grid];
        [$normal, $strides] = [$artwork->normal, $grid->strides()];
        [$a, $b] = Axes::across($normal);
        $range = fn (int $axis, float $extent): array => $grid->range($axis, $artwork->lower[$axis], $artwork->lower[$axis] + $extent);
        [$columns, $rows] = [$this->pixels($a, 0, $range($a, $artwork->size[0])), $this->pixels($b, 1, $range($b, $artwork->size[1]))];
        $heights = $this->heights($range($normal, max(array_map(fn (array $layer): float => $layer[0]->to, $this->layers) ?: [0.0])));
        $barrels = $this->barrelsBy($columns, $rows);
        [$lowest, $highest] = [array_key_first($heights), array_key_last($heights)];
        foreach ($rows as $j => $row) {
            foreach ($columns as $i => $column) {
                $cell = $i * $strides[$a] + $j * $strides[$b];
                $inPlane = array_map(fn (array $layer): array => $this->inPlane($layer, $column, $row), $this->layers);
                $area = $grid->widths[$a][$i] * $grid->widths[$b][$j];
                foreach ($heights as $k => [$from, $to]) {
                    $at = $cell + $k * $strides[$normal];
                    if ($this->voxels->owner[$at] === $this->part) {
                        [$u, $v, $through] = $this->over($from, $to, $inPlane, $barrels[$i][$j] ?? [], $area);
                        $this->times[$a][$at] = $u / $stack[$a];
                        $this->times[$b][$at] = $v / $stack[$b];
                        $this->times[$normal][$at] = $through / $stack[$normal];
                        if ($lowest !== $highest && ($k === $lowest || $k === $highest)) {
                            $this->outer[$at] = $this->beyondCopper($from, $to, $inPlane, $k === $highest);
                        }
                    }
                }
            }
        }
    }

    /**
     * First and last pixel of each column or row of cells: those whose middle it holds, or the one that holds its middle.
     *
     * @param array{int, int} $range of cells
     * @return array<int, array{int, int}>
     */
    private function pixels(int $axis, int $along, array $range): array
    {
        $lines = $this->voxels->grid->lines[$axis];
        [$lower, $size, $last] = [$this->copper->artwork->lower[$axis], $this->raster->size[$along], $this->raster->pixels[$along] - 1];
        $pixels = [];
        for ($cell = $range[0]; $cell < $range[1]; $cell++) {
            [$from, $to] = [($lines[$cell] - $lower) / $size, ($lines[$cell + 1] - $lower) / $size];
            [$first, $until] = [(int) ceil($from - 0.5), (int) ceil($to - 0.5) - 1];
            if ($until < $first) {
                $first = $until = (int) floor(0.5 * ($from + $to));
            }
            $pixels[$cell] = [min($last, max(0, $first)), min($last, max(0, $until))];
        }

        return $pixels;
    }

    /**
     * @param array{int, int} $range of cells
     * @return array<int, array{float, float}> lower and upper face of cells over that of the board, m
     */
    private function heights(array $range): array
    {
        $lines = $this->voxels->grid->lines[$this->copper->artwork->normal];
        $lower = $this->copper->artwork->lower[$this->copper->artwork->normal];
        $heights = [];
        for ($cell = $range[0]; $cell < $range[1]; $cell++) {
            $heights[$cell] = [$lines[$cell] - $lower, $lines[$cell + 1] - $lower];
        }

        return $heights;
    }

    /**
     * @param array<int, array{int, int}> $columns
     * @param array<int, array{int, int}> $rows
     * @return array<int, array<int, list<Barrel>>> by column and row of cells
     */
    private function barrelsBy(array $columns, array $rows): array
    {
        [$columnOf, $rowOf] = [self::cellOf($columns), self::cellOf($rows)];
        $barrels = [];
        foreach ($this->raster->barrels as $barrel) {
            $pixel = $this->raster->pixelAt($barrel->hole->at[0], $barrel->hole->at[1], 0);
            $column = $pixel === null ? null : $columnOf[$pixel % $this->raster->pixels[0]] ?? null;
            $row = $pixel === null ? null : $rowOf[intdiv($pixel, $this->raster->pixels[0])] ?? null;
            if ($column !== null && $row !== null) {
                $barrels[$column][$row][] = $barrel;
            }
        }

        return $barrels;
    }

    /**
     * @param array<int, array{int, int}> $cells first and last pixel of each
     * @return array<int, int> cell by pixel
     */
    private static function cellOf(array $cells): array
    {
        $of = [];
        foreach ($cells as $cell => [$first, $last]) {
            for ($n = $first; $n <= $last; $n++) {
                $of[$n] = $cell;
            }
        }

        return $of;
    }

    /**
     * What a layer conducts over the pixels of a cell.
     *
     * @param array{BoardLayer, float, ?int} $layer
     * @param array{int, int} $column
     * @param array{int, int} $row
     * @return array{float, float, float} W/m/K along both axes of the plane, and through it
     */
    private function inPlane(array $layer, array $column, array $row): array
    {
        [$of, $rest, $number] = $layer;
        if ($number === null) {
            $k = $rest + ($this->metal - $rest) * $of->share;

            return [$k, $k, $k];
        }
        [$nx] = $this->raster->pixels;
        $covered = $this->raster->covered;
        [$wide, $high] = [$column[1] - $column[0] + 1, $row[1] - $row[0] + 1];
        $bySum = $byInverse = array_fill(0, $wide, 0.0);
        [$all, $rowsSide, $rowsAfter] = [0.0, 0.0, 0.0];
        $base = $this->raster->area() * $number + $column[0];
        for ($j = $row[0]; $j <= $row[1]; $j++) {
            [$sum, $inverse] = [0.0, 0.0];
            for ($i = 0, $at = $base + $nx * $j; $i < $wide; $i++, $at++) {
                $k = $rest + ($this->metal - $rest) * $covered[$at];
                $sum += $k;
                $inverse += 1.0 / $k;
                $bySum[$i] += $k;
                $byInverse[$i] += 1.0 / $k;
            }
            $all += $sum;
            $rowsSide += $wide / $inverse;
            $rowsAfter += $wide / $sum;
        }
        [$columnsSide, $columnsAfter] = [0.0, 0.0];
        for ($i = 0; $i < $wide; $i++) {
            $columnsSide += $high / $byInverse[$i];
            $columnsAfter += $high / $bySum[$i];
        }

        return [0.5 * ($rowsSide / $high + $wide / $columnsAfter), 0.5 * ($columnsSide / $wide + $high / $rowsAfter), $all / ($wide * $high)];
    }

    /**
     * Of the resistance through a range of heights, the share between the height at which it conducts in the plane, on the mean, and its upper or lower end.
     *
     * @param list<array{float, float, float}> $inPlane of each layer
     */
    private function beyondCopper(float $from, float $to, array $inPlane, bool $above): float
    {
        [$moment, $conductance] = [0.0, 0.0];
        $stretches = [];
        foreach ($this->layers as $n => [$layer]) {
            [$low, $high] = [max($from, $layer->from), min($to, $layer->to)];
            if ($high > $low) {
                $along = ($high - $low) * ($inPlane[$n][0] + $inPlane[$n][1]);
                $moment += $along * 0.5 * ($low + $high);
                $conductance += $along;
                $stretches[] = [$low, $high, $inPlane[$n][2]];
            }
        }
        $height = $moment / $conductance;
        [$beyond, $whole] = [0.0, 0.0];
        foreach ($stretches as [$low, $high, $through]) {
            $whole += ($high - $low) / $through;
            $beyond += max(0.0, $above ? $high - max($low, $height) : min($high, $height) - $low) / $through;
        }

        return $beyond / $whole;
    }

    /**
     * Over a range of heights.
     *
     * @param list<array{float, float, float}> $inPlane of each layer
     * @param list<Barrel> $barrels
     * @return array{float, float, float} W/m/K along both axes of the plane, and through it
     */
    private function over(float $from, float $to, array $inPlane, array $barrels, float $area): array
    {
        [$u, $v, $resistance, $whole] = [0.0, 0.0, 0.0, 0.0];
        foreach ($this->layers as $n => [$layer]) {
            $held = max(0.0, min($to, $layer->to) - max($from, $layer->from));
            $whole += $held;
            $u += $held * $inPlane[$n][0];
            $v += $held * $inPlane[$n][1];
            $resistance += $held / $inPlane[$n][2];
        }
        $through = $whole / $resistance;
        foreach ($barrels as $barrel) {
            $held = max(0.0, min($to, $this->raster->layers[$barrel->to]->height) - max($from, $this->raster->layers[$barrel->from]->height));
            $through += $this->metal * min(1.0, $barrel->section() / $area) * $held / $whole;
        }

        return [$u / $whole, $v / $whole, $through];
    }
}
