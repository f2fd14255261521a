<?php

declare(strict_types=1);

namespace Foehn\Solve;

use DivisionByZeroError;
use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Model\Watch;
use Foehn\Numerics\Anderson;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Flow\DevelopingLayers;
use Foehn\Physics\Flow\Devices;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\FinGaps;
use Foehn\Physics\Flow\FlowCycle;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\FlowScheme;
use Foehn\Physics\Flow\Fluid;
use Foehn\Physics\Flow\Forces;
use Foehn\Physics\Flow\Friction;
use Foehn\Physics\Flow\GasDensity;
use Foehn\Physics\Flow\LimitedConvection;
use Foehn\Physics\Flow\MolecularProperties;
use Foehn\Physics\Flow\Momentum;
use Foehn\Physics\Flow\PressureCorrection;
use Foehn\Physics\Flow\Simplec;
use Foehn\Physics\Flow\Turbulence;
use Foehn\Physics\PhysicsException;
use Foehn\Results\FlowProbe;
use Foehn\Results\LiveValues;
use Foehn\Results\PartTemperatures;

/**
 * Steady flow and heat on one grid. Multigrid cycles bring the flow to balance; where only buoyancy drives it, with a step of the
 * energy equation after each, and with SIMPLEC iterations instead when the two swing. Both are accelerated, damped when they do
 * not come nearer, started anew when they diverge, and averaged when they never settle.
 */
final class FlowSolver
{
    /** Sums of changes of velocity over sums of velocities, per step, at which the flow counts as steady. */
    private const STEADY = 2e-5;

    /** Mass imbalance summed over cells, of the flow through the space. */
    private const MASS = 1e-3;

    /** Flows around parts rarely settle to STEADY. They count as steady when temperatures stand still (see Steadiness) and changes and imbalances are at least below these. */
    private const NEAR = 0.05;

    private const MASS_NEAR = 0.05;

    /** Mean change of the temperatures, as a share of their spread, that may be left to come where they alone drive the flow. */
    private const SETTLED = 1e-3;

    /** With "auto": from this Reynolds number on the flow counts as turbulent, or from this Rayleigh number. */
    private const TURBULENT_FROM = 3000.0;

    private const TURBULENT_FROM_RAYLEIGH = 1e9;

    /** From rest the fluid starts this many times less lively than its Reynolds number makes it. */
    private const START_REYNOLDS = 100.0;

    /** The acceleration waits until every fan is this near to its curve, as a share of its greatest rise. */
    private const FANS_NEAR = 0.02;

    /** A fan a hundredth of its greatest rise off its curve counts as much as velocities that change by this hundredth of that. */
    private const FAN_WEIGHT = 0.01;

    /** Relaxation of the momentum equation at the start of iterations. */
    private const ITERATIONS = 0.7;

    /** ... and of the temperature that moves the fluid alone. */
    private const TEMPERATURE = 0.5;

    /** From this Rayleigh number on temperature and flow swing against each other in cycles, and iterations are quicker. */
    private const SWINGS_FROM = 2e6;

    /** The fluid conducts this many times better while it is still, as a guess of what its motion will carry. */
    private const STILL_CONDUCTION = 8.0;

    /** Turbulent natural convection in a space carries heat this many times Ra^(1/3) better than the fluid at rest (Globe & Dropkin, J. Heat Transfer 81 (1959) 24). */
    private const CARRIES = 0.069;

    /** Its momentum is held back as by a time step in which the speed of free fall passes two lengths of a cell; without it the iterations run away beyond a Rayleigh number of 1e9. */
    private const INERTIA = 0.5;

    /** Passes over the second-order correction of the energy equation at the end. */
    private const PASSES = 25;

    /** Mean change of the temperatures on a frozen flow between two passes, as a share of their spread, at which they count as steady. */
    private const FROZEN = 1e-5;

    /** Steps a flow is averaged over that does not become steady. */
    private const AVERAGED = 30;

    /** Steps between looks at its temperatures. */
    private const LOOK = 3;

    /** Change of the velocities at which a grid on the way to a finer one has done its part. */
    private const STEADY_ENOUGH = 1e-3;

    /** Mean speed that only a run has that diverges, m/s. */
    private const BEYOND = 1e5;

    private const MOST_RESTARTS = 3;

    private FlowDomain $domain;

    private Fluid $fluid;

    private FlowLevel $level;

    private Devices $devices;

