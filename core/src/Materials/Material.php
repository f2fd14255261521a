<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** A solid or fluid with its properties in SI units; null where a property is not known. */
final readonly class Material
{
    /** Emissivity of the solder mask on boards. */
    private const SOLDER_MASK = 0.9;

    public string $id;

    public string $title;

    public string $category;

    /** Where the values come from. */
    public string $source;

    /** kg/m3 */
    public ?float $density;

    /** J/kg/K */
    public ?float $specificHeat;

    /** 1/K */
    public ?float $expansion;

    /** K, of an alloy where it begins to melt. */
    public ?float $melting;

    /** What melting stores; null where it is not computed. */
    public ?PhaseChange $phaseChange;

    /** Whether it is a fluid. */
    public bool $fluid;

    /** Pa s */
    public ?PropertyLaw $viscosity;

    /** @var ?array{float, float} consistency K in Pa s^n and index n of a fluid of the power law, instead of a viscosity */
    public ?array $powerLaw;

    /** J/kg/K of an ideal gas, whose density and expansion follow from it. */
    public ?float $gasConstant;

    /**
     * @param array{PropertyLaw, PropertyLaw, PropertyLaw} $conductivity W/m/K along x, y, z
     * @param ?PropertyLaw $resistivity ohm m; null where no current is to be computed in it
     * @param ?FluidProperties $asFluid null for a solid
     */
    public function __construct(Name $name, public array $conductivity, Bulk $bulk, public ?float $emissivity, public ?PropertyLaw $resistivity, ?FluidProperties $asFluid = null)
    {
        [$this->id, $this->title, $this->category, $this->source] = [$name->id, $name->title, $name->category, $name->source];
        [$this->density, $this->specificHeat, $this->expansion, $this->melting, $this->phaseChange] = [$bulk->density, $bulk->specificHeat, $bulk->expansion, $bulk->melting, $bulk->phaseChange];
        $this->fluid = $asFluid !== null;
        [$this->viscosity, $this->powerLaw, $this->gasConstant] = [$asFluid?->viscosity, $asFluid?->powerLaw, $asFluid?->gasConstant];
    }

    /** @param array{PropertyLaw, PropertyLaw, PropertyLaw} $conductivity W/m/K along x, y, z */
    public static function ofBoard(string $id, string $title, array $conductivity, Bulk $bulk, string $source): self
    {
        return new self(new Name($id, $title, 'board', $source), $conductivity, $bulk, self::SOLDER_MASK, null);
    }

    /** The same material conducting so many times better. */
    public function conducting(float $times): self
    {
        $better = fn (PropertyLaw $law): PropertyLaw => PropertyLaw::of([$law], fn (float $temperature): float => $times * $law->at($temperature));

        return new self(
            new Name($this->id, $this->title, $this->category, $this->source),
            [$better($this->conductivity[0]), $better($this->conductivity[1]), $better($this->conductivity[2])],
            new Bulk($this->density, $this->specificHeat, $this->expansion, $this->melting, $this->phaseChange), $this->emissivity, $this->resistivity,
            $this->fluid ? new FluidProperties($this->viscosity, $this->powerLaw, $this->gasConstant) : null,
        );
    }

    public function dependsOnTemperature(): bool
    {
        return ! ($this->conductivity[0]->isConstant() && $this->conductivity[1]->isConstant() && $this->conductivity[2]->isConstant());
    }
}
