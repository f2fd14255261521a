<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Grid\SurfaceElements;
use Foehn\Model\Model;
use Foehn\Numerics\Anderson;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\SurfaceNodes;
use Foehn\Physics\Radiation\CavityFaces;
use Foehn\Physics\Radiation\Emission;
use Foehn\Physics\Radiation\Emitters;
use Foehn\Physics\Radiation\Enclosure;
use Foehn\Physics\Radiation\LinkStore;
use Foehn\Physics\Radiation\Sunlight;
use Foehn\Physics\Radiation\SurfaceFinishes;

/** Radiation and heat: what surfaces emit, and the light in which they stand, follows their temperatures. */
final class RadiationExchange implements Exchange
{
    private readonly Emission $emission;

    private readonly ?Enclosure $enclosure;

    private readonly ?Sunlight $sunlight;

    private readonly ?CavityFaces $faces;

    private readonly SurfaceElements $elements;

    private Anderson $anderson;

    /**
     * @param Closure(): ?SurfaceNodes $surfaces of the last equation
     * @param LinkStore $store view factors that are kept
     */
    public function __construct(HeatEquation $heat, private readonly Closure $surfaces, LinkStore $store)
    {
        [$model, $elements, $voxels] = [$heat->model, $heat->elements, $heat->voxels];
        $this->elements = $elements;
        $finishes = new SurfaceFinishes($model, $elements, $voxels);
        $between = $model->physics->radiation === 'surfaces';
        $sun = $model->surroundings->sun;
        $faces = new CavityFaces($model, $voxels, $elements, $finishes);
        $links = $between ? $store->of($voxels->grid, $faces) : null;
        $this->faces = $between ? $faces : null;
        $this->emission = $this->emissionOf($heat, $finishes);
        $this->enclosure = $links === null ? null : new Enclosure($faces, $links, $elements, $this->emission->emissivity, self::light($model));
        $this->sunlight = $sun === null ? null : new Sunlight($model, $sun, $voxels->grid, $elements, $finishes, $faces, $between ? [] : $this->emitters($heat), $links);
        $this->anderson = new Anderson(1);
        $this->addAll($heat, $this->emission);
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
            $after = array_intersect_key($this->enclosure->irradiation($this->emission->about), $before);
            $keys = array_keys($before);
            $last = array_values($before);
            $now = array_map(fn (int $e): float => $after[$e], $keys);
            $step = array_sum(array_map(fn (float $own, float $other): float => abs($own - $other), $now, $last));
            [$next] = $this->anderson->next([$last], [$now], [1.0]);
            $this->emission->irradiation = array_combine($keys, $next);
            $change = max($change, $step / max(1e-300, array_sum($now)));
        }

        return $change;
    }

    /**
     * Begins with surfaces as warm as the cells beneath them, such as those of a grid before.
     *
     * @param array<int, float> $temperature of the cells, K
     */
    public function beginAt(array $temperature): void
    {
        $this->emission->beginAt($this->elements, $temperature);
        if ($this->enclosure !== null) {
            $this->emission->irradiation = array_intersect_key($this->enclosure->irradiation($this->emission->about), $this->emission->irradiation);
        }
    }

    /** Adds to the heat of a like model what its surfaces do at the temperatures, and in the light, of these. */
    public function addTo(HeatEquation $heat): void
    {
        $other = $this->emissionOf($heat, new SurfaceFinishes($heat->model, $heat->elements, $heat->voxels));
        $this->addAll($heat, $this->emission->like($other, $this->enclosure !== null));
    }

    /** What surfaces see of each other; null where only the surroundings are seen. */
    public function enclosure(): ?Enclosure
    {
        return $this->enclosure;
    }

    private function addAll(HeatEquation $heat, Emission $emission): void
    {
        $heat->add($emission);
        if ($this->sunlight !== null) {
            $heat->add($this->sunlight);
        }
    }

    private static function light(Model $model): float
    {
        return Emission::SIGMA * $model->surroundings->radiant() ** 4;
    }

    private function emissionOf(HeatEquation $heat, SurfaceFinishes $finishes): Emission
    {
        [$model, $elements] = [$heat->model, $heat->elements];
        $own = $outer = [];
        foreach ($this->emitters($heat) as $e) {
            if ($finishes->emissivity[$e] <= 0.0) {
                continue;
            }
            if ($elements->part[$e] >= 0 || $this->faces !== null) {
                $own[$e] = $finishes->emissivity[$e] / $finishes->steps[$e];
            }
            if ($elements->part[$e] < 0 && $elements->condition[$e]->kind === 'film') {
                $outer[$e] = $finishes->emissivity[$e];
            }
        }
        $light = self::light($model);

        return new Emission($own, array_map(fn (): float => $light, $own), $outer, $light, $model->surroundings->temperature);
    }

    /** @return list<int> */
    private function emitters(HeatEquation $heat): array
    {
        return $this->faces === null ? Emitters::outside($heat->model, $heat->elements, $heat->voxels) : Emitters::all($heat->elements, $this->faces);
    }
}
