<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Model\Model;
use Foehn\Numerics\Anderson;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\SurfaceNodes;
use Foehn\Physics\Radiation\CavityFaces;
use Foehn\Physics\Radiation\Emission;
use Foehn\Physics\Radiation\Emitters;
use Foehn\Physics\Radiation\Enclosure;

/** Radiation and heat: what surfaces emit, and the light in which they stand, follows their temperatures. */
final class RadiationExchange implements Exchange
{
    private readonly Emission $emission;

    private readonly ?Enclosure $enclosure;

    private readonly ?CavityFaces $faces;

    private Anderson $anderson;

    /** @param Closure(): ?SurfaceNodes $surfaces of the last equation */
    public function __construct(HeatEquation $heat, private readonly Closure $surfaces)
    {
        [$model, $elements, $voxels] = [$heat->model, $heat->elements, $heat->voxels];
        $radiant = Emission::SIGMA * $model->surroundings->radiant() ** 4;
        $this->faces = $model->physics->radiation === 'surfaces' ? new CavityFaces($model, $voxels, $elements) : null;
        $emissivity = $this->emissivities($heat, $model);
        $this->enclosure = $this->faces === null ? null : new Enclosure($this->faces, $voxels, $emissivity, $radiant);
        $this->emission = new Emission($emissivity, array_map(fn (): float => $radiant, $emissivity), $model->surroundings->temperature);
        $this->anderson = new Anderson(1);
        $heat->add($this->emission);
    }

    public function followsTemperature(): bool
    {
        return true;
    }

    public function follow(?array $temperature): float
    {
        $surfaces = ($this->surfaces)();
        if ($temperature === null || $surfaces === null) {
            return INF;
        }
        $change = $this->emission->follow($surfaces, $temperature);
        if ($this->enclosure !== null) {
            $before = $this->emission->irradiation;
            $after = $this->enclosure->irradiation($this->emission->about);
            $keys = array_keys($after);
            $step = array_sum(array_map(fn (float $own, float $last): float => abs($own - $last), $after, array_replace($after, array_intersect_key($before, $after))));
            [$next] = $this->anderson->next([array_values(array_replace($after, array_intersect_key($before, $after)))], [array_values($after)], [1.0]);
            $this->emission->irradiation = array_combine($keys, $next);
            $change = max($change, $step / max(1e-300, array_sum($after)));
        }

        return $change;
    }

    /** Adds to the heat of a like model what its surfaces do at the temperatures, and in the light, of these. */
    public function addTo(HeatEquation $heat): void
    {
        $heat->add($this->emission->like($this->emissivities($heat, $heat->model), $this->enclosure === null ? $heat->model->surroundings->radiant() : null));
    }

    /** @return array<int, float> by element */
    private function emissivities(HeatEquation $heat, Model $model): array
    {
        return $this->faces === null ? Emitters::outside($model, $heat->elements, $heat->voxels) : Emitters::all($model, $heat->elements, $heat->voxels, $this->faces);
    }
}
