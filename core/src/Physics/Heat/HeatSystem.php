<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Numerics\Stencil;
use Foehn\Physics\Equation;

/** The assembled balance of heat: (stencil)(T - reference) = source, with what is needed to read results off the solution. */
final readonly class HeatSystem
{
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
        $this->stencil = $equation->stencil();
        $this->source = $equation->rightHandSide();
        $this->ties = $equation->ties();
        $this->reference = $equation->reference;
        $this->watts = $equation->given;
    }

    /**
     * @param array<int, float> $x solution, padded
     * @return array<int, float> K per cell
     */
    public function temperatures(array $x): array
    {
        $cells = array_slice($x, $this->stencil->pad, $this->stencil->size());
        foreach ($cells as $c => $value) {
            $cells[$c] = $value + $this->reference;
        }

        return $cells;
    }
}
