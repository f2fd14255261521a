<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\GridReport;
use Foehn\Model\Limit;
use Foehn\Model\Part;
use Foehn\Model\Space;
use Foehn\Model\Watch;
use Foehn\Numerics\Vectors;
use Foehn\Observe\Fields;
use Foehn\Observe\FinBypass;
use Foehn\Observe\GridValues;
use Foehn\Observe\LimitPlaces;
use Foehn\Observe\Masses;
use Foehn\Observe\Radiated;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Shapes\FlatShape;
use Foehn\Solve\Solution;
use Foehn\Solve\TimeSettings;

/**
 * Writes the result document (format foehn-result, version 1) of a solution. SI units, temperatures in kelvin.
 *
 * @phpstan-import-type Report from GridReport
 * @phpstan-import-type BoardRow from BoardRows
 * @phpstan-import-type OverTime from CourseRows
 * @phpstan-type WatchRow array{id: string, name: string, part: ?string, quantity: string, reduce: string, unit: string, profile: ?array{positions: list<float>, values: list<?float>}, value: ?float, plusMinus: ?float, order: ?float, unknown: ?string, overTime: ?OverTime}
 * @phpstan-type LimitRow array{id: string, name: string, part: ?string, node: ?string, quantity: string, value: ?float, atMost: ?float, atLeast: ?float, derating: float, timeBeyond: float, margin: ?float, verdict: 'met'|'missed'|'undecided', place: ?list<float>, plusMinus: ?float, order: ?float, unknown: ?string, overTime: ?OverTime}
 * @phpstan-type PartRow array{id: string, name: string, cells: int, power: float, mass: ?float, current: ?array{heat: float, density: float}, temperature: ?array{min: float, mean: float, max: float}, peak: ?array{max: float, at: float},
 *     nodes: ?array{junction: float, case: float, board: float, toCase: float, toBoard: float}, faces: object, routes: object, interfaces: object}
 * @phpstan-type SolverRow array{version: string, converged: bool, stopped: bool, iterations: int, passes: int, residual: float, seconds: float, start: array{from: string, model: ?string, frozen: bool}, code: string, residuals: array<int, float>}
 * @phpstan-type GridRow array{grade: string, cells: int, asked: int, shortfall: ?string, steps: list<array{part: string, excess: float}>, shape: array{int, int, int}, smallest: float, largest: float, aspect: float,
 *     features: list<array{part: string, feature: string, width: float, cells: int}>, lines: array{array<int, float>, array<int, float>, array<int, float>}}
 * @phpstan-type OpeningRow array{name: string, kind: string, in: float, out: float, volume: float, heat: float, area: float, temperature: ?float}
 * @phpstan-type FlowRow array{fluid: array<string, float>, regime: array<string, mixed>, largestVelocity: float, openings: list<OpeningRow>,
 *     fans: list<array{part: string, name: string, flow: float, rise: float, speed: float, curve: list<array{float, float}>}>,
 *     fins: list<array{part: string, name: string, fins: int, gap: float, drawn: int, cells: int, resolved: bool, drawing: list<array<string, mixed>>}>,
 *     sinks: list<array{part: string, name: string, axis: int, through: float, beside: float, before: ?float}>, balance: array{in: float, out: float, error: float}}
 * @phpstan-type ElectricRow array{terminals: list<array{part: string, name: string, face: string, kind: string, current: float, voltage: float, joint?: string}>, power: float, boards: list<BoardRow>}
 * @phpstan-type LevelRow array{cells: int, shape: array{int, int, int}, iterations: int, seconds: float, values: object}
 * @phpstan-type Result array{format: string, version: int, model: array{name: string, hash: string}, solver: SolverRow, fields: list<string>, grid: GridRow, parts: list<PartRow>,
 *     sides: array<string, ?array{heat: float, radiated: float, byWalls: float, temperature: float, area: float}>, watches: list<WatchRow>, limits: list<LimitRow>, levels: list<LevelRow>,
 *     verdict: array{limits: int, missed: int, undecided: int, worst: ?string, worstMargin: ?float}, mass: array{total: float, without: list<string>}, flow: ?FlowRow, radiation: ?array{out: float, towards: float, sun: float, exchange: list<array{from: string, to: string, heat: float}>}, electric: ?ElectricRow, time: ?array<string, mixed>, balance: array{in: float, out: float, error: float}, warnings: list<string>}
 */
final class ResultBuilder
{
    public const FORMAT = 'foehn-result';

