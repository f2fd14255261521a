<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Model\Watch;
use Foehn\Numerics\Vectors;
use Foehn\Observe\FlowProbe;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Flow\FlowLevel;

/** What a model watches or limits beside temperatures, for a run to see whether it stands still. */
final readonly class WatchedFlow
{
    public function __construct(private Model $model, private FlowDomain $domain, private Fluid $fluid)
    {
    }

    /**
     * @param callable(array{array<int, float>, array<int, float>, array<int, float>}): float $through all that passes with given fluxes, kg/s
     * @return array<int, float> velocities and pressures as shares of the greatest speed and of the spread of the pressure, flows and heat as shares of all that passes
     */
    public function shares(FlowLevel $level, HeatOnFlow $heat, callable $through): array
    {
        return [
            ...$this->atPoints($level),
            ...($this->asks(Watch::THROUGH) ? $this->throughOpenings($level->fluxes(), $through) : []),
            ...($this->asks(['heat', 'heatFlux']) ? self::ways($heat) : []),
        ];
    }

    /** @param list<string> $quantities */
    private function asks(array $quantities): bool
    {
        foreach ([...$this->model->watches, ...$this->model->limits] as $asked) {
            if (in_array($asked->quantity, $quantities, true)) {
                return true;
            }
        }

        return false;
    }

    /** @return array<int, float> */
    private function atPoints(FlowLevel $level): array
    {
        $watches = array_filter($this->model->watches, fn (Watch $watch) => in_array($watch->quantity, Watch::AT_POINTS, true));
        if ($watches === []) {
            return [];
        }
        $probe = new FlowProbe(FlowField::of($this->domain, $this->fluid, $level));
        $fastest = max(array_map(Vectors::largest(...), $level->velocity));
        $spread = Vectors::spread($level->pressure);

        return array_values(array_map(
            fn (Watch $watch) => ($probe->value($watch->quantity, $watch->of->point ?? [0.0, 0.0, 0.0]) ?? 0.0) / max(1e-300, $watch->quantity === 'pressure' ? $spread : $fastest),
            $watches,
        ));
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s
     * @param callable(array{array<int, float>, array<int, float>, array<int, float>}): float $through
     * @return array<int, float>
     */
    private function throughOpenings(array $flux, callable $through): array
    {
        $all = max($through($flux), 1e-300);
        $relative = [];
        foreach ($this->domain->openings as $opening) {
            $relative[] = array_sum(array_map(fn (int $face): float => $flux[$opening->axis][$face], $opening->faces)) / $all;
        }

        return $relative;
    }

    /** @return array<int, float> */
    private static function ways(HeatOnFlow $heat): array
    {
        $ways = $heat->ways(false);
        $all = max([1e-300, ...array_map(abs(...), $ways)]);

        return array_map(fn (float $way): float => $way / $all, $ways);
    }
}
