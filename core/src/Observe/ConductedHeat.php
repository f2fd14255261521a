<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Field;
use Foehn\Physics\Heat\HalfResistances;

/**
 * What is conducted in solids. Along each axis a cell passes k (T_lower - T_upper) / w between its two faces (Fourier's law), with the
 * temperatures of its faces: those of surfaces where a part ends, else those of equal heat flux on both sides.
 */
final readonly class ConductedHeat
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} m2K/W from the centre of each cell to its faces along each axis */
    private array $half;

    public function __construct(private State $state)
    {
        $this->half = (new HalfResistances($state->model, $state->voxels))->at($state->temperature, $state->system->boards)->half;
    }

    /** W/m2; null in fluids, and in packages, which have no conductivity of their own. */
    public function flux(): Field
    {
        return new Field('heatFlux', 'W/m2', $this->state->grid, [$this->fluxAlong(0), $this->fluxAlong(1), $this->fluxAlong(2)]);
    }

    /** W/m/K along the three axes; null where nothing is computed, and in packages. */
    public function conductivity(): Field
    {
        return new Field('conductivity', 'W/m/K', $this->state->grid, [$this->conductivityAlong(0), $this->conductivityAlong(1), $this->conductivityAlong(2)]);
    }

    /** @return array<int, ?float> */
    private function conductivityAlong(int $axis): array
    {
        $grid = $this->state->grid;
        [$stride, $cells, $widths, $half, $live] = [$grid->strides()[$axis], $grid->cells[$axis], $grid->widths[$axis], $this->half[$axis], $this->state->system->live];
        $values = $half;
        foreach ($half as $c => $h) {
            $values[$c] = $live[$c] && $h > 0.0 ? 0.5 * $widths[intdiv($c, $stride) % $cells] / $h : null;
        }

        return $values;
    }

    /** @return array<int, ?float> */
    private function fluxAlong(int $axis): array
    {
        $grid = $this->state->grid;
        [$stride, $cells, $half, $owner, $temperature] = [$grid->strides()[$axis], $grid->cells[$axis], $this->half[$axis], $this->state->voxels->owner, $this->state->temperature];
        [$low, $high] = FaceTemperatures::ofSurfaces($this->state, $axis);
        $values = $half;
        foreach ($half as $c => $h) {
            $part = $owner[$c];
            if ($part < 0 || $h <= 0.0) {
                $values[$c] = null;

                continue;
            }
            $n = intdiv($c, $stride) % $cells;
            $below = $low[$c] ?? ($n > 0 && $owner[$c - $stride] === $part ? self::between($temperature[$c], $h, $temperature[$c - $stride], $half[$c - $stride]) : $temperature[$c]);
            $above = $high[$c] ?? ($n < $cells - 1 && $owner[$c + $stride] === $part ? self::between($temperature[$c], $h, $temperature[$c + $stride], $half[$c + $stride]) : $temperature[$c]);
            $values[$c] = ($below - $above) / (2.0 * $h);
        }

        return $values;
    }

    /** Temperature of the face between two cells, K, from their temperatures and half resistances. */
    private static function between(float $own, float $ownHalf, float $other, float $otherHalf): float
    {
        return ($own * $otherHalf + $other * $ownHalf) / ($ownHalf + $otherHalf);
    }
}