    public const SOLVER = 'foehn-core 1.0.0';

    private State $state;

    private Readings $readings;

    private LimitPlaces $places;

    private BesideGrid $beside;

    private ?CourseRows $course;

    /** @var Report */
    private array $grid;

    /** @var list<?float> kg by part */
    private array $masses;

    private function __construct(private readonly Solution $solution)
    {
        $this->state = $solution->state;
        $this->readings = new Readings($solution->state);
        $this->places = new LimitPlaces($solution->state, $this->readings);
        $this->beside = BesideGrid::of($solution);
        $this->course = $solution->course === null ? null : new CourseRows($solution->course, $solution->state->model);
        $this->grid = GridReport::of($solution->state->model, $solution->state->grid);
        $this->masses = Masses::of($solution->state);
    }

    /**
     * @param string $modelHash of the document that was computed
     * @return Result
     */
    public static function build(Solution $solution, string $modelHash): array
    {
        $builder = new self($solution);
        $levels = [...$solution->levels, $solution->onGrid()];
        $limits = array_map(fn (Limit $limit) => $builder->limit($limit, $levels), $solution->state->model->limits);

        return [
            'format' => self::FORMAT,
            'version' => 1,
            'model' => ['name' => $solution->state->model->name, 'hash' => $modelHash],
            'solver' => ['version' => self::SOLVER, 'converged' => $solution->outcome->converged, 'stopped' => $solution->outcome->stopped, 'iterations' => $solution->outcome->iterations,
                'passes' => $solution->outcome->passes, 'residual' => $solution->outcome->residual, 'seconds' => $solution->spent, 'start' => $solution->start->toArray(), 'code' => CodeVersion::hash(), 'residuals' => $solution->outcome->residuals],
            'fields' => [...Fields::namesOf($solution->state), ...FieldFile::atSurfaces($solution->state)],
            'grid' => ['grade' => $solution->state->model->grid->grade, ...$builder->grid, 'lines' => $solution->state->grid->lines],
            'parts' => $builder->parts(),
            'sides' => $builder->sides(),
            'watches' => array_map(fn (Watch $watch) => $builder->watch($watch, $levels), $solution->state->model->watches),
            'limits' => $limits,
            'levels' => array_map(fn (GridValues $level) => ['cells' => $level->cells, 'shape' => $level->shape, 'iterations' => $level->iterations, 'seconds' => $level->seconds, 'values' => (object) $level->values], $levels),
            'verdict' => self::verdict($limits),
            'mass' => $builder->mass(),
            'flow' => $builder->flow(),
            'radiation' => Radiated::of($solution->state),
            'electric' => $builder->electric(),
            'time' => $builder->course?->row(),
            'balance' => $builder->balance(),
            'warnings' => $builder->warnings(),
        ];
    }

    /**
     * @param list<GridValues> $levels
     * @return array{plusMinus: ?float, order: ?float, unknown: ?string}
     */
    private function uncertainty(Watch|Limit $of, array $levels): array
    {
        if ($this->course !== null) {
            return Uncertainty::unknown('the course in time was computed on one grid');
        }
        $swing = $this->solution->amplitude() ?? 0.0;
        if ($swing > 0.0 && Watch::unit($of->quantity) !== 'K') {
            return Uncertainty::unknown('the flow never became steady, and by how much this swings with it is not recorded');
        }
        $value = $levels[count($levels) - 1]->values[$of->id] ?? 0.0;

        return Uncertainty::of($levels, $of->id, $this->state->flow !== null, $this->beside->reading($of->quantity, $of->reduce, $value), $swing);
    }

    /** @return array{total: float, without: list<string>} kg of the parts whose density is known, and the names of the others */
    private function mass(): array
    {
        $unknown = array_filter($this->state->model->parts, fn (int $part): bool => $this->masses[$part] === null, ARRAY_FILTER_USE_KEY);

        return ['total' => (float) array_sum($this->masses), 'without' => array_column($unknown, 'name')];
    }

