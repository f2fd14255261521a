<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Target;
use Foehn\Model\Watch;
use Foehn\Physics\Flow\Opening;

/** What limits and watches see of a state. */
final class Readings
{
    public readonly SurfaceSums $surfaces;

    /** @var list<array{min: float, mean: float, max: float}|null> of each part, K */
    public readonly array $temperatures;

    /** @var array<string, int> */
    private array $indexOf;

    private ?FaceTemperatures $faceTemperatures = null;

    private ?FlowProbe $probe = null;

    /** @var ?list<array{name: string, kind: string, in: float, out: float, volume: float, heat: float, area: float, temperature: ?float}> */
    private ?array $openings = null;

    public function __construct(private readonly State $state)
    {
        $this->surfaces = new SurfaceSums($state);
        $this->temperatures = PartTemperatures::of($state->voxels, $state->temperature);
        $this->indexOf = array_flip(array_map(fn ($part) => $part->id, $state->model->parts));
    }

    /** @return array<string, ?float> the value of every limit and watch by id, SI units */
    public function all(): array
    {
        $values = [];
        foreach ([...$this->state->model->limits, ...$this->state->model->watches] as $asked) {
            $values[$asked->id] = $this->value($asked->of, $asked->quantity, $asked->reduce);
        }

        return $values;
    }

    /** In SI units, of a quantity of Watch::QUANTITIES; null where the target has no cells. */
    public function value(Target $target, string $quantity, string $reduce): ?float
    {
        if (in_array($quantity, Watch::AT_POINTS, true)) {
            return $this->alongLine($target, $reduce, $this->flowAt($quantity));
        }
        if (in_array($quantity, Watch::THROUGH, true)) {
            return $this->flowThrough($target, $quantity);
        }
        if (! $this->state->model->physics->heat) {
            return null;
        }
        if ($target->point !== null) {
            $faces = $this->faceTemperatures ??= new FaceTemperatures($this->state);

            return $this->alongLine($target, $reduce, fn (array $place): ?float => Probe::at($this->state->grid, $place, $this->state->cellTemperature(...), $faces->at(...)));
        }
        $part = $target->part === null ? -1 : $this->indexOf[$target->part];
        if ($target->side !== null || $target->face !== null) {
            $sum = $this->surfaces->target($target, $part);

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

        return $this->temperatures[$part][$reduce] ?? null;
    }

    /**
     * The value at a point, or reduced over the places of a line that have one.
     *
     * @param callable(array{float, float, float}): ?float $at
     */
    private function alongLine(Target $target, string $reduce, callable $at): ?float
    {
        $values = array_filter(array_map($at, $target->places()), fn (?float $value) => $value !== null);

        return $values === [] ? null : match ($reduce) {
            'min' => min($values),
            'max' => max($values),
            default => array_sum($values) / count($values),
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
