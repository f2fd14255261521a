<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Space;
use Foehn\Model\Target;

/** Sums over the recorded faces: heat and surface temperature of part faces and sides of the space. */
final class SurfaceSums
{
    /** What radiated heat goes to, among the routes. */
    public const RADIATION = 'radiation';

    /** Where the heat of sunlight comes from, among the routes. */
    public const SUN = 'sun';

    /** @var array<string, array{area: float, heat: float, sum: float, min: float, max: float}> by key */
    private array $sums = [];

    /** @var array<int, float> W radiated by what lies at each side */
    private array $radiated = [];

    /** @var array<int, float> W of it by the outside of walls of the space */
    private array $byWalls = [];

    /** @var array<string, float> m2K of what is beyond a surface, by key of the route */
    private array $beyond = [];

    public function __construct(private readonly State $state)
    {
        $faces = $state->system->surfaces;
        $temperature = $state->temperature;
        $steps = [];
        for ($f = 0, $count = $faces->count(); $f < $count; $f++) {
            $heat = $faces->heatOut($f, $temperature);
            $surface = $faces->surfaceTemperature($f, $temperature);
            $part = $faces->elements->part[$f];
            if ($part >= 0) {
                $face = $state->model->parts[$part]->face($faces->elements->direction[$f], fn () => $state->grid->faceCentre($faces->elements->cell[$f], $faces->elements->direction[$f]));
                $this->add("part $part $face", $faces->elements->area[$f] / ($steps["$part $face"] ??= $state->model->parts[$part]->stepsOf($face)), $heat, $surface);
                $radiated = $faces->radiated($f, $temperature);
                $sun = $faces->sun($f);
                $this->toward("route $part " . self::route($state, $f), $faces->elements->area[$f], $heat - $radiated + $sun, $surface, self::beyond($state, $f, $surface));
                if ($sun > 0.0) {
                    $this->toward("route $part " . self::SUN, $faces->elements->area[$f], -$sun, $surface, $surface);
                }
                if ($faces->radiates($f)) {
                    $this->toward("route $part " . self::RADIATION, $faces->elements->area[$f], $radiated, $surface, $state->model->surroundings->radiant());
                }
            }
            if ($faces->elements->side[$f] >= 0) {
                [$side, $patch] = [$faces->elements->side[$f], $faces->elements->patch[$f]];
                $radiated = $faces->radiated($f, $temperature);
                // A part radiates outwards there; a wall of the space inwards, and what it takes up leaves through it too.
                $this->radiated[$side] = ($this->radiated[$side] ?? 0.0) + ($part >= 0 ? $radiated : $faces->radiatedOut($f, $temperature));
                $this->byWalls[$side] = ($this->byWalls[$side] ?? 0.0) + $faces->radiatedOut($f, $temperature);
                $out = $part >= 0 ? $heat : $heat - $radiated;
                $this->add("side $side", $faces->elements->area[$f], $out, $surface);
                if ($patch >= 0) {
                    $this->add("side $side patch $patch", $faces->elements->area[$f], $out, $surface);
                }
            }
        }
    }

    /** @return array{area: float, heat: float, mean: float, min: float, max: float}|null m2, W out, K; null where there is no such face */
    public function partFace(int $part, string $face): ?array
    {
        return $this->get("part $part $face");
    }

    /** @return array{area: float, heat: float, mean: float, min: float, max: float}|null */
    public function side(int $side): ?array
    {
        return $this->get("side $side");
    }

    /** W of what leaves through a side that is radiated, net. */
    public function radiated(int $side): float
    {
        return $this->radiated[$side] ?? 0.0;
    }

    /** W of that by walls of the space, and not by parts that touch the side. */
    public function radiatedByWalls(int $side): float
    {
        return $this->byWalls[$side] ?? 0.0;
    }

    /** @return array<string, float> W out of the part by what it goes to: part ids, "fluid", side names, "surroundings", "radiation", "sun" */
    public function routes(int $part): array
    {
        $routes = [];
        foreach ($this->sums as $key => $sum) {
            if (str_starts_with($key, "route $part ")) {
                $routes[substr($key, strlen("route $part "))] = $sum['heat'];
            }
        }

        return array_filter($routes, fn (float $heat) => abs($heat) > 1e-12);
    }

    /**
     * Where heat leaves a part, by what it goes to (see routes()): m2, the mean temperature of its own surface there and of what lies
     * beyond, K: the surface of the other part, the fluid in the cells beside, or what a convection coefficient is stated against.
     *
     * @return array<string, array{area: float, temperature: float, beyond: float}>
     */
    public function interfaces(int $part): array
    {
        $interfaces = [];
        foreach (array_keys($this->routes($part)) as $to) {
            $sum = $this->get("route $part $to");
            if ($sum !== null) {
                $interfaces[$to] = ['area' => $sum['area'], 'temperature' => $sum['mean'], 'beyond' => $this->beyond["route $part $to"] / $sum['area']];
            }
        }

        return $interfaces;
    }

    /** @return array{area: float, heat: float, mean: float, min: float, max: float}|null */
    public function target(Target $target, int $part): ?array
    {
        if ($target->side === null) {
            return $this->partFace($part, (string) $target->face);
        }
        $side = (int) array_search($target->side, Space::SIDES, true);

        return $target->patch === null ? $this->side($side) : $this->get("side $side patch $target->patch");
    }

    /** K; the surface itself where nothing lies beyond. */
    private static function beyond(State $state, int $f, float $surface): float
    {
        $surfaces = $state->system->surfaces;
        $elements = $surfaces->elements;

        return match (true) {
            $elements->twin[$f] >= 0 => $surfaces->surfaceTemperature($elements->twin[$f], $state->temperature),
            $elements->other[$f] >= 0 => $state->temperature[$elements->other[$f]],
            $surfaces->coefficient[$f] > 0.0 && $surfaces->coefficient[$f] < INF => $surfaces->ambient[$f],
            default => $surface,
        };
    }

    private function toward(string $route, float $area, float $heat, float $surface, float $beyond): void
    {
        $this->add($route, $area, $heat, $surface);
        $this->beyond[$route] = ($this->beyond[$route] ?? 0.0) + $area * $beyond;
    }

    private static function route(State $state, int $f): string
    {
        $faces = $state->system->surfaces;
        if ($faces->elements->otherPart[$f] >= 0) {
            return $state->model->parts[$faces->elements->otherPart[$f]]->id;
        }
        if ($faces->elements->other[$f] >= 0) {
            return 'fluid';
        }

        return $faces->elements->side[$f] >= 0 ? 'side ' . Space::SIDES[$faces->elements->side[$f]] : 'surroundings';
    }

    private function add(string $key, float $area, float $heat, float $surface): void
    {
        $sum = $this->sums[$key] ?? ['area' => 0.0, 'heat' => 0.0, 'sum' => 0.0, 'min' => INF, 'max' => -INF];
        $this->sums[$key] = [
            'area' => $sum['area'] + $area, 'heat' => $sum['heat'] + $heat, 'sum' => $sum['sum'] + $area * $surface,
            'min' => min($sum['min'], $surface), 'max' => max($sum['max'], $surface),
        ];
    }

    /** @return array{area: float, heat: float, mean: float, min: float, max: float}|null */
    private function get(string $key): ?array
    {
        $sum = $this->sums[$key] ?? null;

        return $sum === null ? null : ['area' => $sum['area'], 'heat' => $sum['heat'], 'mean' => $sum['sum'] / $sum['area'], 'min' => $sum['min'], 'max' => $sum['max']];
    }
}
