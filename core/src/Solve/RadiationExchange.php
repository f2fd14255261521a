<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\SurfaceNodes;
use Foehn\Physics\Radiation\Emitters;
use Foehn\Physics\Radiation\ToSurroundings;

/** Radiation and heat: what surfaces emit follows their temperatures. */
final class RadiationExchange implements Exchange
{
    public readonly ToSurroundings $radiation;

    /** @param Closure(): ?SurfaceNodes $surfaces of the last equation */
    public function __construct(HeatEquation $heat, private readonly Closure $surfaces)
    {
        $surroundings = $heat->model->surroundings;
        $this->radiation = new ToSurroundings(new Emitters($heat->model, $heat->elements, $heat->voxels), $surroundings->radiant(), $surroundings->temperature);
        $heat->add($this->radiation);
    }

    public function followsTemperature(): bool
    {
        return true;
    }

    public function follow(?array $temperature): float
    {
        $surfaces = ($this->surfaces)();

        return $temperature === null || $surfaces === null ? INF : $this->radiation->follow($surfaces, $temperature);
    }
}