    /** @return list<PartRow> */
    private function parts(): array
    {
        $parts = [];
        foreach ($this->state->model->parts as $index => $part) {
            $faces = [];
            foreach ($part->shape->faces() as $face) {
                $sum = $this->readings->surfaces()->partFace($index, $face);
                if ($sum !== null) {
                    $faces[$face] = ['heat' => $sum['heat'], 'temperature' => $sum['mean']];
                }
            }
            $parts[] = [
                'id' => $part->id,
                'name' => $part->name,
                'cells' => $this->state->voxels->cellsOfPart[$index],
                'power' => $part->power + ($this->state->system->losses[$index] ?? 0.0) + ($this->solution->course?->wattsNow($index) ?? 0.0),
                'mass' => $this->masses[$index],
                'current' => $this->state->currentIn($index),
                'temperature' => $this->readings->temperatures[$index],
                'peak' => $this->solution->course->peaks[$index] ?? null,
                'nodes' => $this->state->system->packages->state($index, $this->state->temperature),
                'faces' => (object) $faces,
                'routes' => (object) $this->readings->surfaces()->routes($index),
                'interfaces' => (object) $this->readings->surfaces()->interfaces($index),
            ];
        }

        return $parts;
    }

    /** @return array<string, array{heat: float, radiated: float, byWalls: float, temperature: float, area: float}|null> heat out of the model, what of it is radiated, and of that by walls of the space, W */
    private function sides(): array
    {
        $sides = [];
        foreach (Space::SIDES as $index => $name) {
            $sum = $this->readings->surfaces()->side($index);
            $sides[$name] = $sum === null ? null : ['heat' => $sum['heat'], 'radiated' => $this->readings->surfaces()->radiated($index), 'byWalls' => $this->readings->surfaces()->radiatedByWalls($index), 'temperature' => $sum['mean'], 'area' => $sum['area']];
        }

        return $sides;
    }

    /**
     * @param list<GridValues> $levels
     * @return WatchRow
     */
    private function watch(Watch $watch, array $levels): array
    {
        return ['id' => $watch->id, 'name' => $watch->name, 'part' => $watch->of->part, 'quantity' => $watch->quantity, 'reduce' => $watch->reduce, 'unit' => Watch::unit($watch->quantity, $watch->reduce),
            'profile' => $watch->of->isLine() ? $this->readings->profile($watch) : null,
            'value' => $this->readings->of($watch), 'overTime' => $this->course?->overTime($watch), ...$this->uncertainty($watch, $levels)];
    }

    /**
     * @param list<GridValues> $levels
     * @return LimitRow
     */
    private function limit(Limit $limit, array $levels): array
    {
        $overTime = $this->course?->overTime($limit);
        // Over time the worst moment counts, or what is passed for longer than it may be.
        $value = $overTime === null ? $this->readings->of($limit) : $overTime['held'] ?? ($limit->atMost === null ? $overTime['min'] : $overTime['max']);
        $margin = $value === null ? null : $limit->margin($value);
        $uncertainty = $this->uncertainty($limit, $levels);
        // A margin within its own uncertainty says neither; one whose uncertainty is unknown says what it says.
        $isOpen = $margin !== null && $uncertainty['plusMinus'] !== null && abs($margin) < $uncertainty['plusMinus'];

        return ['id' => $limit->id, 'name' => $limit->name, 'part' => $limit->of->part, 'node' => $limit->of->node, 'quantity' => $limit->quantity, 'value' => $value, 'atMost' => $limit->atMost,
            'atLeast' => $limit->atLeast, 'derating' => $limit->derating, 'timeBeyond' => $limit->timeBeyond, 'margin' => $margin, 'verdict' => $isOpen ? 'undecided' : ($margin !== null && $margin >= 0.0 ? 'met' : 'missed'), 'overTime' => $overTime,
            // Over time the worst moment is another one than the state that is kept.
            'place' => $overTime === null ? $this->places->of($limit) : null, ...$uncertainty];
    }

    /** @return array{in: float, out: float, error: float} W; of a course in time at its end, with the share of the heat that is missing over all of it */
    private function balance(): array
    {
        $balance = $this->state->balance()->toArray();
        $course = $this->solution->course;

        return $course === null ? $balance : ['in' => $balance['in'] + array_sum(array_map($course->wattsNow(...), array_keys($course->controls))), 'out' => $balance['out'], 'error' => $course->error()];
    }

    /** @return ?ElectricRow */
    private function electric(): ?array
    {
        [$currents, $boards] = [$this->state->currents, BoardRows::of($this->state->boards, $this->state->model)];

        return $currents === null && $boards === [] ? null : ['terminals' => $currents->terminals ?? [], 'power' => ($currents->power ?? 0.0) + array_sum(array_column($boards, 'power')), 'boards' => $boards];
    }

