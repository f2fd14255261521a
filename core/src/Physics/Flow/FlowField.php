<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Grid\Axes;

/** Velocities on the faces, pressure in the cells, and what passes the openings. */
final class FlowField
{
    /**
     * @param array{list<float>, list<float>, list<float>} $velocity on the upper faces of the cells, m/s, in the layout of the flow
     * @param list<float> $pressure Pa relative to the surroundings
     * @param array{list<float>, list<float>, list<float>} $flux through those faces, kg/s
     */
    public function __construct(
        public readonly FlowDomain $domain,
        public readonly Fluid $fluid,
        public array $velocity,
        public array $pressure,
        public array $flux,
    ) {
    }

    public static function atRest(FlowDomain $domain, Fluid $fluid): self
    {
        $field = new self($domain, $fluid, $domain->velocity, $domain->pressure, $domain->velocity);
        $field->computeFluxes();

        return $field;
    }

    public function computeFluxes(): void
    {
        $layout = $this->domain->layout;
        $flux = [];
        foreach ([0, 1, 2] as $axis) {
            [$b, $c] = Axes::across($axis);
            $flux[] = self::massFlow($layout->size, $layout->pad, $axis, $layout->width[$b], $layout->width[$c], $this->velocity[$axis], $this->fluid->density);
        }
        $this->flux = [$flux[0], $flux[1], $flux[2]];
    }

    /** @return array{list<float>, float} mass flow into each cell, kg/s, and the sum of its amounts */
    public function imbalance(): array
    {
        $layout = $this->domain->layout;

        return self::divergence($layout->pad, $layout->length - $layout->pad, $layout->stride, $this->domain->fluid, $this->flux[0], $this->flux[1], $this->flux[2], $layout->zeros());
    }

    /**
     * Mass flow through an opening, kg/s, and the heat it carries out of the space relative to the surroundings, W.
     *
     * @param ?list<float> $temperature in the layout of the flow, K
     * @return array{in: float, out: float, heat: float, area: float, temperature: ?float} kg/s, W, m2, K of what leaves
     */
    public function through(Opening $opening, ?array $temperature): array
    {
        [$in, $out, $heat, $carried] = [0.0, 0.0, 0.0, 0.0];
        foreach ($opening->faces as $n => $face) {
            $leaving = $opening->outward * $this->flux[$opening->axis][$face];
            $in += max(0.0, -$leaving);
            $out += max(0.0, $leaving);
            if ($temperature !== null) {
                $t = $leaving > 0.0 ? $temperature[$opening->cells[$n]] : $opening->temperatures[$n];
                $heat += $leaving * $this->fluid->specificHeat * ($t - $this->fluid->temperature);
                $carried += max(0.0, $leaving) * $t;
            }
        }

        return ['in' => $in, 'out' => $out, 'heat' => $heat, 'area' => array_sum($opening->areas), 'temperature' => $out > 0.0 && $temperature !== null ? $carried / $out : null];
    }

    /**
     * @param array{int, int, int} $size
     * @param list<float> $wb
     * @param list<float> $wc
     * @param list<float> $u
     * @return list<float>
     */
    private static function massFlow(array $size, int $pad, int $axis, array $wb, array $wc, array $u, float $density): array
    {
        [$mx, $my, $mz] = $size;
        $c = $pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    $u[$c] *= $density * $wb[$axis === 0 ? $j : $i] * $wc[$axis === 2 ? $j : $k];
                }
            }
        }

        return $u;
    }

    /**
     * @param array{int, int, int} $stride
     * @param list<int> $fluid
     * @param list<float> $fx
     * @param list<float> $fy
     * @param list<float> $fz
     * @param list<float> $net
     * @return array{list<float>, float}
     */
    private static function divergence(int $first, int $end, array $stride, array $fluid, array $fx, array $fy, array $fz, array $net): array
    {
        [$sx, $sy, $sz] = $stride;
        $sum = 0.0;
        for ($c = $first; $c < $end; $c++) {
            if ($fluid[$c] === 1) {
                $in = $fx[$c - $sx] - $fx[$c] + $fy[$c - $sy] - $fy[$c] + $fz[$c - $sz] - $fz[$c];
                $net[$c] = $in;
                $sum += $in < 0.0 ? -$in : $in;
            }
        }

        return [$net, $sum];
    }
}
