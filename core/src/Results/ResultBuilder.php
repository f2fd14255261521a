<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\GridReport;
use Foehn\Model\Limit;
use Foehn\Model\Part;
use Foehn\Model\Space;
use Foehn\Model\Target;
use Foehn\Model\Watch;
use Foehn\Physics\Flow\Opening;
use Foehn\Shapes\FlatShape;
use Foehn\Solve\Level;
use Foehn\Solve\Solution;

/** Writes the result document (format foehn-result, version 1) of a solution. SI units, temperatures in kelvin. */
final class ResultBuilder
{
    public const FORMAT = 'foehn-result';

    public const SOLVER = 'foehn-core 1.0.0';

    private SurfaceSums $surfaces;

    /** @var list<array{min: float, mean: float, max: float}|null> */
    private array $temperatures;

    /** @var array<string, int> */
    private array $indexOf;

    private ?FaceTemperatures $faceTemperatures = null;

    /** @var ?list<array{name: string, kind: string, in: float, out: float, volume: float, heat: float, area: float, temperature: ?float}> */
    private ?array $openings = null;

    private function __construct(private readonly Solution $solution)
    {
        $this->surfaces = new SurfaceSums($solution);
        $this->temperatures = PartTemperatures::of($solution->grid, $solution->voxels, $solution->temperature);
        $this->indexOf = array_flip(array_map(fn ($part) => $part->id, $solution->model->parts));
    }

    /**
     * @param string $modelHash of the document that was computed
     * @return array<string, mixed>
     */
    public static function build(Solution $solution, string $modelHash): array
    {
        $builder = new self($solution);
        $limits = array_map($builder->limit(...), $solution->model->limits);
        $watches = array_map($builder->watch(...), $solution->model->watches);
        $levels = [...$solution->levels, self::asLevel($solution, [...$limits, ...$watches])];
        $uncertain = fn (array $of): array => [...$of, ...$builder->uncertainty($of, $levels)];

        return [
            'format' => self::FORMAT,
            'version' => 1,
            'model' => ['name' => $solution->model->name, 'hash' => $modelHash],
            'solver' => ['version' => self::SOLVER, 'converged' => $solution->converged, 'stopped' => $solution->stopped, 'iterations' => $solution->iterations,
                'passes' => $solution->passes, 'residual' => $solution->residual, 'seconds' => $solution->spent, 'start' => $solution->start->toArray(), 'code' => CodeVersion::hash(), 'residuals' => $solution->residuals],
            'grid' => ['grade' => $solution->model->grid->grade, ...GridReport::of($solution->model, $solution->grid), 'lines' => $solution->grid->lines],
            'parts' => $builder->parts(),
            'sides' => $builder->sides(),
            'watches' => array_map($uncertain, $watches),
            'limits' => array_map($uncertain, $limits),
            'levels' => array_map(fn (Level $level) => [...$level->toArray(), 'values' => (object) $level->values], $levels),
            'verdict' => self::verdict($limits),
            'flow' => $builder->flow(),
            'electric' => $solution->currents === null ? null : ['terminals' => $solution->currents->terminals, 'power' => $solution->currents->power()],
            'balance' => $solution->balance()->toArray(),
            'warnings' => $builder->warnings(),
        ];
    }

    /**
     * @param array<string, mixed> $of a limit or a watch
     * @param list<Level> $levels
     * @return array{plusMinus: ?float, order: ?float}
     */
    private function uncertainty(array $of, array $levels): array
    {
        $isTemperature = in_array($of['quantity'], ['temperature', 'outflowTemperature'], true);
        $swing = $this->solution->regime['amplitude'] ?? 0.0;
        if ($swing > 0.0 && ! $isTemperature) {
            // How far the others swing is not recorded.
            return Uncertainty::UNKNOWN;
        }
        $origin = $isTemperature ? $this->solution->model->surroundings->temperature : 0.0;

        return Uncertainty::of($levels, $of['id'], $this->solution->flow === null ? null : $origin, $swing);
    }

    /** What limits and watches see on the grid of this solution. */
    public static function level(Solution $solution): Level
    {
        $builder = new self($solution);

        return self::asLevel($solution, [...array_map($builder->limit(...), $solution->model->limits), ...array_map($builder->watch(...), $solution->model->watches)]);
    }

    /** @param list<array<string, mixed>> $values */
    private static function asLevel(Solution $solution, array $values): Level
    {
        return new Level($solution->grid->count(), $solution->grid->cells, $solution->iterations, $solution->seconds, array_column($values, 'value', 'id'));
    }

    /** @return list<array<string, mixed>> */
    private function parts(): array
    {
        $parts = [];
        foreach ($this->solution->model->parts as $index => $part) {
            $faces = [];
            foreach ($part->shape->faces() as $face) {
                $sum = $this->surfaces->partFace($index, $face);
                if ($sum !== null) {
                    $faces[$face] = ['heat' => $sum['heat'], 'temperature' => $sum['mean']];
                }
            }
            $parts[] = [
                'id' => $part->id,
                'name' => $part->name,
                'cells' => $this->solution->voxels->cellsOfPart[$index],
                'power' => $part->power,
                'current' => $this->solution->currents?->parts[$index] ?? null,
                'temperature' => $this->temperatures[$index],
                'nodes' => $this->solution->system->packages->state($index, $this->solution->temperature),
                'faces' => (object) $faces,
                'routes' => (object) $this->surfaces->routes($index),
            ];
        }

        return $parts;
    }

    /** @return array<string, array{heat: float, temperature: float, area: float}|null> heat out of the model, W */
    private function sides(): array
    {
        $sides = [];
        foreach (Space::SIDES as $index => $name) {
            $sum = $this->surfaces->side($index);
            $sides[$name] = $sum === null ? null : ['heat' => $sum['heat'], 'temperature' => $sum['mean'], 'area' => $sum['area']];
        }

        return $sides;
    }

