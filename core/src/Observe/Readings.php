<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Convective;
use Foehn\Model\Limit;
use Foehn\Model\Section;
use Foehn\Model\Target;
use Foehn\Model\Watch;
use Foehn\Physics\Flow\Opening;

/** What limits and watches see of a state. */
final class Readings
{
    private ?SurfaceSums $surfaces = null;

    /** @var list<array{min: float, mean: float, max: float}|null> of each part, K */
    public readonly array $temperatures;

    /** @var array<string, int> */
    private array $indexOf;

    /** @var array<int, BoardReadings> by index of the part */
    private array $boards = [];

    private ?FaceTemperatures $faceTemperatures = null;

    private ?FlowProbe $probe = null;

    private ?SectionFlow $sections = null;

    /** @var ?list<array{name: string, kind: string, in: float, out: float, volume: float, heat: float, area: float, temperature: ?float}> */
    private ?array $openings = null;

    public function __construct(private readonly State $state)
    {
        $this->temperatures = PartTemperatures::of($state->voxels, $state->temperature);
        $this->indexOf = array_flip(array_map(fn ($part) => $part->id, $state->model->parts));
    }

    public function surfaces(): SurfaceSums
    {
        return $this->surfaces ??= new SurfaceSums($this->state);
    }

    /** @return array<string, ?float> the value of every limit and watch by id, SI units */
    public function all(): array
    {
        $values = [];
        foreach ([...$this->state->model->limits, ...$this->state->model->watches] as $asked) {
            $values[$asked->id] = $this->of($asked);
        }

        return $values;
    }

    /** What a watch or limit sees, in SI units; null where its target has no cells. */
    public function of(Watch|Limit $asked): ?float
    {
        if (in_array($asked->quantity, Watch::OF_BOARDS, true)) {
            return $this->ofBoard($asked);
        }

        return $asked->against === null ? $this->value($asked->of, $asked->quantity, $asked->reduce) : $this->convection($asked->of, $asked->quantity, $asked->against);
    }

    /**
     * What a line watch reads along its line.
     *
     * @return array{positions: list<float>, values: list<?float>} m from its beginning, and SI units; null where nothing is
     */
    public function profile(Watch $watch): array
    {
        $places = $watch->of->places();
        $step = $watch->of->length() / max(1, count($places) - 1);

        return ['positions' => array_map(fn (int $n): float => $n * $step, array_keys($places)), 'values' => array_map($this->at($watch->quantity), $places)];
    }

    /**
     * Convection coefficient of a face, q / (T_wall - T_reference) of its mean heat flux and temperature, W/m2/K; or its Nusselt number with the
     * conductivity of the fluid at the mean of both.
     */
    private function convection(Target $target, string $quantity, Convective $against): ?float
    {
        $sum = $this->state->model->physics->heat ? $this->surfaces()->target($target, $this->indexOf[$target->part ?? ''] ?? -1) : null;
        $reference = $against->reference instanceof Section ? $this->sections()?->bulkTemperature($against->reference) : $against->reference;
        if ($sum === null || $reference === null || $sum['mean'] === $reference) {
            return null;
        }
        // Heat out of a part goes into the fluid, heat out through a side of the space leaves it.
        $intoFluid = ($target->side === null ? 1.0 : -1.0) * $sum['heat'] / $sum['area'];
        $coefficient = $intoFluid / ($sum['mean'] - $reference);
        $conductivity = $this->state->flow?->fluid->conductivityAt(0.5 * ($sum['mean'] + $reference));

        return match (true) {
            $quantity !== 'nusselt' => $coefficient,
            $conductivity === null => null,
            default => $coefficient * $against->length / $conductivity,
        };
    }

    /** In SI units, of a quantity of Watch::QUANTITIES; null where the target has no cells. */
    public function value(Target $target, string $quantity, string $reduce): ?float
    {
        if (in_array($quantity, Watch::AT_POINTS, true)) {
            return self::alongLine($target, $reduce, $this->at($quantity));
        }
        if (in_array($quantity, Watch::THROUGH, true)) {
            return $target->section === null ? $this->flowThrough($target, $quantity) : $this->throughSection($target->section, $quantity);
        }
        if (in_array($quantity, Watch::OF_CURRENTS, true)) {
            return $this->ofCurrents($target, $quantity);
        }
        if ($quantity === 'wallShear') {
            return (new WallShear($this->state))->on($target, $this->indexOf[$target->part ?? ''] ?? -1)[$reduce] ?? null;
        }
        if (! $this->state->model->physics->heat) {
            return null;
        }
        if ($target->point !== null) {
            return self::alongLine($target, $reduce, $this->at($quantity));
        }
        $part = $target->part === null ? -1 : $this->indexOf[$target->part];
        if ($target->side !== null || $target->face !== null) {
            $sum = $this->surfaces()->target($target, $part);

            return $sum === null ? null : match ($quantity) {
                'heat' => $sum['heat'],
                'heatFlux' => $sum['heat'] / $sum['area'],
                default => $sum[$reduce === 'total' ? 'mean' : $reduce],
            };
        }
        $state = $this->state->system->packages->state($part, $this->state->temperature);
        if ($state !== null) {
            return $state[$target->node ?? 'junction'];
        }

        $own = $this->temperatures[$part][$reduce] ?? null;

        return $own === null || $target->node === null ? $own : $own + $this->state->junctionOver($part);
    }

