<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\Stencil;

/**
 * Distance to the nearest wall and width of the gap around each fluid cell, from the solution of div grad phi = -1 with phi = 0
 * on walls: L = sqrt(|grad phi|^2 + 2 phi) - |grad phi|, D = 2 sqrt(|grad phi|^2 + 2 phi) (Spalding, 9th Int. Heat Transfer
 * Conf., 1994). Exact between parallel plates.
 */
final class WallDistance
{
    private const RESIDUAL = 1e-5;

    /** @var array<int, float> m, per cell of the grid; 0 in solids */
    public readonly array $distance;

    /** @var array<int, float> m */
    public readonly array $gap;

    public function __construct(private readonly FlowDomain $domain)
    {
        [$stencil, $volume] = $this->links();
        $phi = ConjugateGradient::solve($stencil, Multigrid::box($stencil), $volume, Stencil::zeros($stencil->cells), new Accuracy(self::RESIDUAL))->x;
        [$this->distance, $this->gap] = $this->widths($phi);
    }

    /**
     * The links of fluid cells to each other and to the walls beside them.
     *
     * @return array{Stencil, array<int, float>} and the volumes of these cells, m3, padded alike
     */
    private function links(): array
    {
        [$layout, $fluid, $noSlip] = [$this->domain->layout, $this->domain->fluid, $this->domain->noSlip];
        [$cells, $width, $stride] = [$layout->grid->cells, $layout->width, $layout->stride];
        $coupling = [Stencil::zeros($cells), Stencil::zeros($cells), Stencil::zeros($cells)];
        $extra = $volume = Stencil::zeros($cells);
        // A space without walls has no distance to them; far away stands for that.
        $open = 1e-3 / max(array_map(array_sum(...), $width)) ** 2;
        $n = $cells[0] * $cells[1];
        for ($k = 1; $k <= $cells[2]; $k++) {
            for ($j = 1; $j <= $cells[1]; $j++) {
                $c = $layout->index(1, $j, $k);
                for ($i = 1; $i <= $cells[0]; $i++, $c++, $n++) {
                    if ($fluid[$c] === 0) {
                        continue;
                    }
                    $place = [$i, $j, $k];
                    $volume[$n] = $width[0][$i] * $width[1][$j] * $width[2][$k];
                    $own = $open * $volume[$n];
                    for ($axis = 0; $axis < 3; $axis++) {
                        [$below, $above] = [$c - $stride[$axis], $c + $stride[$axis]];
                        $across = $width[$axis][$place[$axis]];
                        $toFace = 2.0 * $volume[$n] / ($across * $across);
                        if ($fluid[$above] === 1) {
                            $coupling[$axis][$n] = 2.0 * $volume[$n] / $across / ($across + $width[$axis][$place[$axis] + 1]);
                        } else {
                            $own += $noSlip[$above] * $toFace;
                        }
                        if ($fluid[$below] !== 1) {
                            $own += $noSlip[$below] * $toFace;
                        }
                    }
                    $extra[$n] = $own;
                }
            }
        }

        return [new Stencil($cells, $coupling, $extra), $volume];
    }

    /**
     * @param array<int, float> $phi m2, padded as in Stencil
     * @return array{array<int, float>, array<int, float>} distance to the wall and width of the gap, m, per cell of the grid
     */
    private function widths(array $phi): array
    {
        [$layout, $fluid, $noSlip] = [$this->domain->layout, $this->domain->fluid, $this->domain->noSlip];
        [$cells, $width, $stride] = [$layout->grid->cells, $layout->width, $layout->stride];
        $pad = $cells[0] * $cells[1];
        $steps = [1, $cells[0], $pad];
        $distance = $gap = array_fill(0, $layout->grid->count(), 0.0);
        $n = 0;
        for ($k = 1; $k <= $cells[2]; $k++) {
            for ($j = 1; $j <= $cells[1]; $j++) {
                $c = $layout->index(1, $j, $k);
                for ($i = 1; $i <= $cells[0]; $i++, $c++, $n++) {
                    if ($fluid[$c] === 0) {
                        continue;
                    }
                    $place = [$i, $j, $k];
                    $own = $phi[$pad + $n];
                    $square = 0.0;
                    for ($axis = 0; $axis < 3; $axis++) {
                        $w = $width[$axis];
                        $at = $place[$axis];
                        [$below, $above] = [$c - $stride[$axis], $c + $stride[$axis]];
                        // Values on the two faces.
                        $low = $fluid[$below] === 1 ? ($own * $w[$at - 1] + $phi[$pad + $n - $steps[$axis]] * $w[$at]) / ($w[$at] + $w[$at - 1]) : (1.0 - $noSlip[$below]) * $own;
                        $high = $fluid[$above] === 1 ? ($own * $w[$at + 1] + $phi[$pad + $n + $steps[$axis]] * $w[$at]) / ($w[$at] + $w[$at + 1]) : (1.0 - $noSlip[$above]) * $own;
                        $slope = ($high - $low) / $w[$at];
                        $square += $slope * $slope;
                    }
                    $root = sqrt($square + 2.0 * $own);
                    $distance[$n] = $root - sqrt($square);
                    $gap[$n] = 2.0 * $root;
                }
            }
        }

        return [$distance, $gap];
    }

    /**
     * Speed times twice the gap, weighted by speed, so that it says what holds where the flow is and not in dead corners, m2/s.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s
     */
    public function speedTimesWidth(array $velocity): float
    {
        $layout = $this->domain->layout;
        $grid = $layout->grid;
        [$nx, $ny] = $grid->cells;
        [$sum, $all] = [0.0, 0.0];
        foreach ($layout->gather(StrainRate::speeds($layout, $velocity)) as $n => $speed) {
            if ($this->gap[$n] > 0.0) {
                $weight = $speed * $grid->widths[0][$n % $nx] * $grid->widths[1][intdiv($n, $nx) % $ny] * $grid->widths[2][intdiv($n, $nx * $ny)];
                $sum += $weight * $speed * 2.0 * $this->gap[$n];
                $all += $weight;
            }
        }

        return $sum / max($all, 1e-300);
    }
}