    /** @return array<string, mixed> */
    private function watch(Watch $watch): array
    {
        return ['id' => $watch->id, 'name' => $watch->name, 'quantity' => $watch->quantity, 'reduce' => $watch->reduce,
            'value' => $this->value($watch->of, $watch->quantity, $watch->reduce)];
    }

    /** @return array<string, mixed> */
    private function limit(Limit $limit): array
    {
        $value = $this->value($limit->of, $limit->quantity, $limit->reduce);
        $margin = $value === null ? null : $limit->margin($value);

        return ['id' => $limit->id, 'name' => $limit->name, 'part' => $limit->of->part, 'node' => $limit->of->node, 'quantity' => $limit->quantity, 'value' => $value, 'atMost' => $limit->atMost,
            'atLeast' => $limit->atLeast, 'derating' => $limit->derating, 'margin' => $margin, 'met' => $margin !== null && $margin >= 0.0];
    }

    /** Kelvin, W or W/m2; null where the target has no cells. */
    private function value(Target $target, string $quantity, string $reduce): ?float
    {
        if (in_array($quantity, Watch::AT_POINTS, true)) {
            return $this->alongLine($target, $reduce, fn (array $place): ?float => $this->flowAt($place, $quantity));
        }
        if (in_array($quantity, Watch::THROUGH, true)) {
            return $this->flowThrough($target, $quantity);
        }
        if (! $this->solution->model->physics->heat) {
            return null;
        }
        if ($target->point !== null) {
            $this->faceTemperatures ??= new FaceTemperatures($this->solution);

            $faces = $this->faceTemperatures;

            return $this->alongLine($target, $reduce, fn (array $place): ?float => Probe::at($this->solution->grid, $place, $this->solution->cellTemperature(...), $faces->at(...)));
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
        $state = $this->solution->system->packages->state($part, $this->solution->temperature);
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

    /** @param array{float, float, float} $point */
    private function flowAt(array $point, string $quantity): ?float
    {
        if ($this->solution->flow === null) {
            return null;
        }

        return (new FlowProbe($this->solution->flow))->value($quantity, $point);
    }

    /** kg/s or m3/s out of the space, or K of what leaves; null where there is no such opening. */
    private function flowThrough(Target $target, string $quantity): ?float
    {
        foreach ($this->solution->fans as $fan) {
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
    private function openings(): array
    {
        return $this->openings ??= $this->sumOpenings();
    }

    /** @return list<array{name: string, kind: string, in: float, out: float, volume: float, heat: float, area: float, temperature: ?float}> */
    private function sumOpenings(): array
    {
        $flow = $this->solution->flow;
        if ($flow === null) {
            return [];
        }
        $temperature = $this->solution->model->physics->heat ? $flow->domain->layout->spread($this->solution->temperature, $flow->fluid->temperature) : null;

        return array_map(fn (Opening $o) => ['name' => $o->name, 'kind' => $o->condition->kind, ...$flow->through($o, $temperature)], $flow->domain->openings);
    }

    /** @return ?array<string, mixed> */
    private function flow(): ?array
    {
        $flow = $this->solution->flow;
        if ($flow === null) {
            return null;
        }
        $openings = $this->openings();
        $in = array_sum(array_column($openings, 'in'));
        $out = array_sum(array_column($openings, 'out'));
        $largest = 0.0;
        foreach ($flow->velocity as $component) {
            $largest = max($largest, max($component), -min($component));
        }

        return [
            'fluid' => ['density' => $flow->fluid->density, 'viscosity' => $flow->fluid->viscosity, 'conductivity' => $flow->fluid->conductivity, 'specificHeat' => $flow->fluid->specificHeat],
            'regime' => $this->solution->regime,
            'largestVelocity' => $largest,
            'openings' => $openings,
            'fans' => $this->solution->fans,
            'fins' => $this->solution->fins,
            'balance' => ['in' => $in, 'out' => $out, 'error' => abs($in - $out) / max($in, $out, 1e-30)],
        ];
    }

    /** @return list<string> what the user must know before trusting the numbers */
    private function warnings(): array
    {
        $warnings = [];
        foreach ($this->solution->model->parts as $index => $part) {
            if ($this->solution->voxels->cellsOfPart[$index] === 0 && $part->material !== Part::FLUID && ! $part->shape instanceof FlatShape) {
                $warnings[] = sprintf('part "%s" has no cell: it is thinner than the cells of this grid, or later parts cover it', $part->name);
            }
        }
        $coldest = min(array_filter($this->solution->temperature, is_finite(...)) ?: [0.0]);
        if ($coldest < 0.0) {
            $warnings[] = sprintf('the coldest place is at %.0f degC, below absolute zero: more heat is taken out than can come in; look for negative watts and fluxes', $coldest - 273.15);
        }

        return $warnings;
    }

    /**
     * @param list<array<string, mixed>> $limits
     * @return array{limits: int, missed: int, worst: ?string, worstMargin: ?float}
     */
    private static function verdict(array $limits): array
    {
        // Kelvin and litres per second have no order among them: the worst margin is one of temperature.
        $known = array_values(array_filter($limits, fn (array $l) => $l['margin'] !== null && $l['quantity'] === 'temperature'));
        usort($known, fn (array $a, array $b) => $a['margin'] <=> $b['margin']);

        return [
            'limits' => count($limits),
            'missed' => count(array_filter($limits, fn (array $l) => ! $l['met'])),
            'worst' => $known[0]['id'] ?? null,
            'worstMargin' => $known[0]['margin'] ?? null,
        ];
    }
}
