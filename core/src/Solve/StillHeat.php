<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\LinearSolution;
use Foehn\Numerics\LinearSolver;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Numerics\TiedCells;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Heat\HeatSystem;

/** The balance of heat where nothing flows. */
final readonly class StillHeat implements HeatOperator
{
    public function __construct(private HeatSystem $system)
    {
    }

    public function system(): HeatSystem
    {
        return $this->system;
    }

    public function source(): array
    {
        return $this->system->source;
    }

    public function times(array $x): array
    {
        return TiedCells::project($this->system->stencil->times($x), $this->system->ties);
    }

    public function leaving(array $x): float
    {
        // What passes between cells cancels.
        return Vectors::dot($this->system->stencil->extra, $x);
    }

    public function solver(array $storing): LinearSolver
    {
        $stencil = $this->system->stencil;
        $ties = $this->system->ties;

        return new class (new StencilSolver(new Stencil($stencil->cells, $stencil->coupling, Vectors::plus($stencil->extra, 1.0, $storing)), $ties), $ties) implements LinearSolver {
            /** @param list<non-empty-array<int, int>> $ties */
            public function __construct(private readonly StencilSolver $solver, private readonly array $ties)
            {
            }

            public function solve(array $b, array $x, Accuracy $accuracy, ?callable $progress = null): LinearSolution
            {
                return $this->solver->solve(TiedCells::project($b, $this->ties), $x, $accuracy, $progress);
            }

            public function transposed(): LinearSolver
            {
                return $this;
            }
        };
    }

    public function residual(): float
    {
        return TimeSettings::RESIDUAL;
    }

    public function isLike(HeatOperator $other): bool
    {
        return $other instanceof self && $this->system->stencil->equals($other->system->stencil);
    }
}
