<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Vectors;
use Foehn\Observe\State;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Flow\Diverged;
use Foehn\Physics\Flow\EnergyTransport;
use Foehn\Physics\Flow\FinGaps;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FluidConduction;
use Foehn\Physics\Flow\GapConduction;
use Foehn\Physics\Flow\Turbulence;
use Foehn\Physics\Heat\ConductivityChange;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\Radiation\Enclosure;
use Foehn\Physics\Radiation\LinkStore;

/** The temperature over fluid and solids on a flow that is given for the moment. */
final class HeatOnFlow
{
    /** A spread of temperatures that only a run has that diverges, K. */
    private const BEYOND = 1e7;

    /** @var array<int, float> K, in the layout of the flow */
    public array $temperature;

    public HeatSystem $system;

    /** @var array<0|1|2, array<int, float>> W/m2/K between cells of the grid and walls where the wall law gives less, by axis; in gaps of fins their own count */
    public array $films = [];

    private ?EnergyTransport $energy = null;

    /** Passes with which what follows the temperatures is not waited for. */
    private const FEW = 2;

    private const MOST_ROUNDS = 20;

    private readonly Coupling $coupling;

    /** @var list<ConductivityChange> what the flow does to the conduction */
    private array $changes = [];

    public function __construct(
        private readonly Model $model,
        Voxels $voxels,
        private readonly FlowDomain $domain,
        private readonly Fluid $fluid,
        private readonly FinGaps $gaps,
        LinkStore $links = new LinkStore(),
        private readonly ?HeldSolids $held = null,
    ) {
        $this->temperature = array_fill(0, $domain->layout->length, $fluid->temperature);
        $this->coupling = new Coupling($model, $voxels, links: $links);
        $this->coupling->follow(null);
        $this->assemble(null);
    }

    /**
     * Goes on from the temperatures of a flow before.
     *
     * @param array<int, float> $temperature in the layout of the flow, K
     */
    public function beginAt(array $temperature): void
    {
        $this->temperature = $temperature;
        $this->coupling->beginAt($this->cells());
        $this->assemble(null);
    }

    /** Lets radiation follow the present temperatures, where there is any. */
    public function followRadiation(?Turbulence $turbulence): void
    {
        if ($this->coupling->radiates()) {
            $this->coupling->followRadiation($this->cells());
            $this->assemble($turbulence);
        }
    }

    /** The equations with the mixing of the present flow, and conductivities at the present temperatures. */
    public function assemble(?Turbulence $turbulence): void
    {
        $this->mix($turbulence);
        $this->system = $this->equation($this->changes);
        $this->energy = $this->model->physics->heat ? new EnergyTransport($this->domain, $this->system, $this->fluid->specificHeat, $this->energy) : null;
    }

    /** @param list<ConductivityChange> $changes */
    private function equation(array $changes): HeatSystem
    {
        $system = $this->coupling->equation($this->cells(), $changes);

        return $this->held === null ? $system : $this->held->hold($system);
    }

    /**
     * Takes note of the mixing of the present flow.
     *
     * @return list<ConductivityChange> what the flow does to the conduction
     */
    public function mix(?Turbulence $turbulence): array
    {
        $films = $this->gaps->films();
        foreach ($this->films as $axis => $more) {
            $films[$axis] = ($films[$axis] ?? []) + $more;
        }
        $this->changes = [new GapConduction($films, $this->gaps->mixed())];
        if ($turbulence !== null && $turbulence->conductivity !== []) {
            array_unshift($this->changes, new FluidConduction($turbulence->conductivity, $turbulence->wallConductivity));
        }

        return $this->changes;
    }

    /** @return list<ConductivityChange> what the flow does to the conduction */
    public function changes(): array
    {
        return $this->changes;
    }

    /** The currents at the last temperatures; null where none are computed. */
    public function currents(): ?Currents
    {
        return $this->coupling->currents();
    }

    /** @return array<int, BoardState> the copper of boards at the last temperatures, by index of the part */
    public function boards(): array
    {
        return $this->coupling->boards();
    }

    /** What surfaces see of each other; null where they do not radiate to each other. */
    public function enclosure(): ?Enclosure
    {
        return $this->coupling->enclosure();
    }