    private Forces $forces;

    private FinGaps $gaps;

    private HeatOnFlow $heat;

    private MolecularProperties $molecular;

    private GasDensity $density;

    /** Null while the flow is laminar. */
    private ?Turbulence $turbulence = null;

    private ?DevelopingLayers $layers = null;

    private ?float $reynolds = null;

    private ?float $rayleigh = null;

    private FlowScheme $scheme;

    private Pace $pace;

    private Anderson $anderson;

    private PressureCorrection $pressure;

    /** Whether temperatures move the fluid and nothing else does. */
    private bool $buoyantOnly;

    /** Whether SIMPLEC has taken over from the cycles. */
    private bool $iterates = false;

    /** Whether natural convection goes on in plain iterations, which need no acceleration. */
    private bool $plain = false;

    /** ... and is held back by inertia, since it is turbulent. */
    private bool $held = false;

    /** Steps done with the present scheme and damping, and in all. */
    private int $step = 0;

    private int $total = 0;

    private int $restarts = 0;

    private bool $decided = false;

    /** @var list<float> */
    private array $residuals = [];

    /** Where in the residuals the present damping began. */
    private int $since = 0;

    private float $change = INF;

    private float $mass = INF;

    private int|float $started = 0;

    private float $lastReport = 0.0;

    private Steadiness $steadiness;

    /**
     * @param bool $finest whether this is the grid asked for, or one on the way to it
     * @param list<Level> $done levels before this one
     * @param bool $frozen only the temperatures, on the flow it starts from
     */
    public function __construct(
        private readonly Model $model,
        private readonly Grid $grid,
        private readonly Voxels $voxels,
        private readonly ProgressListener $listener,
        private readonly ?FlowState $start = null,
        private readonly bool $finest = true,
        private readonly array $done = [],
        private readonly bool $frozen = false,
    ) {
    }

    /** @throws PhysicsException */
    public function solve(): Solution
    {
        $this->started = hrtime(true);
        $this->steadiness = new Steadiness();
        $this->prepare();
        $this->begin($this->start);
        if ($this->frozen) {
            return $this->heatOnly();
        }
        $steady = $stopped = false;
        $average = null;
        while (! $stopped && ! $steady && ($average === null || ! $average->isFull())) {
            try {
                $this->advance();
            } catch (DivisionByZeroError) {
                // Numbers beyond all bounds end as zeros in denominators.
                $this->change = NAN;
            }
            if (is_nan($this->change)) {
                $this->restart();
                continue;
            }
            if ($average !== null && $this->step % self::LOOK === 0 && $this->hasTemperatures()) {
                $this->temperaturesStay();
            }
            $average?->add([...$this->level->velocity, $this->level->pressure, $this->heat->temperature], $this->steadiness->temperatures());
            $steady = $average === null && $this->isSteady();
            if ($average === null && ($this->isStuck() || $this->step >= $this->pace->most) && ! $this->soften()) {
                $average = new FlowAverage(self::AVERAGED);
            }
            $this->report();
            $stopped = $this->listener->shouldStop();
            if (! $stopped && ! $steady && $average === null) {
                $this->listener->offer($this->picture(...), fn (): array => [$this->state(), $this->done]);
            }
        }
        $mean = $average?->mean() ?? [];
        if ($mean !== []) {
            $this->level->velocity = [$mean[0], $mean[1], $mean[2]];
            [$this->level->pressure, $this->heat->temperature] = [$mean[3], $mean[4]];
        }
        $this->updateMixing();
        $this->heat->settle($this->conserving(), $this->turbulence, $stopped ? 2 : self::PASSES, $this->turbulence === null ? 1e-6 : 1e-4);

        return $this->solution($steady && ! $stopped, $stopped, $average);
    }

    /** What there is so far. The run goes on as if nobody had looked, or its answer would depend on the clock. */
    private function picture(): Solution
    {
        [$velocity, $pressure, $heat] = [$this->level->velocity, $this->level->pressure, $this->heat];
        $this->heat = clone $heat;
        $this->heat->settle($this->conserving(), $this->turbulence, 2, 1e-4);
        $solution = $this->solution(false, false, null);
        [$this->level->velocity, $this->level->pressure, $this->heat] = [$velocity, $pressure, $heat];

        return $solution;
    }

