<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Grid;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Equation;

/** The assembled balance of heat: (stencil)(T - reference) = source, with what is needed to read results off the solution. */
final readonly class HeatSystem
{
    private Grid $grid;

    public Stencil $stencil;

    /** @var array<int, float> W per cell, padded, relative to the reference temperature */
    public array $source;

    /** @var list<non-empty-array<int, int>> padded cells with one temperature each */
    public array $ties;

    /** K, subtracted from all temperatures to keep digits. */
    public float $reference;

    /** Heat given: powers, sources and fluxes, W. */
    public float $watts;

    /**
     * @param list<bool> $live whether the temperature of each cell is computed
     * @param array<int, float> $losses W of parts by their index, beside the power that is given
     * @param list<BoardConduction> $boards what boards conduct beside their layer stacks
     */
    public function __construct(Equation $equation, public array $live, public SurfaceNodes $surfaces, public Packages $packages, public array $losses = [], public array $boards = [])
    {
        $this->grid = $equation->grid;
        $this->stencil = $equation->stencil();
        $this->source = $equation->rightHandSide();
        $this->ties = $equation->ties();
        $this->reference = $equation->reference;
        $this->watts = $equation->given;
    }

    /**
     * The same balance with more on the diagonal.
     *
     * @param array<int, float> $storing W/K by padded cell
     * @param array<int, float> $giving W by padded cell that goes with it; none where it is empty
     */
    public function storing(array $storing, array $giving = []): self
    {
        $equation = new Equation($this->grid, $this->reference);
        [$equation->coupling, $equation->toGiven, $equation->source, $equation->given] = [$this->stencil->coupling, Vectors::plus($this->stencil->extra, 1.0, $storing), $giving === [] ? $this->source : Vectors::plus($this->source, 1.0, $giving), $this->watts];
        foreach ($this->ties as $cells) {
            $equation->tie(array_map(fn (int $cell): int => $cell - $this->stencil->pad, $cells));
        }

        return new self($equation, $this->live, $this->surfaces, $this->packages, $this->losses, $this->boards);
    }

    /** @return array<int, float> 1 in every cell whose temperature is computed, padded */
    public function everywhere(): array
    {
        $ones = Stencil::zeros($this->stencil->cells);
        foreach ($this->live as $cell => $isLive) {
            $ones[$this->stencil->pad + $cell] = $isLive ? 1.0 : 0.0;
        }

        return $ones;
    }

    /**
     * @param array<int, float> $temperature of the cells, K
     * @return array<int, float> W by padded cell that the conduction leaves open at it, s - A T
     */
    public function left(array $temperature): array
    {
        $x = Stencil::zeros($this->stencil->cells);
        foreach ($temperature as $cell => $kelvin) {
            if ($this->live[$cell]) {
                $x[$this->stencil->pad + $cell] = $kelvin - $this->reference;
            }
        }

        return Vectors::combine(1.0, $this->source, -1.0, $this->stencil->times($x));
    }

    /**
     * @param array<int, float> $x solution, padded
     * @return array<int, float> K per cell
     */
    public function temperatures(array $x): array
    {
        return Stencil::inside($x, $this->stencil->cells, $this->reference);
    }
}
