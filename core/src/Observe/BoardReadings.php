<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Board\Nets;
use Foehn\Model\ViaCurrents;
use Foehn\Physics\Electric\BoardState;

/**
 * What is read off the copper of a board with currents.
 *
 * @phpstan-type NetRow array{name: string, current: float, drop: float, resistance: ?float, heat: float, temperature: float, section: ?float, charted: ?float}
 * @phpstan-type ViaRow array{net: string, at: array{float, float}, hole: float, from: string, to: string, current: float, density: float, heat: float}
 * @phpstan-type LayerRow array{name: string, height: float, outer: bool, heat: float, density: float, temperature: float}
 */
final class BoardReadings
{
    /** Pixels with less copper than this lie at an edge, where the density is not told well. */
    private const WHOLE = 0.5;

    /** @var ?list<NetRow> */
    private ?array $nets = null;

    /** @var ?list<LayerRow> */
    private ?array $layers = null;

    /** @var ?list<ViaRow> */
    private ?array $vias = null;

    /** @var list<?int> pixel with the greatest density of each layer */
    private array $densest = [];

    public function __construct(private readonly BoardState $state)
    {
    }

    /** @return list<NetRow> of nets with terminals: A in, V between the highest and the lowest of them, ohm as W over A2, W, K where it is hottest, the section that its heat is made in, m2, and the rise that the chart says of a trace of it, K */
    public function nets(): array
    {
        return $this->nets ??= $this->readNets();
    }

    /** @return list<NetRow> */
    private function readNets(): array
    {
        $nets = $this->state->drawn->nets();
        $heat = $hottest = $weighted = $whole = array_fill(0, count($nets->names), 0.0);
        $covered = $this->state->drawn->raster->covered;
        foreach ($nets->net as $at => $net) {
            if ($net !== Nets::NONE) {
                $heat[$net] += $this->state->currents->heat[$at];
                $hottest[$net] = max($hottest[$net], $this->state->temperature[$at]);
                if ($covered[$at] >= self::WHOLE) {
                    // Where heat is made counts: corners of contacts have a high density and hardly any heat.
                    $weighted[$net] += $this->state->currents->heat[$at] * $this->state->currents->density[$at];
                    $whole[$net] += $this->state->currents->heat[$at];
                }
            }
        }
        $rows = [];
        foreach ($this->state->drawn->byNet($this->state->copper->terminals) as $net => $on) {
            if ($net === Nets::NONE) {
                continue;
            }
            $terminals = array_intersect_key($this->state->currents->contacts, $on);
            $current = array_sum(array_map(fn (array $terminal): float => max(0.0, $terminal['current']), $terminals));
            $volts = array_column($terminals, 'voltage');
            $section = $weighted[$net] > 0.0 ? $current * $whole[$net] / $weighted[$net] : null;
            $rows[] = ['name' => $nets->names[$net] ?? '', 'current' => $current, 'drop' => max([-INF, ...$volts]) - min([INF, ...$volts]),
                'resistance' => $current > 0.0 ? $heat[$net] / $current ** 2 : null, 'heat' => $heat[$net], 'temperature' => $hottest[$net],
                'section' => $section, 'charted' => $section === null ? null : TraceChart::rise($current, $section)];
        }

        return $rows;
    }

    /** V between the highest and the lowest terminal of a net; null where it has none. */
    public function drop(string $net): ?float
    {
        $found = array_filter($this->nets(), fn (array $row): bool => $row['name'] === $net);

        return $found === [] ? null : reset($found)['drop'];
    }

    /** @return list<ViaRow> places in m as the artwork counts; greatest current over the stretches, A, its density over the section, A/m2, and W */
    public function vias(): array
    {
        return $this->vias ??= $this->readVias();
    }