    /** The flow stays as it was found; fans show what they move. */
    private function heatOnly(): Solution
    {
        $rises = $this->devices->rises();
        $this->devices->update($this->level->velocity);
        $this->devices->setRises($rises);
        $settled = $this->heat->settle($this->conserving(), $this->turbulence, self::PASSES, $this->turbulence === null ? self::FROZEN : 1e-4);
        $this->measure($this->level->velocity);

        return $this->solution($settled, false, null);
    }

    private function solution(bool $converged, bool $stopped, ?FlowAverage $average): Solution
    {
        return new Solution(
            $this->model, $this->grid, $this->voxels, $this->heat->system, $this->heat->cells(), $this->total, 1,
            $this->residuals[count($this->residuals) - 1] ?? 0.0, $converged, $stopped, (hrtime(true) - $this->started) / 1e9, $this->residuals,
            FlowField::of($this->domain, $this->fluid, $this->level), $this->devices->operatingPoints(), $this->regime($average), $this->done, $this->state(), $this->gaps->summary(), $this->heat->currents,
        );
    }

    private function state(): FlowState
    {
        return new FlowState($this->domain->layout, $this->level->velocity, $this->level->pressure, $this->heat->temperature, $this->devices->rises(), $this->turbulence !== null);
    }

    private function prepare(): void
    {
        $material = $this->model->materials->get((string) $this->model->space->fluid);
        assert($material !== null);
        $this->fluid = Fluid::of($material, $this->model->surroundings);
        $this->domain = DomainBuilder::build($this->model, $this->grid, $this->voxels, $this->fluid->density);
        $this->devices = new Devices($this->model, $this->domain, $this->fluid->density);
        $this->forces = new Forces($this->model, $this->domain, $this->fluid);
        $this->gaps = new FinGaps($this->model, $this->domain, $this->fluid);
        $driven = $this->devices->freeSpeed() > 0.0 || $this->speedGiven() > 0.0 || $this->forces->drive();
        $this->buoyantOnly = $this->forces->buoyant && ! $driven;
    }

    /** The state to start from, and the scheme for it. */
    private function begin(?FlowState $start): void
    {
        $this->level = FlowLevel::finest($this->domain, $this->fluid->density);
        $this->molecular = new MolecularProperties($this->domain, $this->fluid);
        $this->density = new GasDensity($this->domain, $this->fluid, $this->model->physics->heat);
        $this->heat = new HeatOnFlow($this->model, $this->grid, $this->voxels, $this->domain, $this->fluid->specificHeat, $this->gaps, $this->fluid->temperature);
        if ($this->model->physics->flow === 'turbulent' || ($this->fluid->powerLaw === null && $this->model->physics->flow === 'auto' && ($start === null || $start->turbulent))) {
            $this->turbulence ??= new Turbulence($this->domain, $this->fluid);
        }
        $this->decided = $start !== null;
        $this->setFriction();
        if ($start !== null) {
            $state = $start->onto($this->domain->layout);
            foreach ([0, 1, 2] as $axis) {
                foreach ($this->domain->face[$axis] as $c => $kind) {
                    if ($kind !== FlowDomain::GIVEN) {
                        $this->level->velocity[$axis][$c] = $state->velocity[$axis][$c];
                    }
                }
            }
            foreach ($this->domain->fluid as $c => $fluid) {
                if ($fluid === 1) {
                    $this->level->pressure[$c] = $state->pressure[$c];
                }
            }
            $this->heat->temperature = $state->temperature;
            $this->devices->setRises($state->rises);
            $this->updateMixing();
        } elseif ($this->forces->buoyant) {
            $this->guess();
        }
        if ($this->buoyantOnly && $this->rayleigh() > self::SWINGS_FROM && $this->restarts === 0) {
            $this->iterates = $this->plain = true;
            $this->held = $this->rayleigh() > self::TURBULENT_FROM_RAYLEIGH;
        }
        $this->pressure = $this->pressureCorrection();
        $this->use($this->iterates
            ? new Simplec($this->level, $this->pressure, self::ITERATIONS)
            : new FlowCycle($this->level, $this->buoyantOnly || $this->turbulence !== null ? FlowCycle::LIVELY : FlowCycle::LAMINAR));
    }

