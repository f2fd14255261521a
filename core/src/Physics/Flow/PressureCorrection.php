<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\Multigrid;
use Foehn\Numerics\Stencil;

/** The pressure correction that makes velocities conserve mass: a Poisson equation over the fluid cells. */
final class PressureCorrection
{
    /** The coefficients change slowly, so a hierarchy serves this many corrections. */
    private const KEEP = 12;

    private ?Multigrid $preconditioner = null;

    private int $age = 0;

    public function __construct(private readonly FlowDomain $domain, private readonly Accuracy $accuracy)
    {
    }

    /** Residual and most iterations where the acceleration needs a smooth map: with 0.05, Ra 1e5 took four times the outer iterations. */
    public static function close(): Accuracy
    {
        return new Accuracy(0.01, mostIterations: 15);
    }

    /** Elsewhere more accuracy is wasted while the velocities still move. */
    public static function rough(): Accuracy
    {
        return new Accuracy(0.1, mostIterations: 4);
    }

    /** Before heat is carried. */
    public static function fine(): Accuracy
    {
        return new Accuracy(1e-3, mostIterations: 25);
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $mobility m/s/Pa per axis
     * @param array{array<int, float>, array<int, float>, array<int, float>} $carrying mass flow per speed through the faces, kg/m
     * @param array<int, float> $imbalance kg/s into each cell
     * @return array<int, float> Pa, in the layout of the flow
     */
    public function solve(array $mobility, array $carrying, array $imbalance): array
    {
        $layout = $this->domain->layout;
        $stencil = $this->stencil($mobility, $carrying);
        if ($this->preconditioner === null || $this->age >= self::KEEP) {
            $this->preconditioner = Multigrid::box($stencil);
            $this->age = 0;
        }
        $this->age++;
        $zeros = Stencil::zeros($stencil->cells);
        $x = ConjugateGradient::solve($stencil, $this->preconditioner, $layout->toStencil($imbalance), $zeros, $this->accuracy)->x;

        return $layout->fromStencil($x);
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $mobility
     * @param array{array<int, float>, array<int, float>, array<int, float>} $carrying
     */
    private function stencil(array $mobility, array $carrying): Stencil
    {
        $layout = $this->domain->layout;
        $cells = $layout->grid->cells;
        $zeros = Stencil::zeros($cells);
        $coupling = [];
        foreach ([0, 1, 2] as $axis) {
            $coupling[] = self::couplings($cells, $layout->pad, $layout->stride, $this->domain->face[$axis], $mobility[$axis], $carrying[$axis], $zeros);
        }
        $extra = $zeros;
        foreach ($this->domain->openings as $opening) {
            if (! $opening->condition->isAtPressure()) {
                continue;
            }
            foreach ($opening->faces as $n => $face) {
                [$i, $j, $k] = $layout->place($opening->cells[$n]);
                $extra[$cells[0] * $cells[1] * $k + ($i - 1) + $cells[0] * ($j - 1)] += $carrying[$opening->axis][$face] * $mobility[$opening->axis][$face];
            }
        }

        return new Stencil($cells, [$coupling[0], $coupling[1], $coupling[2]], $extra);
    }

    /**
     * @param array{int, int, int} $cells
     * @param array{int, int, int} $stride
     * @param array<int, int> $face
     * @param array<int, float> $mobility
     * @param array<int, float> $carrying
     * @param array<int, float> $g
     * @return array<int, float>
     */
    private static function couplings(array $cells, int $pad, array $stride, array $face, array $mobility, array $carrying, array $g): array
    {
        [$nx, $ny, $nz] = $cells;
        $n = $nx * $ny;
        for ($k = 1; $k <= $nz; $k++) {
            for ($j = 1; $j <= $ny; $j++) {
                $c = $pad + 1 + $stride[1] * $j + $stride[2] * $k;
                for ($i = 1; $i <= $nx; $i++, $c++, $n++) {
                    if ($face[$c] === 1) {
                        $g[$n] = $carrying[$c] * $mobility[$c];
                    }
                }
            }
        }

        return $g;
    }
}
