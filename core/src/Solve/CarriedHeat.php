<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConvectiveSolver;
use Foehn\Numerics\LinearSolution;
use Foehn\Numerics\LinearSolver;
use Foehn\Physics\Flow\EnergyTransport;

/** Solves the linearised equations of heat on a flow for padded arrays over the cells, as a StencilSolver does where nothing flows. */
final readonly class CarriedHeat implements LinearSolver
{
    public function __construct(public EnergyTransport $energy, private ConvectiveSolver $solver)
    {
    }

    public function solve(array $b, array $x, Accuracy $accuracy, ?callable $progress = null): LinearSolution
    {
        $solution = $this->solver->solve($this->energy->pack($b), $this->energy->pick($x), $accuracy);

        return new LinearSolution($this->energy->unpack($solution->x), $solution->iterations, $solution->residual, $solution->converged, $solution->stopped);
    }

    public function transposed(): self
    {
        return new self($this->energy, $this->solver->transposed());
    }
}