    /** Temperatures of the fluid as if it were at rest and conducted what its motion will carry. */
    private function guess(): void
    {
        $this->heat->guess(self::STILL_CONDUCTION * $this->fluid->conductivity);
        // The spread falls with what is carried, and that with the spread: three rounds bring the two together.
        for ($round = 0; $round < 3 && $this->buoyantOnly && $this->rayleigh() > self::TURBULENT_FROM_RAYLEIGH; $round++) {
            $this->heat->guess(self::CARRIES * $this->rayleigh() ** (1 / 3) * $this->fluid->conductivity);
        }
    }

    /** Only the acceleration of natural convection needs it close. */
    private function pressureCorrection(): PressureCorrection
    {
        return new PressureCorrection($this->domain, $this->buoyantOnly && ! $this->plain ? PressureCorrection::CLOSE : PressureCorrection::ROUGH);
    }

    private function use(FlowScheme $scheme): void
    {
        $this->scheme = $scheme;
        $this->pace = match (true) {
            $scheme instanceof FlowCycle => Pace::cycles(),
            $this->plain => Pace::convection(),
            default => Pace::iterations(),
        };
        $this->anderson = new Anderson($this->pace->plain);
        $this->step = 0;
        $this->since = count($this->residuals);
    }

    private function advance(): void
    {
        $this->step++;
        $this->total++;
        $fromRest = $this->start === null && $this->total <= $this->pace->soft;
        if ($fromRest && $this->scheme instanceof FlowCycle) {
            $this->startThick();
        } elseif ($this->total === $this->pace->soft + 1 || ($this->step - 1) % $this->pace->mixing === 0) {
            $this->updateMixing();
            if ($this->total === $this->pace->soft + 1) {
                $this->setFriction();
            }
            if ($this->buoyantOnly && ($this->turbulence !== null || ! $this->gaps->isEmpty())) {
                $this->heat->assemble($this->turbulence);
            }
        }
        $before = $this->fields();
        $this->devices->update($this->level->velocity);
        $this->setSources();
        $this->scheme->step($this->inertia($fromRest));
        $this->measure($before);
        if ($this->buoyantOnly) {
            $moved = $this->heat->step($this->level->fluxes(), 0.0, $this->plain ? 1 : 2, 1.0, $this->plain ? self::TEMPERATURE : 1.0);
            $this->change = is_nan($moved) ? NAN : max($this->change, $moved);
        } elseif (($this->forces->buoyant || $this->density->mayVary()) && $this->step % $this->pace->heat === 0 && ! $this->looks()) {
            $this->heat->assemble($this->turbulence);
            $this->heat->step($this->conserving(), 1e-3, 6, 1.0);
        }
        if (! $fromRest && $this->devices->distance() < self::FANS_NEAR) {
            $this->setFields($this->anderson->next($before, $this->fields(), $this->scales()));
        }
        $this->residuals[] = max($this->change, $this->mass);
        $this->decide();
    }

    /** What holds the velocities back, kg/m2/s. */
    private function inertia(bool $fromRest): float
    {
        if ($this->plain && $this->held) {
            $spread = max($this->heat->temperature) - min($this->heat->temperature);

            return self::INERTIA * $this->fluid->density * sqrt($this->gravity() * $this->fluid->expansion * $spread * $this->height());
        }
        $hold = $fromRest && ! $this->scheme instanceof FlowCycle ? 1.0 - $this->step / $this->pace->soft : 0.0;

        return $hold * $this->fluid->density * $this->devices->freeSpeed();
    }

    /**
     * Lets the velocities conserve mass in every cell, as the heat they carry needs it.
     *
     * @return array{list<float>, list<float>, list<float>} kg/s through the faces
     */
    private function conserving(): array
    {
        $flux = $this->level->fluxes();
        $mobility = [];
        foreach ([0, 1, 2] as $axis) {
            $mobility[] = (new Momentum($this->level, $axis, $flux, 1.0, 0.0, false))->mobility;
        }
        $mobility = [$mobility[0], $mobility[1], $mobility[2]];
        [$imbalance] = $this->level->imbalance($flux);
        $this->level->follow($mobility, (new PressureCorrection($this->domain, PressureCorrection::FINE))->solve($mobility, $this->level->carrying, $imbalance), 0.0);

        return $this->level->fluxes();
    }

