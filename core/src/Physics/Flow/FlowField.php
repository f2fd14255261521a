<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Model\Fluid;

/** Velocities on the faces, pressure in the cells, and what passes the openings. */
final readonly class FlowField
{
    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity on the upper faces of the cells, m/s, in the layout of the flow
     * @param array<int, float> $pressure Pa relative to the surroundings
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux through those faces, kg/s
     * @param array<int, float> $wallViscosity Pa s: wall shear times wall distance over speed, in the layout of the flow; nothing where it is not told
     * @param list<array{part: string, name: string, flow: float, rise: float, speed: float, curve: list<array{float, float}>}> $fans operating points, m3/s and Pa
     * @param list<array{part: string, name: string, fins: int, gap: float, drawn: int, cells: int, resolved: bool, drawing: list<array<string, mixed>>}> $fins plate fins as the grid has them
     * @param array{array<int, float>, array<int, float>, array<int, float>}|array{} $unbalanced N on the faces, in the layout of the flow: what iteration left open in the momentum; nothing where it is not told
     */
    public function __construct(
        public FlowDomain $domain,
        public Fluid $fluid,
        public array $velocity,
        public array $pressure,
        public array $flux,
        public array $wallViscosity = [],
        public array $fans = [],
        public array $fins = [],
        public array $unbalanced = [],
    ) {
    }

    public static function of(FlowDomain $domain, Fluid $fluid, FlowLevel $level): self
    {
        return new self($domain, $fluid, $level->velocity, $level->pressure, $level->fluxes());
    }

    /**
     * @param array<int, float> $temperature of the cells, K
     * @return list<float> heat that is carried out of the space through each opening, relative to the surroundings, W
     */
    public function carried(array $temperature): array
    {
        $spread = $this->domain->layout->spread($temperature, $this->fluid->temperature);

        return array_map(fn (Opening $opening): float => $this->through($opening, $spread)['heat'], $this->domain->openings);
    }

    /**
     * Mass flow through an opening, kg/s, and the heat it carries out of the space relative to the surroundings, W.
     *
     * @param ?array<int, float> $temperature in the layout of the flow, K
     * @return array{in: float, out: float, volume: float, heat: float, area: float, temperature: ?float} kg/s, m3/s out of the space, W, m2, K of what leaves
     */
    public function through(Opening $opening, ?array $temperature): array
    {
        [$in, $out, $heat, $carried, $volume] = [0.0, 0.0, 0.0, 0.0, 0.0];
        foreach ($opening->faces as $n => $face) {
            $leaving = $opening->outward * $this->flux[$opening->axis][$face];
            $volume += $opening->outward * $this->velocity[$opening->axis][$face] * $opening->areas[$n];
            $in += max(0.0, -$leaving);
            $out += max(0.0, $leaving);
            if ($temperature !== null) {
                $t = $leaving > 0.0 ? $temperature[$opening->cells[$n]] : $opening->temperatures[$n];
                $heat += $leaving * $this->fluid->specificHeat * ($t - $this->fluid->temperature);
                $carried += max(0.0, $leaving) * $t;
            }
        }

        return ['in' => $in, 'out' => $out, 'volume' => $volume, 'heat' => $heat, 'area' => array_sum($opening->areas), 'temperature' => $out > 0.0 && $temperature !== null ? $carried / $out : null];
    }
}
