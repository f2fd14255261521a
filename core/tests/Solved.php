<?php

declare(strict_types=1);

namespace Foehn\Tests;

use Foehn\Model\Model;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;
use LogicException;

/**
 * The result of a model, as its document has it. What a test reads as a number and the result leaves open is NAN, which equals nothing.
 *
 * @phpstan-import-type WatchRow from ResultBuilder
 * @phpstan-import-type LimitRow from ResultBuilder
 * @phpstan-import-type SolverRow from ResultBuilder
 * @phpstan-import-type GridRow from ResultBuilder
 * @phpstan-import-type FlowRow from ResultBuilder
 * @phpstan-import-type ElectricRow from ResultBuilder
 *
 * @phpstan-type PartOf array{id: string, name: string, cells: int, power: float, current: ?array{heat: float, density: float}, temperature: array{min: float, mean: float, max: float},
 *     nodes: ?array{junction: float, case: float, board: float, toCase: float, toBoard: float}, faces: array<string, array{heat: float, temperature: float}>, routes: array<string, float>,
 *     interfaces: array<string, array{area: float, temperature: float, beyond: float}>}
 */
final readonly class Solved
{
    /** @var list<PartOf> */
    public array $parts;

    /** @var array<string, ?array{heat: float, temperature: float, area: float}> */
    public array $sides;

    /** @var list<WatchRow> */
    public array $watches;

    /** @var list<LimitRow> */
    public array $limits;

    /** @var list<array{cells: int, shape: array{int, int, int}, iterations: int, seconds: float, values: array<string, ?float>}> */
    public array $levels;

    /** @var list<string> */
    public array $warnings;

    /** @var SolverRow */
    public array $solver;

    /** @var GridRow */
    public array $grid;

    /** @var array{limits: int, missed: int, undecided: int, worst: ?string, worstMargin: ?float} */
    public array $verdict;

    /** @var array{in: float, out: float, error: float} */
    public array $balance;

    /** @var ?FlowRow */
    private ?array $flow;

    /** @var ?ElectricRow */
    private ?array $electric;

    /** @param array<mixed>|Model|Solution $of a document, a model, or what came out of one */
    public function __construct(array|Model|Solution $of)
    {
        $solution = $of instanceof Solution ? $of : (new SteadySolver($of instanceof Model ? $of : Models::read($of)))->solve();
        $result = ResultBuilder::build($solution, '');
        $parts = [];
        foreach ($result['parts'] as $part) {
            /** @var array<string, array{heat: float, temperature: float}> $faces */
            $faces = (array) $part['faces'];
            /** @var array<string, float> $routes */
            $routes = (array) $part['routes'];
            /** @var array<string, array{area: float, temperature: float, beyond: float}> $interfaces */
            $interfaces = (array) $part['interfaces'];
            $parts[] = [...$part, 'temperature' => $part['temperature'] ?? ['min' => NAN, 'mean' => NAN, 'max' => NAN], 'faces' => $faces, 'routes' => $routes, 'interfaces' => $interfaces];
        }
        $this->parts = $parts;
        $levels = [];
        foreach ($result['levels'] as $level) {
            /** @var array<string, ?float> $values */
            $values = (array) $level['values'];
            $levels[] = [...$level, 'values' => $values];
        }
        $this->levels = $levels;
        $this->sides = $result['sides'];
        $this->watches = $result['watches'];
        $this->limits = $result['limits'];
        $this->warnings = $result['warnings'];
        $this->solver = $result['solver'];
        $this->grid = $result['grid'];
        $this->verdict = $result['verdict'];
        $this->balance = $result['balance'];
        $this->flow = $result['flow'];
        $this->electric = $result['electric'];
    }

    /** @return FlowRow */
    public function flow(): array
    {
        return $this->flow ?? throw new LogicException('The result has no flow.');
    }

    /** @return ElectricRow */
    public function electric(): array
    {
        return $this->electric ?? throw new LogicException('The result has no currents.');
    }

    /** @return array<string, float> values of the watches by their ids */
    public function values(): array
    {
        $values = [];
        foreach ($this->watches as $watch) {
            $values[$watch['id']] = $watch['value'] ?? NAN;
        }

        return $values;
    }

    /** @return array{heat: float, density: float} of a part, W and A/m2 */
    public function current(int $part): array
    {
        return $this->parts[$part]['current'] ?? ['heat' => NAN, 'density' => NAN];
    }

    /** @return array{heat: float, temperature: float, area: float} */
    public function side(string $name): array
    {
        return $this->sides[$name] ?? ['heat' => NAN, 'temperature' => NAN, 'area' => NAN];
    }
}
