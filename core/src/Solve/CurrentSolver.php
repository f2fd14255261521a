<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Stencil;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Electric\ElectricSystem;
use Foehn\Physics\PhysicsException;

/** The currents in a model at given temperatures. */
final class CurrentSolver
{
    private const RESIDUAL = 1e-10;

    /**
     * @param ?list<float> $temperature of the cells, K; null: the ambient everywhere
     * @param ?Currents $before those at other temperatures, to start from
     * @return ?Currents null where the model asks for none
     * @throws PhysicsException
     */
    public static function solve(Model $model, Grid $grid, Voxels $voxels, ?array $temperature, ?Currents $before = null): ?Currents
    {
        if (! $model->physics->electric) {
            return null;
        }
        $system = new ElectricSystem($model, $grid, $voxels, $temperature);
        if ($system->terminals === []) {
            throw new PhysicsException('current is to be computed, but no face of a part has a current or a voltage; give one face a current and another one ground');
        }
        $solution = StencilSolver::solve($system->stencil, $system->source, $before->potential ?? Stencil::zeros($grid->cells), self::RESIDUAL, INF, fn () => true);
        if (! $solution->converged) {
            throw new PhysicsException('the equations of the currents did not come to an end; look for conductors that touch at a corner only');
        }

        return $system->currents($solution->x);
    }
}