    /** @return list<ViaRow> */
    private function readVias(): array
    {
        [$raster, $nets, $currents] = [$this->state->drawn->raster, $this->state->drawn->nets(), $this->state->currents];
        $vias = [];
        foreach ($raster->barrels as $n => $barrel) {
            $net = $nets->net[$raster->feet[$n][0] + $barrel->from * $raster->area()];
            $current = max(array_map(abs(...), $currents->barrels[$n]) ?: [0.0]);
            $vias[] = [
                'net' => $nets->names[$net] ?? '', 'at' => $barrel->hole->at, 'hole' => $barrel->hole->diameter,
                'from' => $raster->layers[$barrel->from]->name, 'to' => $raster->layers[$barrel->to]->name,
                'current' => $current, 'density' => $current / $barrel->section(), 'heat' => $currents->barrelHeat[$n],
            ];
        }

        return $vias;
    }

    /** @return list<LayerRow> W, greatest A/m2, and K where it is hottest */
    public function layers(): array
    {
        return $this->layers ??= $this->readLayers();
    }

    /** @return list<LayerRow> */
    private function readLayers(): array
    {
        $raster = $this->state->drawn->raster;
        $last = count($raster->layers) - 1;
        $density = $this->state->currents->density;
        $rows = [];
        foreach ($raster->layers as $n => $layer) {
            [$heat, $densest, $hottest] = [0.0, null, 0.0];
            for ($at = $n * $raster->area(), $end = $at + $raster->area(); $at < $end; $at++) {
                if ($raster->covered[$at] > 0.0) {
                    $heat += $this->state->currents->heat[$at];
                    $hottest = max($hottest, $this->state->temperature[$at]);
                    if ($raster->covered[$at] >= self::WHOLE && ($densest === null || $density[$at] > $density[$densest])) {
                        $densest = $at;
                    }
                }
            }
            $this->densest[] = $densest;
            $rows[] = ['name' => $layer->name, 'height' => $layer->height, 'outer' => $n === 0 || $n === $last, 'heat' => $heat, 'density' => $densest === null ? 0.0 : $density[$densest], 'temperature' => $hottest];
        }

        return $rows;
    }

    /** Greatest density in a class of copper, A/m2: "outer" layers, "inner" layers or "barrels"; null where there is none. */
    public function density(string $class): ?float
    {
        $rows = $class === 'barrels' ? $this->vias() : array_filter($this->layers(), fn (array $layer): bool => $layer['outer'] === ($class === 'outer'));

        return $rows === [] ? null : max(array_column($rows, 'density'));
    }

    /** Pixel with the greatest density in "outer" or "inner" layers; null where there is none. */
    public function densestPixel(string $class): ?int
    {
        $greatest = $this->density($class);
        foreach ($this->layers() as $n => $layer) {
            if ($layer['outer'] === ($class === 'outer') && $layer['density'] === $greatest) {
                return $this->densest[$n];
            }
        }

        return null;
    }

    /** Number of the via with the greatest density; null where there are none. */
    public function densestVia(): ?int
    {
        return self::numberOfGreatest(array_column($this->vias(), 'density'));
    }

    /** Current of the via that is nearest to its limit, as if it had the hole that the limit is stated for, A; null where there are none. */
    public function viaCurrent(ViaCurrents $limits): ?float
    {
        $scaled = $this->scaled($limits);

        return $scaled === [] ? null : max($scaled);
    }

    /** Number of that via; null where there are none. */
    public function worstVia(ViaCurrents $limits): ?int
    {
        return self::numberOfGreatest($this->scaled($limits));
    }

    /** @param list<float> $values */
    private static function numberOfGreatest(array $values): ?int
    {
        return $values === [] ? null : (int) array_search(max($values), $values, true);
    }

    /** @return list<float> currents of the vias, as if each had the hole that the limit is stated for, A */
    private function scaled(ViaCurrents $limits): array
    {
        $plating = $this->state->copper->artwork->holes->plating;

        return array_map(fn (array $via): float => $limits->first() * $via['current'] / $limits->of($via['hole'], $plating), $this->vias());
    }
}
