<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Electric\ElectricSystem;
use Foehn\Physics\Electric\JouleHeat;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\PhysicsException;

/** Currents and heat: resistivities follow the temperatures, and the currents heat. */
final class CurrentExchange implements Exchange
{
    /** Of the potentials, relative: their losses are to be right to 1e-9, so that the balance of heat can be. */
    private const RESIDUAL = 1e-10;

    public readonly JouleHeat $joule;

    public function __construct(private readonly HeatEquation $heat)
    {
        $this->joule = new JouleHeat();
        $heat->add($this->joule);
    }

    public function currents(): ?Currents
    {
        return $this->joule->currents;
    }

    public function followsTemperature(): bool
    {
        return ElectricSystem::followsTemperature($this->heat->model);
    }

    public function follow(?array $temperature): float
    {
        $before = $this->joule->currents;
        $system = new ElectricSystem($this->heat->model, $this->heat->voxels, $temperature);
        if ($system->terminals->all === []) {
            throw new PhysicsException('current is to be computed, but no face of a part has a current or a voltage; give one face a current and another one ground');
        }
        $solution = (new StencilSolver($system->stencil))->solve($system->source, $before->potential ?? Stencil::zeros($this->heat->voxels->grid->cells), new Accuracy(self::RESIDUAL));
        if (! $solution->converged) {
            throw new PhysicsException('the equations of the currents did not come to an end; look for conductors that touch at a corner only');
        }
        $this->joule->currents = $system->currents($solution->x);
        $power = $this->joule->currents->power();

        return $before === null ? INF : abs($power - $before->power()) / max(abs($power), 1e-300);
    }
}
