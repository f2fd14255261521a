<?php

declare(strict_types=1);

namespace Foehn\Solve;

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

    public function solver(array $storing, ?LinearSolver $near = null): LinearSolver
    {
        $stencil = $this->system->stencil;
        $stencil = new Stencil($stencil->cells, $stencil->coupling, Vectors::plus($stencil->extra, 1.0, $storing));

        return $near instanceof StencilSolver ? $near->keepFor($stencil) : new StencilSolver($stencil, $this->system->ties);
    }

    public function isNear(HeatOperator $other): bool
    {
        return $other instanceof self;
    }

    public function isLike(HeatOperator $other): bool
    {
        return $other instanceof self && $this->system->stencil->equals($other->system->stencil);
    }
}
