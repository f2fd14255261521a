<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Geometry\Axes;
use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Heat\HalfResistances;

/**
 * Where the fields of a state bend along each axis, as the density of grid lines that they ask for.
 *
 * Temperature: between two grid lines it is known as if it were straight. The gradient is then wrong by about h d2T/dx2, and the
 * energy norm of the error, k h2 (d2T/dx2)2 per volume (Strang & Fix, An Analysis of the Finite Element Method, 1973, ch. 3), is to
 * the whole, V k |grad T|2, as the error of the thermal resistance to it. With E = sum over a plane of cells of A k (d2T/dx2)2, all
 * planes together miss the integral of h2 E; with n cells on the axis, the integral of dx / h, it is least for a density of E^(1/3).
 *
 * Velocity: its squares are those of the corners of a moving wall, where it is not defined. The density is the root of the mean over
 * every plane of |d2u/dx2|, which gives all cells an equal share of the error.
 *
 * Gradients at walls are those between the wall and the middle of the cell beside it, so that a layer of one cell is seen too. From
 * one part to another, and across contacts, nothing is compared.
 */
final class Curvature
{
    private const OF_TEMPERATURE = 1.0 / 3.0;

    private const OF_VELOCITY = 0.5;

    /** A bend within a cell by less than this share of the range of the field is that of a straight one, solved to a tolerance. */
    private const STRAIGHT = 1e-6;

    /** @var list<array{array<int, float>, array<int, float>, array<int, float>}> of each field that varies: by axis and plane of cells, up to a factor for all axes */
    public readonly array $densities;

    private readonly Grid $grid;

    public function __construct(private readonly State $state)
    {
        $this->grid = $state->grid;
        $densities = $state->model->physics->heat ? [$this->ofTemperature()] : [];
        if ($state->flow !== null) {
            $densities[] = $this->ofVelocity($state->flow);
        }
        $this->densities = array_values(array_filter($densities, fn (array $axes) => array_sum(array_map(array_sum(...), $axes)) > 0.0));
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} */
    private function ofTemperature(): array
    {
        $body = [];
        foreach ($this->state->voxels->owner as $cell => $owner) {
            $body[$cell] = $owner >= 0 ? $owner : -1 - max(0, 1 + $this->state->voxels->region[$cell]);
        }
        $half = (new HalfResistances($this->state->model, $this->state->voxels))->at($this->state->temperature, $this->state->system->boards)->half;
        $along = function (int $axis) use ($body, $half): array {
            $conductivity = self::conductivity($this->grid->cells, $axis, $this->grid->widths[$axis], $half[$axis]);
            $bends = $this->bends($axis, $this->state->temperature, $body, FaceTemperatures::ofSurfaces($this->state, $axis));

            return self::planes($this->grid->cells, $axis, self::areas($this->grid, $axis), $conductivity, array_map(fn (float $bend): float => $bend * $bend, $bends), self::OF_TEMPERATURE);
        };

        return [$along(0), $along(1), $along(2)];
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} */
    private function ofVelocity(FlowField $flow): array
    {
        $middle = Fields::velocities($flow);
        $body = array_map(fn (int $region): int => -1 - max(0, 1 + $region), $this->state->voxels->region);
        $along = function (int $axis) use ($flow, $middle, $body): array {
            $bounds = $this->bounds($flow, $axis);
            $bends = array_map(fn (int $component): array => $this->bends($axis, $middle[$component], $body, self::walls($flow, $axis, $component, $bounds)), [0, 1, 2]);
            $sum = array_map(fn (float $u, float $v, float $w): float => abs($u) + abs($v) + abs($w), $bends[0], $bends[1], $bends[2]);

            return self::planes($this->grid->cells, $axis, self::areas($this->grid, $axis), array_fill(0, $this->grid->count(), 1.0), $sum, self::OF_VELOCITY);
        };

        return [$along(0), $along(1), $along(2)];
    }

    /**
     * What bounds the fluid across an axis.
     *
     * @return list<array{int, 0|1, int, int}> cell, 0 for its lower and 1 for its upper face, and that face and the cell beyond it in the layout of the flow
     */
    private function bounds(FlowField $flow, int $axis): array
    {
        $layout = $flow->domain->layout;
        [$nx, $ny] = $this->grid->cells;
        $stride = $layout->stride[$axis];
        $bounds = [];
        foreach ($this->state->voxels->region as $cell => $region) {
            if ($region === Voxels::NONE) {
                continue;
            }
            $c = $layout->index(1 + $cell % $nx, 1 + intdiv($cell, $nx) % $ny, 1 + intdiv($cell, $nx * $ny));
            if ($flow->domain->fluid[$c - $stride] === 0) {
                $bounds[] = [$cell, 0, $c - $stride, $c - $stride];
            }
            if ($flow->domain->fluid[$c + $stride] === 0) {
                $bounds[] = [$cell, 1, $c, $c + $stride];
            }
        }

        return $bounds;
    }

