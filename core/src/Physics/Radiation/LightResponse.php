<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Numerics\Anderson;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Heat\SurfaceNodes;

/**
 * What the light between surfaces answers to small changes of their temperatures, about those of a state, and what it does to the cells.
 * A surface has t = B T + D g: shares of the cells on both sides (B), and what its light g warms it by (D). Its light is g = K S t, with
 * S = 4 sigma T^3 and the exchange K over all reflections; the cells take up B' E g, with E the area times the emissivity. Since E K is
 * symmetric (reciprocity), the transposed response is B' E S g with g = K (B T + D S g).
 */
final class LightResponse
{
    private const CLOSED = 1e-9;

    private const MOST = 50;

    /** @var list<int> elements that emit; all lists are in their order */
    private array $elements;

    /** @var list<array{int, float, int, float}> padded cell and its share in the temperature of the surface, and those beyond */
    private array $between = [];

    /** @var list<float> 4 sigma T^3, W/m2/K */
    private array $slope = [];

    /** @var list<float> K per W/m2 of light */
    private array $warmed = [];

    /** @var list<float> m2 that emit as much as the element if they were black */
    private array $black = [];

    /**
     * @param SurfaceNodes $nodes of the state
     * @param int $pad of its cells
     * @param array{int, int, int} $cells of its grid
     */
    public function __construct(private readonly Enclosure $enclosure, Emission $emission, SurfaceNodes $nodes, int $pad, private readonly array $cells)
    {
        $this->elements = array_keys($emission->emissivity);
        foreach ($this->elements as $n => $e) {
            [$cell, $other] = [$nodes->elements->cell[$e], $nodes->elements->other[$e]];
            $this->between[] = [$pad + $cell, $nodes->shareOfCell($e), $pad + max(0, $other), $other < 0 ? 0.0 : $nodes->shareOfBeyond($e)];
            $this->slope[] = 4.0 * Emission::SIGMA * $emission->about[$e] ** 3;
            $this->black[] = $emission->emissivity[$e] * $nodes->elements->area[$e];
            $this->warmed[] = $nodes->warmedBy($e) * $this->black[$n];
        }
    }

    /** @return array<int, float> */
    public function none(): array
    {
        return array_map(fn (): float => 0.0, $this->elements);
    }

    /**
     * The light that follows from temperatures and from the light there is; of the transposed response what takes its place.
     *
     * @param array<int, float> $temperature change of each padded cell, K
     * @param array<int, float> $light W/m2
     * @return array<int, float> W/m2
     */
    public function follows(array $temperature, array $light, bool $transposed = false): array
    {
        $power = [];
        foreach ($this->between as $n => [$cell, $share, $beyond, $rest]) {
            $surface = $share * $temperature[$cell] + $rest * $temperature[$beyond];
            $power[] = $transposed ? $surface + $this->warmed[$n] * $this->slope[$n] * $light[$n] : $this->slope[$n] * ($surface + $this->warmed[$n] * $light[$n]);
        }

        return $this->listed($this->enclosure->light(array_combine($this->elements, $power), 0.0));
    }

    /**
     * What the cells take up of light.
     *
     * @param array<int, float> $light W/m2
     * @return array<int, float> W per padded cell
     */
    public function watts(array $light, bool $transposed = false): array
    {
        $watts = Stencil::zeros($this->cells);
        foreach ($this->between as $n => [$cell, $share, $beyond, $rest]) {
            $taken = $this->black[$n] * $light[$n] * ($transposed ? $this->slope[$n] : 1.0);
            $watts[$cell] += $share * $taken;
            $watts[$beyond] += $rest * $taken;
        }

        return $watts;
    }

    /**
     * What a change of the light does to the cells at temperatures that stay: the surfaces that it warms light each other.
     *
     * @param array<int, float> $change W/m2 by element
     * @return array<int, float> W per padded cell
     */
    public function caused(array $change): array
    {
        $still = Stencil::zeros($this->cells);
        $light = $given = $this->listed($change);
        $anderson = new Anderson(0);
        for ($n = 0; $n < self::MOST; $n++) {
            $next = Vectors::plus($given, 1.0, $this->follows($still, $light));
            $open = Vectors::distance($next, $light);
            [$light] = $anderson->next([$light], [$next], [1.0]);
            if ($open <= self::CLOSED * Vectors::amount($next)) {
                break;
            }
        }

        return $this->watts($light);
    }

    /**
     * @param array<int, float> $light W/m2 by element
     * @return list<float>
     */
    private function listed(array $light): array
    {
        return array_map(fn (int $e): float => $light[$e], $this->elements);
    }
}
