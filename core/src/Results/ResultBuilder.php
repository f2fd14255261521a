<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\GridReport;
use Foehn\Model\Limit;
use Foehn\Model\Part;
use Foehn\Model\Space;
use Foehn\Model\Watch;
use Foehn\Observe\GridValues;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Shapes\FlatShape;
use Foehn\Solve\Solution;

/** Writes the result document (format foehn-result, version 1) of a solution. SI units, temperatures in kelvin. */
final class ResultBuilder
{
    public const FORMAT = 'foehn-result';

    public const SOLVER = 'foehn-core 1.0.0';

    private State $state;

    private Readings $readings;

    private function __construct(private readonly Solution $solution)
    {
        $this->state = $solution->state;
        $this->readings = new Readings($solution->state);
    }

    /**
     * @param string $modelHash of the document that was computed
     * @return array<string, mixed>
     */
    public static function build(Solution $solution, string $modelHash): array
    {
        $builder = new self($solution);
        $limits = array_map($builder->limit(...), $solution->state->model->limits);
        $watches = array_map($builder->watch(...), $solution->state->model->watches);
        $levels = [...$solution->levels, $solution->onGrid()];
        $uncertain = fn (array $of): array => [...$of, ...$builder->uncertainty($of, $levels)];

        return [
            'format' => self::FORMAT,
            'version' => 1,
            'model' => ['name' => $solution->state->model->name, 'hash' => $modelHash],
            'solver' => ['version' => self::SOLVER, 'converged' => $solution->outcome->converged, 'stopped' => $solution->outcome->stopped, 'iterations' => $solution->outcome->iterations,
                'passes' => $solution->outcome->passes, 'residual' => $solution->outcome->residual, 'seconds' => $solution->spent, 'start' => $solution->start->toArray(), 'code' => CodeVersion::hash(), 'residuals' => $solution->outcome->residuals],
            'grid' => ['grade' => $solution->state->model->grid->grade, ...GridReport::of($solution->state->model, $solution->state->grid), 'lines' => $solution->state->grid->lines],
            'parts' => $builder->parts(),
            'sides' => $builder->sides(),
            'watches' => array_map($uncertain, $watches),
            'limits' => array_map($uncertain, $limits),
            'levels' => array_map(fn (GridValues $level) => [...$level->toArray(), 'values' => (object) $level->values], $levels),
            'verdict' => self::verdict($limits),
            'flow' => $builder->flow(),
            'electric' => $solution->state->currents === null ? null : ['terminals' => $solution->state->currents->terminals, 'power' => $solution->state->currents->power()],
            'balance' => $solution->state->balance()->toArray(),
            'warnings' => $builder->warnings(),
        ];
    }

    /**
     * @param array<string, mixed> $of a limit or a watch
     * @param list<GridValues> $levels
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
        $origin = $isTemperature ? $this->state->model->surroundings->temperature : 0.0;

        return Uncertainty::of($levels, $of['id'], $this->state->flow === null ? null : $origin, $swing);
    }

    /** @return list<array<string, mixed>> */
    private function parts(): array
    {
        $parts = [];
        foreach ($this->state->model->parts as $index => $part) {
            $faces = [];
            foreach ($part->shape->faces() as $face) {
                $sum = $this->readings->surfaces->partFace($index, $face);
                if ($sum !== null) {
                    $faces[$face] = ['heat' => $sum['heat'], 'temperature' => $sum['mean']];
                }
            }
            $parts[] = [
                'id' => $part->id,
                'name' => $part->name,
                'cells' => $this->state->voxels->cellsOfPart[$index],
                'power' => $part->power,
                'current' => $this->state->currents?->parts[$index] ?? null,
                'temperature' => $this->readings->temperatures[$index],
                'nodes' => $this->state->system->packages->state($index, $this->state->temperature),
                'faces' => (object) $faces,
                'routes' => (object) $this->readings->surfaces->routes($index),
            ];
        }

        return $parts;
    }

    /** @return array<string, array{heat: float, temperature: float, area: float}|null> heat out of the model, W */
    private function sides(): array
    {
        $sides = [];
        foreach (Space::SIDES as $index => $name) {
            $sum = $this->readings->surfaces->side($index);
            $sides[$name] = $sum === null ? null : ['heat' => $sum['heat'], 'temperature' => $sum['mean'], 'area' => $sum['area']];
        }

        return $sides;
    }

    /** @return array<string, mixed> */
    private function watch(Watch $watch): array
    {
        return ['id' => $watch->id, 'name' => $watch->name, 'quantity' => $watch->quantity, 'reduce' => $watch->reduce,
            'value' => $this->readings->value($watch->of, $watch->quantity, $watch->reduce)];
    }

    /** @return array<string, mixed> */
    private function limit(Limit $limit): array
    {
        $value = $this->readings->value($limit->of, $limit->quantity, $limit->reduce);
        $margin = $value === null ? null : $limit->margin($value);

        return ['id' => $limit->id, 'name' => $limit->name, 'part' => $limit->of->part, 'node' => $limit->of->node, 'quantity' => $limit->quantity, 'value' => $value, 'atMost' => $limit->atMost,
            'atLeast' => $limit->atLeast, 'derating' => $limit->derating, 'margin' => $margin, 'met' => $margin !== null && $margin >= 0.0];
    }

    /** @return ?array<string, mixed> */
    private function flow(): ?array
    {
        $flow = $this->state->flow;
        if ($flow === null) {
            return null;
        }
        $openings = $this->readings->openings();
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
            'fans' => $flow->fans,
            'fins' => $flow->fins,
            'balance' => ['in' => $in, 'out' => $out, 'error' => abs($in - $out) / max($in, $out, 1e-30)],
        ];
    }

    /** @return list<string> what the user must know before trusting the numbers */
    private function warnings(): array
    {
        $warnings = [];
        foreach ($this->state->model->parts as $index => $part) {
            if ($this->state->voxels->cellsOfPart[$index] === 0 && $part->material !== Part::FLUID && ! $part->shape instanceof FlatShape) {
                $warnings[] = sprintf('part "%s" has no cell: it is thinner than the cells of this grid, or later parts cover it', $part->name);
            }
        }
        $coldest = min(array_filter($this->state->temperature, is_finite(...)) ?: [0.0]);
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
