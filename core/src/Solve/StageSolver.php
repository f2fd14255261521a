<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\LinearSolution;
use Foehn\Numerics\LinearSolver;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TrBdf2;
use Foehn\Numerics\Vectors;
use Foehn\Physics\PhysicsException;

/** Solves (M / (h D) + A) x = b, the equations of both stages of a step h, with watts of controls that follow x found along. */
final class StageSolver
{
    private readonly LinearSolver $solver;

    /** @var array<int, float> W/K by padded cell */
    private readonly array $storing;

    /** @var ?array<int, float> 1 in every cell whose temperature is computed */
    private ?array $unit = null;

    /** W/K that leave and are stored where all of these are a kelvin warmer. */
    private ?float $takes = null;

    /** @var array<int, array<int, float>> what a watt of a control adds to x, by its number */
    private array $responses = [];

    /**
     * @param array<int, float> $capacities M, J/K by padded cell
     * @param ?self $near one whose hierarchy serves
     */
    public function __construct(private readonly HeatOperator $operator, private readonly array $capacities, public readonly float $step, ?self $near = null)
    {
        $this->storing = $near === null ? Vectors::scaled(1.0 / ($step * TrBdf2::D), $capacities) : $near->storing;
        $this->solver = $operator->solver($this->storing, $near?->solver);
    }

    /**
     * Whether its hierarchy serves for the same step with other conductances.
     *
     * @param array<int, float> $capacities J/K by padded cell
     */
    public function isNear(HeatOperator $operator, array $capacities, float $step): bool
    {
        return $step === $this->step && $capacities === $this->capacities && $operator->isNear($this->operator);
    }

    /**
     * Whether it solves for a step with the conductances of a balance.
     *
     * @param array<int, float> $capacities J/K by padded cell
     */
    public function serves(HeatOperator $operator, array $capacities, float $step): bool
    {
        return $step === $this->step && $capacities === $this->capacities && ($operator === $this->operator || $operator->isLike($this->operator));
    }

    /**
     * @param array<int, float> $b W by padded cell
     * @param array<int, float> $x K by padded cell, to start from
     * @param list<ControlState> $controls in the stage that is solved
     * @return array{LinearSolution, list<float>} and watts of the controls
     * @throws PhysicsException
     */
    public function solve(array $b, array $x, Accuracy $accuracy, array $controls = []): array
    {
        $watts = [];
        foreach ($controls as $n => $control) {
            $watts[] = $control->isImmediate() ? $control->watts : $control->wattsAt(0.0);
            $b = $control->heat($b, $watts[$n]);
        }
        $solution = $this->solver->solve($b, $x, $accuracy);
        if (! $solution->converged) {
            throw new PhysicsException(sprintf('a step of %g s did not come to an end: the residual stayed at %.1e after %d iterations', $this->step, $solution->residual, $solution->iterations));
        }
        $x = $this->balanced($b, $solution->x);
        $found = $this->consistent($x, $controls, $watts);
        foreach ($found as $n => $value) {
            if ($value !== $watts[$n]) {
                $x = Vectors::plus($x, $value - $watts[$n], $this->response($n, $controls[$n]));
            }
        }

        return [new LinearSolution($x, $solution->iterations, $solution->residual, true, false), $found];
    }

    /**
     * As near to the solution, with no heat left open in all: everything is as much warmer as that takes.
     *
     * @param array<int, float> $b W by padded cell
     * @param array<int, float> $x K by padded cell
     * @return array<int, float>
     */
    private function balanced(array $b, array $x): array
    {
        $this->unit ??= $this->operator->system()->everywhere();
        $this->takes ??= $this->operator->leaving($this->unit) + array_sum($this->storing);

        return Vectors::plus($x, (array_sum($b) - $this->operator->leaving($x) - Vectors::dot($this->storing, $x)) / $this->takes, $this->unit);
    }

    /**
     * Watts that agree with what the sensors see of them, one control after the other until none moves.
     *
     * @param array<int, float> $x with the watts given
     * @param list<ControlState> $controls
     * @param list<float> $watts
     * @return list<float>
     * @throws PhysicsException
     */
    private function consistent(array $x, array $controls, array $watts): array
    {
        $found = $watts;
        $sensed = array_map(fn (ControlState $control): float => $control->sensed($x), $controls);
        for ($round = 0; $round < TimeSettings::MOST_ROUNDS; $round++) {
            $moved = 0.0;
            foreach ($controls as $n => $control) {
                if (! $control->isImmediate()) {
                    continue;
                }
                $others = $sensed[$n];
                foreach ($controls as $m => $other) {
                    if ($m !== $n && $found[$m] !== $watts[$m]) {
                        $others += ($found[$m] - $watts[$m]) * $control->answer($this->response($m, $other));
                    }
                }
                $before = $found[$n];
                $slope = $control->answer($this->response($n, $control));
                $found[$n] = Controls::atRest($control->control, fn (float $w): float => $control->wattsAt($others + $slope * ($w - $watts[$n])));
                $moved = max($moved, abs($found[$n] - $before));
            }
            if ($moved <= TimeSettings::WATTS || count($controls) === 1) {
                break;
            }
        }

        return array_values($found);
    }

    /**
     * @return array<int, float>
     * @throws PhysicsException
     */
    private function response(int $n, ControlState $control): array
    {
        if (! isset($this->responses[$n])) {
            $none = Stencil::zeros($this->operator->system()->stencil->cells);
            $solution = $this->solver->solve($control->heat($none, 1.0), $none, new Accuracy(TimeSettings::RESPONSE_RESIDUAL, mostIterations: TimeSettings::MOST_ITERATIONS));
            $this->responses[$n] = $solution->x;
        }

        return $this->responses[$n];
    }
}