    /** A/m2, A or V; null where no currents are computed, or none flows in the part. Terminals that share a face add their currents. */
    private function ofCurrents(Target $target, string $quantity): ?float
    {
        $currents = $this->state->currents;
        if ($quantity === 'currentDensity' && $target->copper !== null) {
            return $this->board($target)?->density($target->copper);
        }
        if ($quantity === 'currentDensity') {
            return $this->state->currentIn($this->indexOf[$target->part ?? ''] ?? -1)['density'] ?? null;
        }
        if ($currents === null) {
            return null;
        }
        $own = array_column(array_filter($currents->terminals, fn (array $terminal): bool => $terminal['part'] === $target->part && $terminal['face'] === $target->face), $quantity);

        return match (true) {
            $own === [] => null,
            $quantity === 'current' => array_sum($own),
            default => array_sum($own) / count($own),
        };
    }

    /** A of vias, or V along a net; null where no currents are computed. */
    private function ofBoard(Watch|Limit $asked): ?float
    {
        $board = $this->board($asked->of);

        return match (true) {
            $board === null => null,
            $asked->quantity === 'voltageDrop' => $board->drop((string) $asked->of->net),
            $asked->vias !== null => $board->viaCurrent($asked->vias),
            default => max([0.0, ...array_column($board->vias(), 'current')]),
        };
    }

    /** Of the board that a target is on; null where it is none with currents. */
    public function board(Target $target): ?BoardReadings
    {
        $part = $this->indexOf[$target->part ?? ''] ?? -1;
        $state = $this->state->boards[$part] ?? null;

        return $state === null ? null : $this->boards[$part] ??= new BoardReadings($state);
    }

    /**
     * The value at a point, or reduced over the places of a line that have one.
     *
     * @param callable(array{float, float, float}): ?float $at
     */
    private static function alongLine(Target $target, string $reduce, callable $at): ?float
    {
        $values = array_filter(array_map($at, $target->places()), fn (?float $value) => $value !== null);
        $step = $target->length() / max(1, count($target->places()) - 1);

        return $values === [] ? null : match ($reduce) {
            'min' => min($values),
            'max' => max($values),
            'minAt' => $step * array_search(min($values), $values, true),
            'maxAt' => $step * array_search(max($values), $values, true),
            'zeroAt' => self::zero($values, $step),
            default => array_sum($values) / count($values),
        };
    }

    /**
     * Where values along a line first pass through zero, m; null where they do nowhere.
     *
     * @param array<int, float> $values by the number of the step
     */
    private static function zero(array $values, float $step): ?float
    {
        $before = null;
        foreach ($values as $n => $value) {
            if ($value === 0.0 && $before !== null) {
                return $n * $step;
            }
            if ($before !== null && $before[1] * $value < 0.0) {
                return $step * ($before[0] + ($n - $before[0]) * $before[1] / ($before[1] - $value));
            }
            $before = [$n, $value];
        }

        return null;
    }

    /** @return callable(array{float, float, float}): ?float what a quantity is at a place, in SI units */
    private function at(string $quantity): callable
    {
        return in_array($quantity, Watch::AT_POINTS, true) ? $this->flowAt($quantity) : $this->temperatureAt();
    }

    /** @return callable(array{float, float, float}): ?float K */
    private function temperatureAt(): callable
    {
        $faces = $this->faceTemperatures ??= new FaceTemperatures($this->state);

        return function (array $place) use ($faces): ?float {
            /** @var array{float, float, float} $place */
            return $this->state->model->physics->heat ? Probe::at($this->state->grid, $place, $this->state->cellTemperature(...), $faces->at(...)) : null;
        };
    }

    private function sections(): ?SectionFlow
    {
        return $this->state->flow === null ? null : $this->sections ??= new SectionFlow($this->state->flow, $this->state->temperature);
    }

    /** kg/s, m3/s or K. */
    private function throughSection(Section $section, string $quantity): ?float
    {
        return match ($quantity) {
            'massFlow' => $this->sections()?->mass($section),
            'volumeFlow' => $this->sections()?->volume($section),
            default => $this->state->model->physics->heat ? $this->sections()?->bulkTemperature($section) : null,
        };
    }

    /** @return callable(array{float, float, float}): ?float what a quantity of the flow is at a place, m/s or Pa */
    private function flowAt(string $quantity): callable
    {
        $probe = $this->state->flow === null ? null : $this->probe ??= new FlowProbe($this->state->flow);

        return function (array $place) use ($probe, $quantity): ?float {
            /** @var array{float, float, float} $place */
            return $probe?->value($quantity, $place);
        };
    }

    /** kg/s or m3/s out of the space, or K of what leaves; null where there is no such opening. */
    private function flowThrough(Target $target, string $quantity): ?float
    {
        foreach ($this->state->flow->fans ?? [] as $fan) {
            if ($fan['part'] === $target->part) {
                return $fan['flow'];
            }
        }
        $name = $target->patch === null ? $target->side : "$target->side patch $target->patch";
        foreach ($this->openings() as $opening) {
            if ($opening['name'] === $name) {
                return match ($quantity) {
                    'massFlow' => $opening['out'] - $opening['in'],
                    'volumeFlow' => $opening['volume'],
                    default => $opening['temperature'],
                };
            }
        }

        return null;
    }

    /** @return list<array{name: string, kind: string, in: float, out: float, volume: float, heat: float, area: float, temperature: ?float}> kg/s, W carried out beyond the surroundings, m2, K of what leaves */
    public function openings(): array
    {
        return $this->openings ??= $this->sumOpenings();
    }

    /** @return list<array{name: string, kind: string, in: float, out: float, volume: float, heat: float, area: float, temperature: ?float}> */
    private function sumOpenings(): array
    {
        $flow = $this->state->flow;
        if ($flow === null) {
            return [];
        }
        $temperature = $this->state->model->physics->heat ? $flow->domain->layout->spread($this->state->temperature, $flow->fluid->temperature) : null;

        return array_map(fn (Opening $o) => ['name' => $o->name, 'kind' => $o->condition->kind, ...$flow->through($o, $temperature)], $flow->domain->openings);
    }
}