    /** Relative change of the velocities in this step, and the mass imbalance it left. */
    private function measure(mixed $before): void
    {
        [$moved, $amount] = [0.0, 1e-300];
        foreach ([0, 1, 2] as $axis) {
            $moved += Vectors::distance($this->level->velocity[$axis], $before[$axis]);
            $amount += Vectors::amount($this->level->velocity[$axis]);
        }
        $this->change = ! ($amount < self::BEYOND * $this->domain->layout->length) ? NAN : max($moved / $amount, self::FAN_WEIGHT * $this->devices->distance());
        $flux = $this->level->fluxes();
        [, $open] = $this->level->imbalance($flux);
        $this->mass = $open / max($this->throughFlow($flux), 1e-300);
    }

    private function isSteady(): bool
    {
        if ($this->change <= ($this->finest ? self::STEADY : self::STEADY_ENOUGH) && $this->mass <= self::MASS) {
            return ! $this->finest || ! $this->buoyantOnly || $this->settles();
        }

        return $this->looks() && $this->temperaturesStay();
    }

    /** Whether temperatures are computed after this step to see if they stay. */
    private function looks(): bool
    {
        return $this->step % $this->pace->check === 0 && $this->change <= self::NEAR && $this->mass <= self::MASS_NEAR && $this->hasTemperatures();
    }

    /** Whether there are temperatures of parts to look at. */
    private function hasTemperatures(): bool
    {
        return $this->model->physics->heat && $this->model->parts !== [];
    }

    /**
     * Whether the energy equation, solved to its end on the present flow, leaves the temperatures that drive it where they are. The
     * stratified core of a cavity comes so slowly that no step shows it.
     */
    private function settles(): bool
    {
        $before = $this->heat->temperature;
        $this->heat->settle($this->conserving(), $this->turbulence, self::PASSES, 1e-4);
        $spread = max($this->heat->temperature) - min($this->heat->temperature);

        return Vectors::distance($this->heat->temperature, $before) <= self::SETTLED * $spread * $this->grid->count();
    }

    /** Whether the greatest temperatures of all parts stand still. */
    private function temperaturesStay(): bool
    {
        $this->heat->settle($this->conserving(), $this->turbulence, 2, 1e-4);
        $largest = [];
        foreach (PartTemperatures::of($this->grid, $this->voxels, $this->heat->cells()) as $part) {
            $largest[] = $part['max'] ?? $this->fluid->temperature;
        }

        return $this->steadiness->look($largest, $this->fluid->temperature, $this->watchedFlow());
    }

    /** @return list<float> watched velocities and pressures, as shares of the greatest speed and of the spread of the pressure */
    private function watchedFlow(): array
    {
        $watches = array_filter($this->model->watches, fn (Watch $watch) => in_array($watch->quantity, Watch::AT_POINTS, true));
        if ($watches === []) {
            return [];
        }
        $probe = new FlowProbe(FlowField::of($this->domain, $this->fluid, $this->level));
        $fastest = max(array_map(fn (array $component) => max(max($component), -min($component)), $this->level->velocity));
        $spread = max($this->level->pressure) - min($this->level->pressure);

        return array_values(array_map(
            fn (Watch $watch) => ($probe->value($watch->quantity, $watch->of->point ?? [0.0, 0.0, 0.0]) ?? 0.0) / max(1e-300, $watch->quantity === 'pressure' ? $spread : $fastest),
            $watches,
        ));
    }

    /** Whether the least residual of the last steps is hardly below the least before them. */
    private function isStuck(): bool
    {
        $since = array_slice($this->residuals, $this->since);
        if (count($since) < 2 * $this->pace->patience) {
            return false;
        }

        return min(array_slice($since, -$this->pace->patience)) > 0.7 * min(array_slice($since, 0, -$this->pace->patience));
    }

    /** Damps more strongly, at last with SIMPLEC; false when nothing is left to try. */
    private function soften(): bool
    {
        $this->anderson = new Anderson($this->pace->plain);
        $this->since = count($this->residuals);
        $this->step = 0;
        if ($this->buoyantOnly && ! $this->iterates) {
            // Cycles that swing with the temperature have left the start behind; iterations do better from there.
            $this->iterates = true;
            $this->begin($this->start);

            return true;
        }
        if ($this->plain) {
            $this->plain = false;
            $this->pressure = $this->pressureCorrection();
            $this->use(new Simplec($this->level, $this->pressure, self::ITERATIONS));

            return true;
        }
        if ($this->scheme->soften()) {
            return true;
        }
        if ($this->iterates) {
            return false;
        }
        $this->iterates = true;
        $this->use(new Simplec($this->level, $this->pressure, self::ITERATIONS));

        return true;
    }