    /**
     * A component of the velocity at what bounds the fluid across an axis, at the lower and the upper face of cells: through faces
     * that of the face, along walls that of the wall, where the fluid sticks to it.
     *
     * @param list<array{int, 0|1, int, int}> $bounds
     * @return array{array<int, float>, array<int, float>} m/s
     */
    private static function walls(FlowField $flow, int $axis, int $component, array $bounds): array
    {
        $found = [[], []];
        foreach ($bounds as [$cell, $end, $face, $beyond]) {
            if ($component === $axis) {
                $found[$end][$cell] = $flow->velocity[$axis][$face];
            } elseif ($flow->domain->noSlip[$beyond] > 0.0) {
                $found[$end][$cell] = $flow->domain->velocity[$component][$beyond];
            }
        }

        return [$found[0], $found[1]];
    }

    /**
     * Second derivative along an axis in every cell; 0 in those that do not count.
     *
     * @param array<int, float> $values of the cells
     * @param array<int, int> $body of the cells, NONE for those that do not count: values of different ones are not compared
     * @param array{array<int, float>, array<int, float>} $ends values at the lower and the upper face of cells
     * @return array<int, float> unit of the values over m2
     */
    private function bends(int $axis, array $values, array $body, array $ends): array
    {
        $counting = array_filter($values, fn (int $cell): bool => $body[$cell] !== Voxels::NONE, ARRAY_FILTER_USE_KEY);
        $all = [...$counting, ...$ends[0], ...$ends[1]];
        $least = $all === [] ? 0.0 : self::STRAIGHT * (max($all) - min($all));

        return self::secondDerivatives($this->grid->strides()[$axis], $this->grid->cells[$axis], $this->grid->widths[$axis], $values, $body, $ends, $least);
    }

    /**
     * @param array<int, float> $width m
     * @param array<int, float> $values
     * @param array<int, int> $body
     * @param array{array<int, float>, array<int, float>} $ends
     * @param float $least bend within a cell, in the unit of the values
     * @return array<int, float>
     */
    private static function secondDerivatives(int $stride, int $cells, array $width, array $values, array $body, array $ends, float $least): array
    {
        [$low, $high] = $ends;
        $bends = $values;
        foreach ($values as $c => $value) {
            if ($body[$c] === Voxels::NONE) {
                $bends[$c] = 0.0;

                continue;
            }
            $n = intdiv($c, $stride) % $cells;
            $w = $width[$n];
            // Of cells that balance what passes their faces, the gradients between their middles are those at the faces.
            $below = match (true) {
                isset($low[$c]) => 2.0 * ($value - $low[$c]) / $w,
                $n > 0 && $body[$c - $stride] === $body[$c] => 2.0 * ($value - $values[$c - $stride]) / ($w + $width[$n - 1]),
                default => 0.0,
            };
            $above = match (true) {
                isset($high[$c]) => 2.0 * ($high[$c] - $value) / $w,
                $n < $cells - 1 && $body[$c + $stride] === $body[$c] => 2.0 * ($values[$c + $stride] - $value) / ($w + $width[$n + 1]),
                default => 0.0,
            };
            $bend = $above - $below;
            $bends[$c] = abs($bend) * $w > $least ? $bend / $w : 0.0;
        }

        return $bends;
    }

    /**
     * The sum over every plane across an axis of area, weight and value, to a power.
     *
     * @param array{int, int, int} $cells
     * @param array{array<int, float>, array<int, float>, array<int, float>} $areas by axis, whose product is the area of a cell
     * @param array<int, float> $weights
     * @param array<int, float> $values
     * @return array<int, float>
     */
    private static function planes(array $cells, int $axis, array $areas, array $weights, array $values, float $power): array
    {
        [$nx, $ny, $nz] = $cells;
        $sums = array_fill(0, $cells[$axis], 0.0);
        $c = 0;
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $row = $areas[1][$j] * $areas[2][$k];
                for ($i = 0; $i < $nx; $i++, $c++) {
                    $sums[$axis === 0 ? $i : ($axis === 1 ? $j : $k)] += $row * $areas[0][$i] * $weights[$c] * $values[$c];
                }
            }
        }

        return array_map(fn (float $sum): float => $sum ** $power, $sums);
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} by axis, whose product is the area of a cell across one of them, m2 */
    private static function areas(Grid $grid, int $axis): array
    {
        [$x, $y, $z] = $grid->widths;
        $ones = array_fill(0, $grid->cells[$axis], 1.0);

        return match ($axis) {
            0 => [$ones, $y, $z],
            1 => [$x, $ones, $z],
            default => [$x, $y, $ones],
        };
    }

    /**
     * @param array{int, int, int} $cells
     * @param array<int, float> $width m
     * @param array<int, float> $half half of the width over the conductivity, m2K/W, 0 where nothing is conducted
     * @return array<int, float> W/m/K
     */
    private static function conductivity(array $cells, int $axis, array $width, array $half): array
    {
        $stride = [1, $cells[0], $cells[0] * $cells[1]][$axis];
        foreach ($half as $c => $resistance) {
            $half[$c] = $resistance > 0.0 ? 0.5 * $width[intdiv($c, $stride) % $cells[$axis]] / $resistance : 0.0;
        }

        return $half;
    }
}