    /** @return ?FlowRow */
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
            $largest = max($largest, Vectors::largest($component));
        }

        return [
            'fluid' => ['density' => $flow->fluid->density, 'viscosity' => $flow->fluid->viscosity, 'conductivity' => $flow->fluid->conductivity, 'specificHeat' => $flow->fluid->specificHeat],
            'regime' => $this->solution->regime,
            'largestVelocity' => $largest,
            'openings' => $openings,
            'fans' => $flow->fans,
            'fins' => $flow->fins,
            'sinks' => FinBypass::of($this->state),
            'balance' => ['in' => $in, 'out' => $out, 'error' => abs($in - $out) / max($in, $out, 1e-30)],
        ];
    }

    /** @return list<string> what the user must know before trusting the numbers */
    private function warnings(): array
    {
        $warnings = $this->grid['shortfall'] === null ? [] : [$this->grid['shortfall']];
        foreach ($this->state->model->parts as $index => $part) {
            if ($this->state->voxels->cellsOfPart[$index] === 0 && $part->material !== Part::FLUID && ! $part->shape instanceof FlatShape) {
                $warnings[] = sprintf('part "%s" has no cell: it is thinner than the cells of this grid, or later parts cover it', $part->name);
            }
        }
        array_push($warnings, ...$this->beyondTables());
        array_push($warnings, ...($this->solution->course->notes ?? []));
        foreach ($this->solution->course->chattering ?? [] as $name) {
            $warnings[] = sprintf('the thermostat of "%s" chatters: it switches again within %g ms; widen its hysteresis, or give least times on and off', $name, 1e3 * TimeSettings::CHATTERING);
        }
        foreach ($this->state->enclosure?->dark() ?? [] as $elements) {
            $names = array_unique(array_map(fn (int $e): string => $this->state->model->parts[$this->state->system->surfaces->elements->part[$e]]->name ?? 'the walls', $elements));
            $warnings[] = sprintf('in the cavity of %s nothing emits, so that no heat is radiated in it; give a surface there a finish', implode(', ', array_slice($names, 0, 4)));
        }
        $most = $this->state->model->convergence->iterations;
        if (! $this->solution->outcome->converged && $most !== null && $this->solution->outcome->iterations >= $most) {
            $warnings[] = sprintf('ended after %d iterations, the most that were asked for, before it was converged', $this->solution->outcome->iterations);
        }
        $coldest = min(array_filter($this->state->temperature, is_finite(...)) ?: [0.0]);
        if ($coldest < 0.0) {
            $warnings[] = sprintf('the coldest place is at %.0f degC, below absolute zero: more heat is taken out than can come in; look for negative watts and fluxes', $coldest - 273.15);
        }

        return $warnings;
    }

    /**
     * @param list<LimitRow> $limits
     * @return array{limits: int, missed: int, undecided: int, worst: ?string, worstMargin: ?float}
     */
    private static function verdict(array $limits): array
    {
        // Kelvin and litres per second have no order among them: the worst margin is one of temperature.
        $known = array_values(array_filter($limits, fn (array $l) => $l['margin'] !== null && $l['quantity'] === 'temperature'));
        usort($known, fn (array $a, array $b) => $a['margin'] <=> $b['margin']);
        $counts = array_count_values(array_column($limits, 'verdict'));

        return [
            'limits' => count($limits),
            'missed' => $counts['missed'] ?? 0,
            'undecided' => $counts['undecided'] ?? 0,
            'worst' => $known[0]['id'] ?? null,
            'worstMargin' => $known[0]['margin'] ?? null,
        ];
    }

    /** @return list<string> parts whose temperature lies beyond what their losses are stated for */
    private function beyondTables(): array
    {
        $warnings = [];
        foreach ($this->state->model->parts as $index => $part) {
            $node = $this->state->system->packages->state($index, $this->state->temperature);
            $temperature = $node['junction'] ?? $this->readings->temperatures[$index]['mean'] ?? null;
            if ($part->losses === null || $part->losses->current !== null || $temperature === null) {
                continue;
            }
            $points = $part->losses->law->points;
            [$first, $last] = [$points[0][0], $points[count($points) - 1][0]];
            if ($temperature < $first || $temperature > $last) {
                $warnings[] = sprintf(
                    'the losses of "%s" are stated %s %.1f degC, it is at %.1f degC: the %s value is taken', $part->name,
                    $temperature > $last ? 'up to' : 'from', ($temperature > $last ? $last : $first) - 273.15, $temperature - 273.15, $temperature > $last ? 'last' : 'first',
                );
            }
        }

        return $warnings;
    }
}