    /** @throws PhysicsException */
    private function restart(): void
    {
        if (++$this->restarts > self::MOST_RESTARTS) {
            throw new PhysicsException('the flow diverges however strongly it is damped; look for very large speeds or powers, for a fan or inlet without a way out, and for cells much smaller than their neighbours (grid report)');
        }
        $this->residuals = [];
        $this->plain = false;
        $this->iterates = $this->iterates || $this->restarts === self::MOST_RESTARTS;
        $this->begin($this->start);
        $this->devices->setRises([]);
        for ($n = 0; $n < $this->restarts; $n++) {
            $this->scheme->soften();
        }
        $this->total = 0;
    }

    /** With "auto": whether the flow that has taken shape is turbulent at all. */
    private function decide(): void
    {
        if ($this->decided || $this->turbulence === null || $this->step < $this->pace->decide) {
            return;
        }
        $this->decided = true;
        $this->reynolds = $this->turbulence->reynolds($this->level->velocity);
        $this->rayleigh = $this->forces->buoyant ? $this->rayleigh() : null;
        if ($this->model->physics->flow === 'auto' && $this->reynolds < self::TURBULENT_FROM && ($this->rayleigh ?? 0.0) < self::TURBULENT_FROM_RAYLEIGH) {
            $this->turbulence = null;
            $this->heat->films = [];
            $this->setFriction();
            $this->heat->assemble(null);
        }
    }

    /** Rayleigh number from the spread of the temperatures and the height of the space along gravity. */
    private function rayleigh(): float
    {
        $fluid = $this->fluid;
        $spread = max($this->heat->temperature) - min($this->heat->temperature);

        return $this->gravity() * $fluid->expansion * $spread * $this->height() ** 3 * $fluid->density ** 2 * $fluid->specificHeat / $fluid->viscosity / $fluid->conductivity;
    }

    /** m/s2 */
    private function gravity(): float
    {
        $g = $this->model->surroundings->gravity;

        return sqrt($g[0] ** 2 + $g[1] ** 2 + $g[2] ** 2);
    }

    /** Of the space along gravity, m. */
    private function height(): float
    {
        $height = 0.0;
        foreach ($this->model->surroundings->gravity as $axis => $part) {
            $height += abs($part) / $this->gravity() * $this->model->space->box->size($axis);
        }

        return $height;
    }

    private function updateMixing(): void
    {
        $this->molecular->update($this->level->velocity, $this->heat->temperature);
        $this->density->update($this->level, $this->heat->temperature);
        if ($this->turbulence !== null) {
            $this->turbulence->update($this->level->velocity, $this->molecular, $this->gaps->turbulence($this->level->velocity, $this->molecular->viscosity));
            $this->layers ??= new DevelopingLayers($this->model, $this->domain, $this->fluid, $this->voxels);
            $this->heat->films = $this->layers->films($this->level->velocity, $this->molecular, $this->turbulence->wallConductivity);
        }
        if ($this->turbulence !== null || $this->fluid->varies() || ! $this->gaps->isEmpty()) {
            $this->setFriction();
        }
    }

    private function setFriction(): void
    {
        $mixing = $this->turbulence ?? $this->molecular;
        $this->gaps->update($this->level->velocity, $this->molecular->viscosity, $mixing->wallViscosity);
        $this->level->friction = $this->gaps->addTo(Friction::of($this->domain, $mixing->viscosity, $mixing->wallViscosity, $this->density->onLosses($this->level, $this->devices->loss)));
        if (isset($this->scheme)) {
            $this->scheme->coefficientsChanged();
        }
    }

    /** From rest, forces that will be held by friction meet none: the first cycles are those of a thicker fluid. */
    private function startThick(): void
    {
        $speed = max($this->devices->freeSpeed(), $this->speedGiven());
        $size = 0.0;
        foreach ($this->domain->openings as $opening) {
            $size = max($size, sqrt(array_sum($opening->areas)));
        }
        $times = max(1.0, $speed * $size * $this->fluid->density / $this->fluid->viscosity / self::START_REYNOLDS);
        $thick = array_fill(0, $this->domain->layout->length, $times * $this->fluid->viscosity);
        $this->level->friction = Friction::of($this->domain, $thick, $thick, $this->devices->loss);
        $this->scheme->coefficientsChanged();
    }