    /** Temperatures as if the fluid were at rest and conducted like this, W/m/K. */
    public function guess(float $conductivity): void
    {
        if ($this->energy === null) {
            return;
        }
        $conducts = array_fill(0, $this->domain->layout->grid->count(), $conductivity);
        $still = $this->domain->layout->zeros();
        $system = $this->equation([new FluidConduction($conducts, $conducts)]);
        $this->temperature = (new EnergyTransport($this->domain, $system, $this->fluid->specificHeat))->step([$still, $still, $still], $this->temperature, new Accuracy(1e-4, mostIterations: 30), 0.0);
        $this->assemble(null);
    }

    /**
     * Iterations on the energy equation; none where no heat is computed.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param float $order 0 for upwind, 1 for second order
     * @param float $relaxation of the step that is taken
     * @return float mean change of the temperatures as a share of their spread
     * @throws Diverged
     */
    public function step(array $flux, Accuracy $accuracy, float $order, float $relaxation = 1.0): float
    {
        if ($this->energy === null) {
            return 0.0;
        }
        $before = $this->temperature;
        $this->temperature = $this->energy->step($flux, $before, $accuracy, $order);
        if ($relaxation < 1.0) {
            $this->temperature = Vectors::combine($relaxation, $this->temperature, 1.0 - $relaxation, $before);
        }
        $moved = Vectors::distance($this->temperature, $before);
        $spread = Vectors::spread($this->temperature);

        if (! is_finite($moved) || $spread > self::BEYOND) {
            throw new Diverged('the temperatures diverge: look for powers that are far too large, and for heated parts that nothing cools');
        }

        return $spread > 0.0 ? $moved / ($spread * $this->domain->layout->grid->count()) : 0.0;
    }

    /**
     * The energy equation with its second-order correction repeated until it stays, and with what follows the temperatures until that stays.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux
     * @return bool whether it stays
     */
    public function settle(array $flux, ?Turbulence $turbulence, int $mostPasses, float $stays): bool
    {
        $rounds = $mostPasses > self::FEW ? self::MOST_ROUNDS : 1;
        $tolerance = 1e-3;
        // Closer than temperatures stay, what follows them does not.
        $exchanged = max(ConductionSettings::EXCHANGED, $stays);
        for ($round = 1; $round <= $rounds; $round++) {
            $moved = $this->coupling->follow($this->cells());
            if ($round > 1 && $moved <= $exchanged && ! $this->coupling->catchUp($this->cells())) {
                return true;
            }
            $this->assemble($turbulence);
            if (! $this->corrected($flux, $mostPasses, $stays, $tolerance)) {
                return false;
            }
            $tolerance = 0.1 * $stays;
        }

        return $rounds === 1 || $this->coupling->follow($this->cells()) <= $exchanged;
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux
     * @return bool whether it stays
     */
    private function corrected(array $flux, int $mostPasses, float $stays, float $tolerance): bool
    {
        $finest = 0.1 * $stays;
        for ($pass = 0; $pass < $mostPasses; $pass++) {
            $moved = $this->step($flux, new Accuracy($tolerance, mostIterations: 30), 1.0);
            if ($moved <= $stays && $tolerance <= $finest) {
                return true;
            }
            // What the correction will move again need not be solved finely.
            $tolerance = max($finest, 0.1 * $tolerance, min($tolerance, 0.01 * $moved));
        }

        return false;
    }

    /**
     * Heat linearised about the last temperatures.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @param float $richardson number of the flow (see LinearHeat)
     */
    public function linearised(State $state, array $flux, float $richardson): LinearHeat
    {
        assert($this->energy !== null);

        return new LinearHeat($state, $this->coupling, new CarriedHeat($this->energy, $this->energy->linearised($flux, $this->temperature)), $this->changes, $richardson);
    }

    /**
     * What leaves the model through the outer faces of each part, side and patch.
     *
     * @param bool $held only where the temperature of the surface is given, so that it tells nothing
     * @return array<int, float> W
     */
    public function ways(bool $held): array
    {
        [$surfaces, $elements] = [$this->system->surfaces, $this->system->surfaces->elements];
        $cells = $this->cells();
        $sums = [];
        foreach ($elements->other as $e => $other) {
            if ($held ? $surfaces->isHeld($e) : $other < 0) {
                $way = $elements->part[$e] . ' ' . $elements->side[$e] . ' ' . $elements->patch[$e];
                $sums[$way] = ($sums[$way] ?? 0.0) + $surfaces->heatOut($e, $cells);
            }
        }

        return array_values($sums);
    }

    /** @return array<int, float> K, of the cells of the grid */
    public function cells(): array
    {
        return $this->domain->layout->gather($this->temperature);
    }
}
