<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Grid\SurfaceElements;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Anderson;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\Heat\SurfaceNodes;
use Foehn\Physics\Radiation\CavityFaces;
use Foehn\Physics\Radiation\Emission;
use Foehn\Physics\Radiation\Emitters;
use Foehn\Physics\Radiation\Enclosure;
use Foehn\Physics\Radiation\LightResponse;
use Foehn\Physics\Radiation\Links;
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

    private readonly ?Links $links;

    private readonly Voxels $voxels;

    private readonly Model $model;

    private readonly SurfaceElements $elements;

    private Anderson $anderson;

    /**
     * @param Closure(): ?SurfaceNodes $surfaces of the last equation
     * @param LinkStore $store view factors that are kept
     */
    public function __construct(HeatEquation $heat, private readonly Closure $surfaces, LinkStore $store)
    {
        [$model, $elements, $voxels] = [$heat->model, $heat->elements, $heat->voxels];
        [$this->elements, $this->voxels] = [$elements, $voxels];
        $finishes = new SurfaceFinishes($model, $elements, $voxels);
        $between = $model->physics->radiation === 'surfaces';
        $sun = $model->surroundings->sun;
        $faces = new CavityFaces($model, $voxels, $elements, $finishes);
        $links = $between ? $store->of($voxels->grid, $faces) : null;
        [$this->model, $this->links] = [$model, $links];
        $this->faces = $between ? $faces : null;
        $this->emission = $this->emissionOf($model, $elements, $finishes);
        $this->enclosure = $links === null ? null : new Enclosure($faces, $links, $elements, $this->emission->emissivity, self::light($model));
        $this->sunlight = $sun === null ? null : new Sunlight($model, $sun, $voxels->grid, $elements, $finishes, $faces, $between ? [] : $this->emitters($model, $elements), $links);
        $this->anderson = new Anderson(1);
        self::addAll($heat, $this->emission, $this->sunlight);
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
        $finishes = new SurfaceFinishes($heat->model, $heat->elements, $this->voxels);
        self::addAll($heat, $this->emission->like($this->emissionOf($heat->model, $heat->elements, $finishes), $this->enclosure !== null), $this->sunlight?->on($finishes));
    }

    /** What the light between surfaces answers to changes about a state; null where only the surroundings are seen. */
    public function response(HeatSystem $system): ?LightResponse
    {
        return $this->enclosure === null ? null : new LightResponse($this->enclosure, $this->emission, $system->surfaces, $system->stencil->pad, $system->stencil->cells);
    }

    /**
     * How the light on the surfaces differs in a like model where the cells keep their temperatures: by its finishes and surroundings,
     * and by what else its surfaces are joined to.
     *
     * @param HeatSystem $own of this model
     * @param HeatSystem $system of the like one
     * @param array<int, float> $temperature of the cells, K
     * @return array<int, float> W/m2 by element; none where it does not
     */
    public function lightMore(HeatSystem $own, HeatSystem $system, Model $model, array $temperature): array
    {
        if ($this->enclosure === null || $this->faces === null || $this->links === null) {
            return [];
        }
        $elements = $system->surfaces->elements;
        $emissivity = $this->emissionOf($model, $elements, new SurfaceFinishes($model, $elements, $this->voxels))->emissivity;
        $now = $then = [];
        foreach ($this->emission->about as $e => $about) {
            $now[$e] = Emission::SIGMA * $about ** 4;
            $then[$e] = $now[$e] + 4.0 * Emission::SIGMA * $about ** 3 * ($system->surfaces->surfaceTemperature($e, $temperature) - $own->surfaces->surfaceTemperature($e, $temperature));
        }
        $same = $emissivity === $this->emission->emissivity;
        if ($same && self::light($model) === self::light($this->model) && $then === $now) {
            return [];
        }
        $enclosure = $same ? $this->enclosure : new Enclosure($this->faces, $this->links, $this->elements, $emissivity, self::light($model));
        $more = $enclosure->light($then, self::light($model));
        $before = $this->enclosure->light($now, self::light($this->model));
        foreach ($before as $e => $light) {
            $more[$e] -= $light;
        }

        return $more;
    }

    /** What surfaces see of each other; null where only the surroundings are seen. */
    public function enclosure(): ?Enclosure
    {
        return $this->enclosure;
    }

    private static function addAll(HeatEquation $heat, Emission $emission, ?Sunlight $sunlight): void
    {
        $heat->add($emission);
        if ($sunlight !== null) {
            $heat->add($sunlight);
        }
    }

    private static function light(Model $model): float
    {
        return Emission::SIGMA * $model->surroundings->radiant() ** 4;
    }

    private function emissionOf(Model $model, SurfaceElements $elements, SurfaceFinishes $finishes): Emission
    {
        $own = $outer = [];
        foreach ($this->emitters($model, $elements) as $e) {
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
    private function emitters(Model $model, SurfaceElements $elements): array
    {
        return $this->faces === null ? Emitters::outside($model, $elements, $this->voxels) : Emitters::all($elements, $this->faces);
    }
}
