<?php

declare(strict_types=1);

namespace Foehn\Physics;

use Foehn\Grid\Grid;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\TiedCells;

/**
 * The discrete balance of one unknown field u over the cells of a grid. For every cell c
 *
 *     sum over neighbours n of g_cn (u_c - u_n) + e_c (u_c - reference) = s_c,
 *
 * with links g between neighbours, links e to given values, and sources s relative to the reference (Patankar, Numerical Heat
 * Transfer and Fluid Flow, 1980, sec. 3.1). Contributions add their terms one after the other. For heat u is in K, g and e in
 * W/K, s in W; for currents V, S and A. Arrays are padded by one x-y plane in front and behind (see Stencil).
 */
final class Equation
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} links to the next cell along each axis */
    public array $coupling;

    /** @var array<int, float> links of each cell to given values */
    public array $toGiven;

    /** @var array<int, float> sources of each cell, relative to the reference */
    public array $source;

    /** Sum of what is given independent of the unknown: powers, fluxes and sources. */
    public float $given = 0.0;

    /** Cells of the padding in front. */
    public readonly int $pad;

    /** @var list<non-empty-array<int, int>> padded cells with one common value each */
    private array $ties = [];

    /** @param float $reference subtracted from the unknown to keep digits */
    public function __construct(public readonly Grid $grid, public readonly float $reference = 0.0)
    {
        $this->pad = $grid->cells[0] * $grid->cells[1];
        $this->coupling = [$zeros = Stencil::zeros($grid->cells), $zeros, $zeros];
        $this->toGiven = $this->source = $zeros;
    }

    /** Adds what is given to a cell, whatever the value of the unknown there. */
    public function give(int $cell, float $amount): void
    {
        $this->source[$this->pad + $cell] += $amount;
        $this->given += $amount;
    }

    /** @param non-empty-array<int, int> $cells that have one common value */
    public function tie(array $cells): void
    {
        $this->ties[] = array_map(fn (int $cell): int => $this->pad + $cell, $cells);
    }

    /** @return list<non-empty-array<int, int>> padded cells with one common value each */
    public function ties(): array
    {
        return $this->ties;
    }

    public function stencil(): Stencil
    {
        return new Stencil($this->grid->cells, $this->coupling, $this->toGiven);
    }

    /** @return array<int, float> the sources, padded; tied cells share theirs evenly */
    public function rightHandSide(): array
    {
        return TiedCells::project($this->source, $this->ties);
    }
}