    private function setSources(): void
    {
        $flux = $this->level->fluxes();
        foreach ([0, 1, 2] as $axis) {
            $force = Vectors::plus($this->devices->addForces($axis, $this->forces->on($axis, $this->heat->temperature, $this->density->filling())), 1.0, $this->level->friction->pull[$axis]);
            $this->level->source[$axis] = Vectors::plus($force, 1.0, LimitedConvection::force($this->domain, $axis, $flux, $this->level->velocity[$axis]));
        }
    }

    /** Greatest speed that inlets and moving walls give, m/s. */
    private function speedGiven(): float
    {
        $speed = 0.0;
        foreach ($this->domain->velocity as $component) {
            $speed = max($speed, max($component), -min($component));
        }

        return $speed;
    }

    /**
     * kg/s: what the openings let in, or what the strongest section of a closed space carries.
     *
     * @param array{list<float>, list<float>, list<float>} $flux
     */
    private function throughFlow(array $flux): float
    {
        $in = 0.0;
        foreach ($this->domain->openings as $opening) {
            foreach ($opening->faces as $face) {
                $in += max(0.0, -$opening->outward * $flux[$opening->axis][$face]);
            }
        }
        $largest = 0.0;
        foreach ($flux as $axis => $through) {
            $largest = max($largest, Vectors::amount($through) / $this->grid->cells[$axis]);
        }

        return max($in, $largest);
    }

    /** @return list<list<float>> velocities, pressure, fans and, where it takes part, temperature */
    private function fields(): array
    {
        $fields = [...$this->level->velocity, $this->level->pressure, array_values($this->devices->rises())];
        if ($this->buoyantOnly) {
            $fields[] = $this->heat->temperature;
        }

        return $fields;
    }

    /** @param list<list<float>> $fields */
    private function setFields(array $fields): void
    {
        $this->level->velocity = [$fields[0], $fields[1], $fields[2]];
        $this->level->pressure = $fields[3];
        $this->devices->setRises(array_combine(array_keys($this->devices->rises()), $fields[4]));
        if (isset($fields[5])) {
            $this->heat->temperature = $fields[5];
        }
    }

    /** @return list<float> what makes velocities, pressures and temperatures comparable in the measure of a step */
    private function scales(): array
    {
        $v = $this->level->velocity;
        $speed = 1.0 / max(1e-300, Vectors::dot($v[0], $v[0]) + Vectors::dot($v[1], $v[1]) + Vectors::dot($v[2], $v[2]));
        $rises = array_values($this->devices->rises());
        $scales = [$speed, $speed, $speed, 0.1 / max(1e-300, self::variance($this->level->pressure)), 1.0 / max(1e-300, Vectors::dot($rises, $rises))];
        if ($this->buoyantOnly) {
            $scales[] = 1.0 / max(1e-300, self::variance($this->heat->temperature));
        }

        return $scales;
    }

    /** @param list<float> $x */
    private static function variance(array $x): float
    {
        return Vectors::dot($x, $x) - array_sum($x) ** 2 / count($x);
    }

    private function report(): void
    {
        if (hrtime(true) / 1e9 - $this->lastReport > 0.2) {
            $this->lastReport = hrtime(true) / 1e9;
            // Before the first check there are temperatures nowhere.
            $seen = $this->steadiness->temperatures() === [] ? null : LiveValues::of($this->model, $this->voxels, $this->heat->system, $this->heat->cells());
            $this->listener->report(new Progress('solving', $this->grid->count(), $this->total, max($this->change, $this->mass), $seen?->worstMargin(), count($this->done) + 1, $seen->values ?? []));
        }
    }

    /** @return array<string, mixed> */
    private function regime(?FlowAverage $average): array
    {
        return [
            'chosen' => $this->model->physics->flow,
            'model' => $this->turbulence === null ? 'laminar' : 'turbulent',
            'reynolds' => $this->reynolds ?? $this->turbulence?->reynolds($this->level->velocity),
            'rayleigh' => $this->rayleigh ?? ($this->forces->buoyant ? $this->rayleigh() : null),
            'buoyancy' => $this->forces->buoyant,
            'densityVaries' => $this->density->varies(),
            'scheme' => $this->scheme instanceof FlowCycle ? 'multigrid' : 'SIMPLEC',
            'velocityChange' => $this->change,
            'massImbalance' => $this->mass,
            'temperatureMove' => $this->steadiness->moved(),
            'frozen' => $this->frozen,
            'amplitude' => $average?->amplitude(),
        ];
    }
}
