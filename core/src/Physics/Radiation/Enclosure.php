<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Grid\SurfaceElements;

/** What the surfaces between the parts see of each other and of the surroundings, and the light in which each stands. */
final readonly class Enclosure
{
    private Radiosity $radiosity;

    /** @var list<float> share of each face in what its patch emits at one temperature */
    private array $shares;

    /**
     * @param array<int, float> $emissivity by element on the area of the grid face
     * @param float $radiant sigma T^4 of the surroundings, W/m2
     */
    public function __construct(private CavityFaces $faces, private Links $links, SurfaceElements $elements, private array $emissivity, private float $radiant)
    {
        $own = array_map(fn (): float => 0.0, $faces->areas);
        $black = [];
        foreach ($faces->patch as $face => $patch) {
            $e = $faces->element[$face];
            $own[$patch] += $black[$face] = $e === SurfaceElements::NONE ? $faces->area[$face] : ($emissivity[$e] ?? 0.0) * $elements->area[$e];
        }
        $this->shares = array_map(fn (float $area, int $patch): float => $own[$patch] > 0.0 ? $area / $own[$patch] : 0.0, $black, $faces->patch);
        $this->radiosity = new Radiosity($links->seen, $faces->areas, array_map(fn (float $one, float $area): float => min(1.0, $one / $area), $own, $faces->areas));
    }

    /**
     * @param array<int, float> $about K of each element
     * @return array<int, float> irradiation of each element, W/m2; of those that are outside that of the surroundings
     */
    public function irradiation(array $about): array
    {
        return $this->light(self::power($about), $this->radiant);
    }

    /**
     * The light that follows from any emission, over all reflections: linear in both.
     *
     * @param array<int, float> $power W/m2 that each element would emit if it were black
     * @param float $radiant W/m2 of the surroundings
     * @return array<int, float> irradiation of each element, W/m2; of those that are outside that of the surroundings
     */
    public function light(array $power, float $radiant): array
    {
        $light = $this->radiosity->irradiation($this->emission($power, $radiant));
        $found = array_map(fn (): float => $radiant, $power);
        foreach ($this->faces->patch as $face => $patch) {
            $e = $this->faces->element[$face];
            if (isset($this->emissivity[$e])) {
                $found[$e] = $light[$patch];
            }
        }

        return $found;
    }

    /**
     * @param array<int, float> $about K
     * @return array<int, float> sigma T^4, W/m2
     */
    private static function power(array $about): array
    {
        return array_map(fn (float $one): float => Emission::SIGMA * $one ** 4, $about);
    }

    /**
     * @param array<int, float> $power W/m2 that each element would emit if it were black
     * @return array<int, float> the same of each patch, W/m2
     */
    private function emission(array $power, float $radiant): array
    {
        $emission = array_map(fn (): float => 0.0, $this->faces->areas);
        foreach ($this->faces->patch as $face => $patch) {
            $e = $this->faces->element[$face];
            $emission[$patch] += $this->shares[$face] * ($e === SurfaceElements::NONE ? $radiant : $power[$e] ?? 0.0);
        }

        return $emission;
    }

    /**
     * What bodies emit and others take up in the end, over all reflections: the radiosities with one of them emitting alone, since they
     * are linear in what is emitted (Gebhart, Int. J. Heat Mass Transfer 3 (1961) 341).
     *
     * @param array<int, float> $about K of each element
     * @param array<int, string> $bodies name of the body of each element
     * @param string $surroundings name of what is seen through openings
     * @return array<string, array<string, float>> W by what emits and what takes up
     */
    public function sent(array $about, array $bodies, string $surroundings): array
    {
        $of = [];
        foreach ($this->faces->patch as $face => $patch) {
            $e = $this->faces->element[$face];
            $of[$patch] = $e === SurfaceElements::NONE ? $surroundings : $bodies[$e];
        }
        $emission = $this->emission(self::power($about), $this->radiant);
        $sent = [];
        foreach (array_unique($of) as $body) {
            $alone = [];
            foreach ($emission as $patch => $own) {
                $alone[$patch] = $of[$patch] === $body ? $own : 0.0;
            }
            foreach ($this->radiosity->takenUp($alone) as $patch => $watts) {
                $sent[$body][$of[$patch]] = ($sent[$body][$of[$patch]] ?? 0.0) + $watts;
            }
        }

        return $sent;
    }

    /**
     * Closed cavities in which nothing emits.
     *
     * @return list<list<int>> elements of each
     */
    public function dark(): array
    {
        $emits = array_fill(0, count($this->faces->areas), false);
        $elements = array_fill(0, count($this->faces->areas), []);
        foreach ($this->faces->patch as $face => $patch) {
            $emits[$patch] = $emits[$patch] || $this->shares[$face] > 0.0;
            $elements[$patch][] = $this->faces->element[$face];
        }
        $dark = $seen = [];
        foreach ($emits as $first => $_) {
            $found = $queue = isset($seen[$first]) ? [] : [$first];
            $seen[$first] = true;
            while ($queue !== []) {
                foreach (array_keys($this->links->seen[array_pop($queue)]) as $next) {
                    if (! isset($seen[$next])) {
                        $seen[$next] = true;
                        $found[] = $queue[] = $next;
                    }
                }
            }
            if ($found !== [] && array_filter(array_intersect_key($emits, array_flip($found))) === []) {
                $dark[] = array_merge(...array_values(array_intersect_key($elements, array_flip($found))));
            }
        }

        return $dark;
    }

    /** @return array<int, int> number of the patch of each element that has one, from 0 */
    public function patches(): array
    {
        $found = [];
        foreach ($this->faces->element as $face => $e) {
            if ($e !== SurfaceElements::NONE) {
                $found[$e] = $this->faces->patch[$face];
            }
        }

        return $found;
    }
}
