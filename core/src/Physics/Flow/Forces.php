<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;

use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Numerics\Vectors;

/** Forces on the fluid that the model gives, and its buoyancy. */
final class Forces
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} N on faces */
    private array $given;

    /** Whether temperature moves the fluid. */
    public readonly bool $buoyant;

    /** @var array{float, float, float} m/s2 */
    private array $gravity;

    public function __construct(Model $model, private readonly FlowDomain $domain, private readonly Fluid $fluid)
    {
        $this->gravity = $g = $model->surroundings->gravity;
        $this->buoyant = $model->physics->heat && $model->physics->buoyancy && $fluid->expansion > 0.0 && $g[0] ** 2 + $g[1] ** 2 + $g[2] ** 2 > 0.0;
        $this->given = $this->ofModel($model);
    }

    /** Whether the model itself pushes the fluid. */
    public function drive(): bool
    {
        foreach ($this->given as $force) {
            if (Vectors::largest($force) > 0.0) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param array<int, float> $temperature K, in the layout of the flow
     * @param float $pressureRatio pressure of the gas over that of the surroundings
     * @return array<int, float> N on the faces across an axis
     */
    public function on(int $axis, array $temperature, float $pressureRatio): array
    {
        $g = $this->gravity[$axis];
        if ($g === 0.0 || ! $this->buoyant) {
            return $this->given[$axis];
        }
        $lightness = [];
        foreach ($temperature as $t) {
            $lightness[] = $this->fluid->densityChange($t);
        }
        // Without an opening the level of the pressure is free; about the mean it stays small.
        $level = $this->domain->hasPressureLevel() ? 0.0 : $this->meanOfFluid($lightness);

        return $this->buoyancy($axis, $lightness, $level, $g * $this->fluid->density * $pressureRatio);
    }

    /** @param array<int, float> $values */
    private function meanOfFluid(array $values): float
    {
        $sum = 0.0;
        foreach ($this->domain->fluid as $c => $fluid) {
            if ($fluid === 1) {
                $sum += $values[$c];
            }
        }

        return $sum / $this->domain->fluidCells;
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} */
    private function ofModel(Model $model): array
    {
        $layout = $this->domain->layout;
        $zeros = $layout->zeros();
        $forces = [$zeros, $zeros, $zeros];
        foreach ($model->space->force ?? [] as $axis => $law) {
            foreach ($this->domain->face[$axis] as $c => $kind) {
                if ($kind === FlowDomain::GIVEN) {
                    continue;
                }
                $place = $layout->place($c);
                $length = 0.5 * ($layout->width[$axis][$place[$axis]] + $layout->width[$axis][$place[$axis] + 1]);
                [$b, $cc] = Axes::across($axis);
                $forces[$axis][$c] = $law->at(...$layout->faceCentre($axis, $c)) * $length * $layout->width[$b][$place[$b]] * $layout->width[$cc][$place[$cc]];
            }
        }

        return $forces;
    }

    /**
     * Weight of the half volumes on both sides of each face: g rho (w_c (s_c - level) + w_d (s_d - level)) A / 2.
     *
     * @param array<int, float> $change of the density over the density, in the cells
     * @param float $weight gravity times density, N/m3
     * @return array<int, float> N, with the forces that the model gives
     */
    private function buoyancy(int $axis, array $change, float $level, float $weight): array
    {
        $layout = $this->domain->layout;
        [$b, $d] = Axes::across($axis);
        [$s, $wa, $wb, $wc] = [$layout->stride[$axis], $layout->width[$axis], $layout->width[$b], $layout->width[$d]];
        [$face, $force] = [$this->domain->face[$axis], $this->given[$axis]];
        [$mx, $my, $mz] = $layout->size;
        $c = $layout->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    if ($face[$c] !== 0) {
                        $ia = $axis === 0 ? $i : ($axis === 1 ? $j : $k);
                        $force[$c] += 0.5 * $weight * $wb[$axis === 0 ? $j : $i] * $wc[$axis === 2 ? $j : $k]
                            * ($wa[$ia] * ($change[$c] - $level) + $wa[$ia + 1] * ($change[$c + $s] - $level));
                    }
                }
            }
        }

        return $force;
    }
}
