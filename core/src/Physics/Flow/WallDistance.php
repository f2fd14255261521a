<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;
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
        $layout = $domain->layout;
        $grid = $layout->grid;
        $cells = $grid->cells;
        [$nx, $ny, $nz] = $cells;
        $stride = [1, $nx, $nx * $ny];
        $zeros = Stencil::zeros($cells);
        $coupling = [$zeros, $zeros, $zeros];
        $extra = $source = $zeros;
        $longest = max($grid->lines[0][$nx] - $grid->lines[0][0], $grid->lines[1][$ny] - $grid->lines[1][0], $grid->lines[2][$nz] - $grid->lines[2][0]);
        for ($n = 0, $count = $grid->count(); $n < $count; $n++) {
            $place = [$n % $nx + 1, intdiv($n, $nx) % $ny + 1, intdiv($n, $nx * $ny) + 1];
            $c = $layout->index(...$place);
            if ($domain->fluid[$c] === 0) {
                continue;
            }
            $own = $stride[2] + $n;
            $width = array_map(fn (int $axis) => $layout->width[$axis][$place[$axis]], [0, 1, 2]);
            $source[$own] = $width[0] * $width[1] * $width[2];
            // A space without walls has no distance to them; far away stands for that.
            $extra[$own] = $source[$own] / $longest ** 2 * 1e-3;
            foreach ([0, 1, 2] as $axis) {
                [$a, $b] = Axes::across($axis);
                $area = $width[$a] * $width[$b];
                foreach ([-1, 1] as $sign) {
                    $next = $c + $sign * $layout->stride[$axis];
                    if ($domain->fluid[$next] === 1) {
                        if ($sign > 0) {
                            $coupling[$axis][$own] = 2 * $area / ($width[$axis] + $layout->width[$axis][$place[$axis] + 1]);
                        }
                    } else {
                        $extra[$own] += $domain->noSlip[$next] * 2 * $area / $width[$axis];
                    }
                }
            }
        }
        $stencil = new Stencil($cells, $coupling, $extra);
        $phi = ConjugateGradient::solve($stencil, Multigrid::box($stencil), $source, $zeros, new Accuracy(self::RESIDUAL))->x;
        $distance = $gap = array_fill(0, $grid->count(), 0.0);
        for ($n = 0, $count = $grid->count(); $n < $count; $n++) {
            $place = [$n % $nx + 1, intdiv($n, $nx) % $ny + 1, intdiv($n, $nx * $ny) + 1];
            $c = $layout->index(...$place);
            if ($domain->fluid[$c] === 0) {
                continue;
            }
            $own = $stride[2] + $n;
            $square = 0.0;
            foreach ([0, 1, 2] as $axis) {
                $w = $layout->width[$axis];
                $i = $place[$axis];
                $ends = [];
                foreach ([-1, 1] as $sign) {
                    $next = $c + $sign * $layout->stride[$axis];
                    $beyond = $own + $sign * $stride[$axis];
                    // Value on the face towards that side.
                    $ends[] = $domain->fluid[$next] === 1
                        ? ($phi[$own] * $w[$i + $sign] + $phi[$beyond] * $w[$i]) / ($w[$i] + $w[$i + $sign])
                        : (1.0 - $domain->noSlip[$next]) * $phi[$own];
                }
                $square += (($ends[1] - $ends[0]) / $w[$i]) ** 2;
            }
            $root = sqrt($square + 2 * $phi[$own]);
            $distance[$n] = $root - sqrt($square);
            $gap[$n] = 2 * $root;
        }
        [$this->distance, $this->gap] = [$distance, $gap];
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
