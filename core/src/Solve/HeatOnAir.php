<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\FaceTerms;
use Foehn\Numerics\LinearSolver;
use Foehn\Physics\Flow\EnergyTransport;
use Foehn\Physics\Flow\Opening;
use Foehn\Physics\Heat\HeatSystem;

/** The balance of heat on a flow that is given: its scheme of second order has the slopes that the steady temperatures of the flow had. */
final readonly class HeatOnAir implements HeatOperator
{
    private EnergyTransport $energy;

    private FaceTerms $matrix;

    /** @var array<int, float> W by padded cell */
    private array $source;

    /** @param list<Opening> $openings as the loads of the moment have them */
    public function __construct(private HeatSystem $system, public FrozenAir $air, public array $openings, private LastEnergy $last)
    {
        $this->energy = $this->transport($system);
        $this->matrix = $this->energy->balance($air->field->flux, $air->temperature);
        $this->source = $this->energy->entering($openings);
    }

    public function system(): HeatSystem
    {
        return $this->system;
    }

    public function source(): array
    {
        return $this->source;
    }

    public function times(array $x): array
    {
        return $this->energy->share($this->matrix->times($this->energy->pick($x)));
    }

    public function leaving(array $x): float
    {
        return array_sum($this->matrix->times($this->energy->pick($x)));
    }

    public function solver(array $storing, ?LinearSolver $near = null): LinearSolver
    {
        $energy = $this->transport($this->system->storing($storing));

        return new CarriedHeat($energy, $energy->linearised($this->air->field->flux, $this->air->temperature, $near !== null));
    }

    public function isNear(HeatOperator $other): bool
    {
        return $other instanceof self && $this->air === $other->air;
    }

    public function isLike(HeatOperator $other): bool
    {
        return $other instanceof self && $this->air === $other->air && $this->system->stencil->equals($other->system->stencil);
    }

    private function transport(HeatSystem $system): EnergyTransport
    {
        return $this->last->energy = new EnergyTransport($this->air->field->domain, $system, $this->air->field->fluid->specificHeat, $this->last->energy);
    }
}
