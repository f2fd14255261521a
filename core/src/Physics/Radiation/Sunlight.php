<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\Grid;
use Foehn\Grid\SurfaceElements;
use Foehn\Model\Cover;
use Foehn\Model\Model;
use Foehn\Model\Space;
use Foehn\Model\Sun;
use Foehn\Numerics\RandomShares;
use Foehn\Physics\Heat\SurfaceContribution;
use Foehn\Physics\Heat\SurfaceNodes;

/**
 * Sunlight that surfaces take up. The direct light is followed from four places of every face towards the sun, through openings and glass,
 * with a shift of its own for each face, so that shadows do not beat with the grid. Where surfaces see each other, what they reflect of it
 * is diffuse and meets the others until all is taken up or has left; where not, it is lost. The diffuse light comes from all around
 * alike. Walls of the space take it up on their outside.
 */
final class Sunlight implements SurfaceContribution
{
    private const PLACES = 2;

    /** Takes the place of an absorptivity of 0, so that what is reflected keeps its source. */
    private const WHITE = 1e-9;

    /** @var array<int, float> W that each element takes up */
    private array $absorbed = [];

    /** @var array<int, float> W/m2 that meets each element, direct and diffuse */
    private array $incident = [];

    /** @var array<int, float> W/m2 on the faces that the sun reaches */
    private readonly array $direct;

    /**
     * @param list<int> $outside elements that see the surroundings alone
     * @param ?Links $links what patches see of each other; null where only the surroundings are seen
     */
    public function __construct(private readonly Model $model, private readonly Sun $sun, Grid $grid, private readonly SurfaceElements $elements, private SurfaceFinishes $finishes, private readonly CavityFaces $faces, private readonly array $outside, private readonly ?Links $links)
    {
        $this->direct = $this->direct($grid, $faces);
        $this->shine();
    }

    /** The same sun on a like model with other finishes. */
    public function on(SurfaceFinishes $finishes): self
    {
        $other = clone $this;
        if ($finishes->absorptivity !== $this->finishes->absorptivity) {
            $other->finishes = $finishes;
            $other->shine();
        }

        return $other;
    }

    public function addToSurfaces(SurfaceNodes $nodes): void
    {
        foreach ($this->absorbed as $e => $watts) {
            $nodes->shine($e, $watts, $this->incident[$e]);
        }
    }

    private function shine(): void
    {
        $this->absorbed = $this->incident = [];
        $this->outer();
        $diffuse = $this->links === null ? [] : $this->diffuse($this->links);
        foreach ($this->faces->element as $face => $e) {
            if ($e === SurfaceElements::NONE) {
                continue;
            }
            $light = ($this->direct[$face] ?? 0.0) * $this->elements->area[$e] + ($diffuse[$this->faces->patch[$face]] ?? 0.0) * $this->faces->area[$face];
            if ($light > 0.0) {
                $this->add($e, $light / $this->elements->area[$e], $this->takenUp($face) * $light);
            }
        }
    }

    private function add(int $e, float $flux, float $watts): void
    {
        $this->absorbed[$e] = ($this->absorbed[$e] ?? 0.0) + $watts;
        $this->incident[$e] = ($this->incident[$e] ?? 0.0) + $flux;
    }

    /** What looks out of the space at its sides, and, where only the surroundings are seen, the diffuse light on all that sees them. */
    private function outer(): void
    {
        foreach ($this->elements->side as $e => $side) {
            if ($side < 0 || $this->elements->condition[$e]->kind !== 'film') {
                continue;
            }
            $towards = $this->sun->direction[$side >> 1] * ($side % 2 === 1 ? 1.0 : -1.0);
            $flux = $this->sun->flux * max(0.0, $towards) + $this->sun->diffuse;
            $cover = $this->elements->part[$e] < 0 ? $this->cover($e) : null;
            $this->add($e, $flux, $flux * $this->elements->area[$e] * (1.0 - ($cover?->transmittance(false) ?? 0.0)) * $this->finishes->absorptivity[$e]);
        }
        if ($this->links === null) {
            foreach ($this->outside as $e) {
                if ($this->elements->side[$e] < 0) {
                    $this->add($e, $this->sun->diffuse, $this->finishes->absorptivity[$e] * $this->sun->diffuse * $this->elements->area[$e] / $this->finishes->steps[$e]);
                }
            }
        }
    }

    private function cover(int $e): Cover
    {
        return $this->model->space->sides[Space::SIDES[$this->elements->side[$e]]]->coverOf($this->elements->patch[$e]);
    }

    /** Share of the light on a face that the surface keeps; what a wall of glass lets pass it does not. */
    private function takenUp(int $face): float
    {
        return (1.0 - ($this->faces->transmittance[$face] ?? 0.0)) * $this->finishes->absorptivity[$this->faces->element[$face]];
    }

    /** @return array<int, float> W/m2 on the faces that the sun reaches */
    private function direct(Grid $grid, CavityFaces $faces): array
    {
        $tracer = new RayTracer($grid, $faces);
        $random = new RandomShares(1);
        $found = [];
        foreach ($faces->element as $face => $e) {
            $direction = $faces->direction[$face];
            $axis = $direction >> 1;
            $steep = $this->sun->direction[$axis] * ($direction % 2 === 1 ? -1.0 : 1.0);
            if ($e === SurfaceElements::NONE || $steep <= 0.0 || $this->sun->flux <= 0.0) {
                continue;
            }
            $lit = 0.0;
            $shift = [$random->next(), $random->next()];
            for ($n = 0; $n < self::PLACES ** 2; $n++) {
                $share = [($n % self::PLACES + $shift[0]) / self::PLACES, (intdiv($n, self::PLACES) + $shift[1]) / self::PLACES];
                $hit = $tracer->face($faces->cell[$face], $faces->place($face, $share[0], $share[1]), $this->sun->direction);
                $lit += $hit < 0 ? 0.0 : $faces->transmittance[$hit] ?? 0.0;
            }
            if ($lit > 0.0) {
                $found[$face] = $this->sun->flux * $steep * $lit / self::PLACES ** 2;
            }
        }

        return $found;
    }

    /**
     * What is reflected, and what comes from all around through the openings.
     *
     * @return list<float> W/m2 on the patches
     */
    private function diffuse(Links $links): array
    {
        $faces = $this->faces;
        $source = $absorptivity = array_map(fn (): float => 0.0, $faces->areas);
        foreach ($faces->patch as $face => $patch) {
            $e = $faces->element[$face];
            $passes = $faces->transmittance[$face] ?? 0.0;
            $share = $faces->area[$face] / $faces->areas[$patch];
            $absorptivity[$patch] += $share * ($e === SurfaceElements::NONE ? 1.0 : $passes + $this->takenUp($face));
            $source[$patch] += $share * $passes * $this->sun->diffuse;
            if (isset($this->direct[$face])) {
                $source[$patch] += (1.0 - $passes - $this->takenUp($face)) * $this->direct[$face] * $this->elements->area[$e] / $faces->areas[$patch];
            }
        }
        $absorptivity = array_map(fn (float $one): float => max(self::WHITE, min(1.0, $one)), $absorptivity);

        return (new Radiosity($links->seen, $faces->areas, $absorptivity))->irradiation(array_map(fn (float $from, float $share): float => $from / $share, $source, $absorptivity));
    }
}
