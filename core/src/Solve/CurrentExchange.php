<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Drive;
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

    /** Where conductances differ so much that currents are not balanced yet, the residual is lowered by this factor, down to rounding. */
    private const CLOSER = 1e-2;

    private const CLOSEST = 1e-14;

    /** Of the currents that enter and leave, as a share of either. */
    private const BALANCE = 1e-6;

    public readonly JouleHeat $joule;

    /** With joints at the voltages that currents are computed for, where boards are joined to parts. */
    public Drive $drive;

    public function __construct(private readonly HeatEquation $heat)
    {
        $this->joule = new JouleHeat();
        $this->drive = new Drive();
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
        if ($this->followsTemperature()) {
            ThermalRunaway::refuse($temperature);
        }
        $before = $this->joule->currents;
        $system = new ElectricSystem($this->heat->model, $this->heat->voxels, $temperature, $this->drive);
        if ($system->terminals->all === []) {
            throw new PhysicsException('current is to be computed, but no face of a part has a current or a voltage; give one face a current and another one ground');
        }
        $this->joule->currents = $this->balanced($system, $before->potential ?? Stencil::zeros($this->heat->voxels->grid->cells));
        $power = $this->joule->currents->power;

        return $before === null ? INF : abs($power - $before->power) / max(abs($power), 1e-300);
    }

    /**
     * What enters parts through their joints with something else than the model states, without taking it over.
     *
     * @param ?array<int, float> $temperature of the cells, K
     * @return array<string, float> A by joint
     * @throws PhysicsException
     */
    public function response(?array $temperature, Drive $drive): array
    {
        $system = new ElectricSystem($this->heat->model, $this->heat->voxels, $temperature, $drive);

        return $this->throughJoints($system->currents((new StencilSolver($system->stencil))->solve($system->source, Stencil::zeros($this->heat->voxels->grid->cells), new Accuracy(self::RESIDUAL))->x));
    }

    /** @return array<string, float> A into the parts, by joint */
    public function throughJoints(Currents $through): array
    {
        $currents = [];
        $number = 0;
        foreach ($this->heat->model->parts as $part) {
            foreach ($part->terminals as $terminal) {
                $current = $through->terminals[$number++]['current'];
                if ($terminal->joining !== null) {
                    $currents[$terminal->joining->name] = ($currents[$terminal->joining->name] ?? 0.0) + $current;
                }
            }
        }

        return $currents;
    }

    /**
     * The currents, solved as closely as they need to be for what enters to leave again.
     *
     * @param array<int, float> $potential V, padded, to begin at
     * @throws PhysicsException
     */
    private function balanced(ElectricSystem $system, array $potential): Currents
    {
        $solver = new StencilSolver($system->stencil);
        $over = $system->over($potential);
        for ($residual = self::RESIDUAL; $residual >= self::CLOSEST; $residual *= self::CLOSER) {
            $solution = $solver->solve($system->source, $over, new Accuracy($residual));
            $over = $solution->x;
            $currents = $system->currents($over);
            if ($solution->converged && $currents->imbalance() <= self::BALANCE) {
                return $currents;
            }
        }
        throw new PhysicsException('the currents do not come to a balance; look for conductors that touch at a corner only, and for resistivities that differ by very many orders of magnitude');
    }
}
