<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Voxels;
use Foehn\Materials\Material;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\Model;

/** What heat meets between the centre of each cell and its faces, as resistance times area: half the width over the conductivity. */
final class HalfResistances
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} m2K/W of each cell along each axis; 0 where nothing is conducted */
    public array $half;

    /** @var array<int, float> of each cell, towards a wall over inside the fluid; empty: 1 everywhere */
    public array $atWall = [];

    /** @var array<0|1|2, array<int, float>> m2K/W by axis and cell: to its surface, of cells whose temperature is not that of their middle */
    public array $outer = [];

    /** @var array<0|1|2, array<int, float>> W/m2/K by axis and cell: between cells and walls where these replace the conduction of half a cell */
    public array $films = [];

    /** @var array<int, Material> that follow the temperature, as materials() numbers them */
    private readonly array $following;

    /** @var array<int, list<int>> cells of each of these */
    private readonly array $cells;

    /** At the ambient temperature, before anything changes them. */
    public function __construct(private readonly Model $model, public readonly Voxels $voxels)
    {
        $materials = $this->materials();
        $this->half = [$this->along(0, $materials), $this->along(1, $materials), $this->along(2, $materials)];
        $this->following = array_filter($materials, fn (?Material $m): bool => $m !== null && array_filter($m->conductivity, fn (PropertyLaw $law): bool => ! $law->isConstant()) !== []);
        $this->cells = $this->cellsOf($this->following);
    }

    /**
     * At other temperatures, and as changed, in this order.
     *
     * @param ?array<int, float> $temperature of the cells, K; null: the ambient everywhere
     * @param list<ConductivityChange> $changes
     */
    public function at(?array $temperature, array $changes = []): self
    {
        $resistances = clone $this;
        if ($temperature !== null) {
            $resistances->follow($temperature);
        }
        foreach ($changes as $change) {
            $change->change($resistances);
        }

        return $resistances;
    }

    /** Between the centre of a cell and its face across an axis, where that is a surface, m2K/W. */
    public function atSurface(int $axis, int $cell): float
    {
        return isset($this->films[$axis][$cell]) ? 1.0 / $this->films[$axis][$cell] : $this->outer[$axis][$cell] ?? $this->half[$axis][$cell] * ($this->atWall[$cell] ?? 1.0);
    }

    /** @return array<int, ?Material> by part, and of fluid region r at -1 - r; -1 also stands for nothing */
    private function materials(): array
    {
        $materials = [Voxels::NONE => null];
        foreach ($this->voxels->regions as $r => $region) {
            $materials[-1 - $r] = $this->model->materials->get($region->material);
        }
        foreach ($this->model->parts as $index => $part) {
            $materials[$index] = $part->material === null ? null : $this->model->materials->get($part->material);
        }

        return $materials;
    }

    /**
     * At the conductivities of the ambient temperature.
     *
     * @param array<int, ?Material> $materials
     * @return array<int, float>
     */
    private function along(int $axis, array $materials): array
    {
        $grid = $this->voxels->grid;
        $conductivity = array_map(fn (?Material $m) => $m === null ? INF : $m->conductivity[$axis]->at($this->model->surroundings->temperature), $materials);
        foreach ($this->voxels->fill as $index => $fill) {
            $conductivity[$index] *= $fill;
        }

        return self::constant($grid->cells, $axis, $grid->widths[$axis], $this->voxels->owner, $this->voxels->region, $conductivity);
    }

    /**
     * h = w / (2 k) of every cell.
     *
     * @param array{int, int, int} $cells
     * @param array<int, float> $widths m
     * @param array<int, int> $owner
     * @param array<int, int> $region
     * @param array<int, float> $conductivity W/m/K, as materials() numbers them
     * @return array<int, float>
     */
    private static function constant(array $cells, int $axis, array $widths, array $owner, array $region, array $conductivity): array
    {
        [$nx, $ny, $nz] = $cells;
        $half = array_fill(0, $nx * $ny * $nz, 0.0);
        $c = 0;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $across = 0.5 * $widths[$axis === 2 ? $k : ($axis === 1 ? $j : 0)];
                for ($i = 0; $i < $nx; $i++, $c++) {
                    $what = $owner[$c] >= 0 ? $owner[$c] : ($region[$c] > 0 ? -1 - $region[$c] : -1);
                    $half[$c] = ($axis === 0 ? 0.5 * $widths[$i] : $across) / $conductivity[$what];
                }
            }
        }

        return $half;
    }

    /**
     * Most materials conduct alike along all axes, so that their laws are asked once.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    private function follow(array $temperature): void
    {
        $ambient = $this->model->surroundings->temperature;
        foreach ($this->cells as $what => $cells) {
            $at = array_map(fn (int $cell): float => $temperature[$cell], $cells);
            $before = null;
            $ratios = [];
            foreach ($this->following[$what]->conductivity as $axis => $law) {
                if ($before === null || $law != $before) {
                    $constant = $law->at($ambient);
                    $ratios = array_map(fn (float $conductivity): float => $constant / $conductivity, $law->along($at));
                    $before = $law;
                }
                foreach ($cells as $n => $cell) {
                    $this->half[$axis][$cell] *= $ratios[$n];
                }
            }
        }
    }

    /**
     * @param array<int, Material> $materials as materials() numbers them
     * @return array<int, list<int>> cells of each of these
     */
    private function cellsOf(array $materials): array
    {
        $cells = [];
        foreach ($materials === [] ? [] : $this->voxels->owner as $cell => $owner) {
            $what = $owner >= 0 ? $owner : -1 - max(0, $this->voxels->region[$cell]);
            if (isset($materials[$what])) {
                $cells[$what][] = $cell;
            }
        }

        return $cells;
    }
}
