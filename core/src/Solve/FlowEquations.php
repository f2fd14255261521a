<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Flow\DevelopingLayers;
use Foehn\Physics\Flow\Devices;
use Foehn\Physics\Flow\Diverged;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\FinGaps;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowLevel;
use Foehn\Physics\Flow\Forces;
use Foehn\Physics\Flow\Friction;
use Foehn\Physics\Flow\GasDensity;
use Foehn\Physics\Flow\LimitedConvection;
use Foehn\Physics\Flow\MolecularProperties;
use Foehn\Physics\Flow\Momentum;
use Foehn\Physics\Flow\Opening;
use Foehn\Physics\Flow\PressureCorrection;
use Foehn\Physics\Flow\Turbulence;
use Foehn\Physics\Flow\WallDistance;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LinkStore;

/** State and equations of flow and heat on one grid: what drives, rubs, mixes and carries, each from the present state of the others. How they are brought to balance is up to the FlowSolver. */
final class FlowEquations
{
    /** From this Rayleigh number on natural convection counts as turbulent. */
    public const TURBULENT_FROM = 1e9;

    /** From rest the fluid starts this many times less lively than its Reynolds number makes it. */
    private const START_REYNOLDS = 100.0;

    /** The fluid conducts this many times better while it is still, as a guess of what its motion will carry. */
    private const STILL_CONDUCTION = 8.0;

    /** Peclet number of the space below which the fluid is as good as still. */
    private const STILL_PECLET = 0.1;

    /** Of the unrest, each of blocks twice as large as the one before. */
    private const SCALES = 5;

    /** Turbulent natural convection in a space carries heat this many times Ra^(1/3) better than the fluid at rest (Globe & Dropkin, J. Heat Transfer 81 (1959) 24). */
    private const CARRIES = 0.069;

    /** Richardson number, the square of the speed of free fall over that of what is given, from which on buoyancy outweighs the inertia of the flow. */
    private const COUPLED_FROM = 1.0;

    public readonly Fluid $fluid;

    public readonly FlowDomain $domain;

    public readonly Devices $devices;

    public readonly Forces $forces;

    public readonly FinGaps $gaps;

    /** Whether temperatures move the fluid and nothing else does. */
    public readonly bool $buoyantOnly;

    /** Whether temperatures are stepped along with the flow, since they drive it alone or more strongly than what is given. */
    public bool $coupled = false;

    public FlowLevel $level;

    public HeatOnFlow $heat;

    public GasDensity $density;

    /** Null while the flow is laminar. */
    public ?Turbulence $turbulence = null;

    /** Whether the scheme has not seen the present friction yet. */
    public bool $frictionChanged = true;

    /** Whether friction is that of a thicker fluid still. */
    private bool $thick = false;

    private MolecularProperties $molecular;

    private ?DevelopingLayers $layers = null;

    private ?WallDistance $wall = null;

    private readonly WatchedFlow $watches;

    /** @throws PhysicsException */
    public function __construct(private readonly Model $model, private readonly Voxels $voxels, private readonly LinkStore $links = new LinkStore(), private readonly ?HeldSolids $held = null)
    {
        $material = $model->materials->get((string) $model->space->fluid);
        assert($material !== null);
        $this->fluid = Fluid::of($material, $model->surroundings);
        $this->domain = DomainBuilder::build($model, $voxels, $this->fluid->density);
        $this->devices = new Devices($model, $this->domain, $this->fluid->density);
        $this->forces = new Forces($model, $this->domain, $this->fluid);
        $this->gaps = new FinGaps($model, $this->domain, $this->fluid);
        $this->watches = new WatchedFlow($model, $this->domain, $this->fluid);
        $driven = $this->devices->freeSpeed() > 0.0 || $this->speedGiven() > 0.0 || $this->forces->drive();
        $this->buoyantOnly = $this->forces->buoyant && ! $driven;
    }

    /** The state to start from; null: at rest, with a guess of the temperatures where they move the fluid. */
    public function begin(?FlowState $start): void
    {
        $this->level = FlowLevel::finest($this->domain, $this->fluid->density);
        $this->molecular = new MolecularProperties($this->domain, $this->fluid);
        $this->density = new GasDensity($this->domain, $this->fluid, $this->model->physics->heat);
        $this->heat = new HeatOnFlow($this->model, $this->voxels, $this->domain, $this->fluid, $this->gaps, $this->links, $this->held);
        if ($this->model->physics->flow === 'turbulent' || ($this->mayJudge() && ($start === null || $start->turbulent))) {
            $this->turbulence ??= $this->eddies();
        }
        $this->setFriction();
        if ($start !== null) {
            $this->take($start->onto($this->domain->layout));
            $this->updateMixing();
        } elseif ($this->buoyantOnly || ($this->forces->buoyant && $this->model->holdsTemperature())) {
            // At rest a stream takes no heat away: what is heated and tied to no temperature would come out without bound.
            $this->guess();
        }
        $this->coupled = $this->richardson() > self::COUPLED_FROM;
    }

    /** Square of the speed of free fall over that of what is given, such as a fan's at free delivery: 0 without buoyancy, INF where nothing else drives. */
    public function richardson(): float
    {
        $given = max($this->devices->freeSpeed(), $this->speedGiven());

        return match (true) {
            ! $this->forces->buoyant => 0.0,
            $this->buoyantOnly || $given <= 0.0 => INF,
            default => ($this->freeFall() / $given) ** 2,
        };
    }

    public function isStill(): bool
    {
        $fastest = max(array_map(Vectors::largest(...), $this->level->velocity));

        return $fastest <= $this->stillSpeed();
    }

    /**
     * Unrest in the temperatures, the same in every run. Fluid that rests over a warm floor is a solution of the equations, but no
     * fluid stays there; without unrest a computation does. Blocks of one to sixteen cells, since it depends on the gap which grow.
     *
     * @param float $fraction of the spread of the temperatures, per size of blocks
     */
    public function stir(float $fraction): void
    {
        $temperatures = $this->heat->temperature ?: [$this->fluid->temperature];
        [$least, $most] = [min($temperatures), max($temperatures)];
        $unrest = $fraction * ($most - $least);
        foreach ($this->domain->fluid as $c => $fluid) {
            if ($fluid === 1) {
                [$i, $j, $k] = $this->domain->layout->place($c);
                $sum = 0.0;
                for ($scale = 0; $scale < self::SCALES; $scale++) {
                    $sum += crc32(pack('V4', $scale, $i >> $scale, $j >> $scale, $k >> $scale)) / 0xFFFFFFFF - 0.5;
                }
                $this->heat->temperature[$c] = min($most, max($least, $this->heat->temperature[$c] + $unrest * $sum));
            }
        }
    }

    /** Whether the flow that is found says whether it is turbulent. */
    public function mayJudge(): bool
    {
        return $this->fluid->powerLaw === null && $this->model->physics->flow === 'auto';
    }

    /**
     * Velocities of the faces where they are computed; what is given there stays.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity m/s on upper faces, in the layout of the flow
     */
    public function move(array $velocity): void
    {
        foreach ([0, 1, 2] as $axis) {
            $given = $this->domain->velocity[$axis];
            foreach ($this->domain->face[$axis] as $c => $kind) {
                if ($kind === FlowDomain::GIVEN) {
                    $velocity[$axis][$c] = $given[$c];
                }
            }
        }
        $this->level->velocity = $velocity;
    }

    private function take(FlowState $state): void
    {
        $this->move($state->velocity);
        foreach ($this->domain->fluid as $c => $fluid) {
            if ($fluid === 1) {
                $this->level->pressure[$c] = $state->pressure[$c];
            }
        }
        $this->heat->beginAt($state->temperature);
        $this->devices->setRises($state->rises);
        $this->devices->setSpeeds($state->speeds);
    }

    /** From now on with eddies or without; whether that is a change. */
    public function become(bool $turbulent): bool
    {
        if ($turbulent === ($this->turbulence !== null)) {
            return false;
        }
        $this->turbulence = $turbulent ? $this->eddies() : null;
        $this->heat->films = [];
        $turbulent ? $this->updateMixing() : $this->setFriction();
        $this->heat->assemble($this->turbulence);

        return true;
    }

    private function eddies(): Turbulence
    {
        return new Turbulence($this->domain, $this->fluid, $this->wall());
    }

    private function wall(): WallDistance
    {
        return $this->wall ??= new WallDistance($this->domain);
    }

    /** Reynolds number of the flow as it is, with twice the gap between walls as the length. */
    public function reynolds(): float
    {
        return $this->wall()->speedTimesWidth($this->level->velocity) * $this->fluid->density / $this->fluid->viscosity;
    }

    public function updateMixing(): void
    {
        $this->density->update($this->level, $this->heat->temperature);
        $this->molecular->update($this->level->velocity, $this->heat->temperature, $this->density->inCells());
        if ($this->turbulence !== null) {
            $this->turbulence->update($this->level->velocity, $this->molecular, $this->gaps->turbulence($this->level->velocity, $this->molecular));
            $this->layers ??= new DevelopingLayers($this->model, $this->domain, $this->fluid, $this->voxels);
            $this->heat->films = $this->layers->films($this->level->velocity, $this->molecular, $this->turbulence->wallConductivity);
        }
        if ($this->thick || $this->turbulence !== null || $this->fluid->varies() || ! $this->gaps->isEmpty()) {
            $this->setFriction();
        }
    }

    private function setFriction(): void
    {
        $mixing = $this->turbulence ?? $this->molecular;
        $this->gaps->update($this->level->velocity, $this->molecular, $mixing->wallViscosity);
        $this->level->friction = $this->gaps->addTo(Friction::of($this->domain, $mixing->viscosity, $mixing->wallViscosity, $this->density->onLosses($this->level, $this->devices->loss)));
        $this->thick = false;
        $this->frictionChanged = true;
    }

    /** @return array<int, float> wall shear times wall distance over speed, Pa s, in the layout of the flow */
    public function wallViscosity(): array
    {
        return ($this->turbulence ?? $this->molecular)->wallViscosity;
    }

    /** From rest, forces that will be held by friction meet none: the first cycles are those of a thicker fluid. */
    public function startThick(): void
    {
        $speed = max($this->devices->freeSpeed(), $this->speedGiven());
        $size = 0.0;
        foreach ($this->domain->openings as $opening) {
            $size = max($size, sqrt(array_sum($opening->areas)));
        }
        $times = max(1.0, $speed * $size * $this->fluid->density / $this->fluid->viscosity / self::START_REYNOLDS);
        $thick = array_fill(0, $this->domain->layout->length, $times * $this->fluid->viscosity);
        $this->level->friction = Friction::of($this->domain, $thick, $thick, $this->devices->loss);
        $this->thick = $this->frictionChanged = true;
    }

    public function setSources(): void
    {
        $flux = $this->level->fluxes();
        foreach ([0, 1, 2] as $axis) {
            $force = Vectors::plus($this->devices->addForces($axis, $this->forces->on($axis, $this->heat->temperature, $this->density->pressureRatio())), 1.0, $this->level->friction->pull[$axis]);
            $this->level->source[$axis] = Vectors::plus($force, 1.0, LimitedConvection::force($this->domain, $axis, $flux, $this->level->velocity[$axis]));
        }
    }

    /** Temperatures of the fluid as if it were at rest and conducted what its motion will carry. */
    private function guess(): void
    {
        $this->heat->guess(self::STILL_CONDUCTION * $this->fluid->conductivity);
        // The spread falls with what is carried, and that with the spread: three rounds bring the two together.
        for ($round = 0; $round < 3 && $this->buoyantOnly && $this->rayleigh() > self::TURBULENT_FROM; $round++) {
            $this->heat->guess(self::CARRIES * $this->rayleigh() ** (1 / 3) * $this->fluid->conductivity);
        }
    }

    /** Lets the velocities conserve mass in every cell, as the heat they carry needs it. */
    public function conserveMass(): void
    {
        $flux = $this->level->fluxes();
        $mobility = [];
        foreach ([0, 1, 2] as $axis) {
            $mobility[] = (new Momentum($this->level, $axis, $flux, 1.0, 0.0, false))->mobility;
        }
        $mobility = [$mobility[0], $mobility[1], $mobility[2]];
        [$imbalance] = $this->level->imbalance($flux);
        $this->level->follow($mobility, (new PressureCorrection($this->domain, PressureCorrection::fine()))->solve($mobility, $this->level->carrying, $imbalance), 0.0);
    }

    /**
     * What iteration has left open in the momentum, with the sources of the fields as they are.
     *
     * @return array{array<int, float>, array<int, float>, array<int, float>} N on the faces, by axis
     * @throws Diverged
     */
    public function unbalanced(): array
    {
        $level = clone $this->level;
        $before = $this->level->source;
        $this->setSources();
        [$level->source, $this->level->source] = [$this->level->source, $before];
        $flux = $level->fluxes();
        $open = array_map(fn (int $axis): array => (new Momentum($level, $axis, $flux, 1.0, 0.0, false))->residual(), [0, 1, 2]);

        return [$open[0], $open[1], $open[2]];
    }

    /** Rayleigh number from the spread of the temperatures and the height of the space along gravity. */
    public function rayleigh(): float
    {
        $fluid = $this->fluid;

        return $this->gravity() * $fluid->expansion * $this->spread() * $this->height() ** 3 * $fluid->density ** 2 * $fluid->specificHeat / $fluid->viscosity / $fluid->conductivity;
    }

    /** Speed of a fall through the height of the space under the buoyancy of the whole spread, m/s. */
    public function freeFall(): float
    {
        return sqrt($this->gravity() * $this->fluid->expansion * $this->spread() * $this->height());
    }

    /** Of the temperatures, K. */
    public function spread(): float
    {
        return Vectors::spread($this->heat->temperature);
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

    /** Where only temperatures move the fluid, the speed below which it carries nothing beside what it conducts, m/s; else 0. */
    public function stillSpeed(): float
    {
        return $this->buoyantOnly ? self::STILL_PECLET * $this->fluid->conductivity / $this->fluid->density / $this->fluid->specificHeat / $this->size() : 0.0;
    }

    /** Greatest of the space, m. */
    public function size(): float
    {
        $box = $this->model->space->box;

        return max($box->size(0), $box->size(1), $box->size(2));
    }

    /** Greatest speed that inlets and moving walls give, m/s. */
    public function speedGiven(): float
    {
        $speed = 0.0;
        foreach ($this->domain->velocity as $component) {
            $speed = max($speed, Vectors::largest($component));
        }

        return $speed;
    }

    /**
     * kg/s: what the openings let in, or what the strongest section of a closed space carries.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux
     */
    public function throughFlow(array $flux): float
    {
        $in = 0.0;
        foreach ($this->domain->openings as $opening) {
            foreach ($opening->faces as $face) {
                $in += max(0.0, -$opening->outward * $flux[$opening->axis][$face]);
            }
        }
        $largest = $this->fluid->density * $this->stillSpeed() * $this->model->space->box->size(0) * $this->model->space->box->size(1);
        foreach ($flux as $axis => $through) {
            $largest = max($largest, Vectors::amount($through) / $this->voxels->grid->cells[$axis]);
        }

        return max($in, $largest);
    }

    /** @return list<float> mean speed along each axis and flow through each opening, as shares of the fastest axis and of all that passes */
    public function circulation(): array
    {
        $amounts = array_map(Vectors::amount(...), $this->level->velocity);
        $most = max(1e-300, ...$amounts);
        $flux = $this->level->fluxes();
        $all = max(1e-300, $this->throughFlow($flux));

        return [
            ...array_map(fn (float $amount): float => $amount / $most, $amounts),
            ...array_map(fn (Opening $opening): float => array_sum(array_map(fn (int $face): float => $flux[$opening->axis][$face], $opening->faces)) / $all, $this->domain->openings),
        ];
    }

    /** @return array<int, float> what is watched or limited beside temperatures, as shares (see WatchedFlow) */
    public function watched(): array
    {
        return $this->watches->shares($this->level, $this->heat, $this->throughFlow(...));
    }

    /** @return list<array<int, float>> velocities, pressure, fans and, where it takes part, temperature */
    public function fields(): array
    {
        $fields = [...$this->level->velocity, $this->level->pressure, array_values($this->devices->rises())];
        if ($this->coupled) {
            $fields[] = $this->heat->temperature;
        }

        return $fields;
    }

    /** @param list<array<int, float>> $fields */
    public function setFields(array $fields): void
    {
        $this->level->velocity = [$fields[0], $fields[1], $fields[2]];
        $this->level->pressure = $fields[3];
        $this->devices->setRises(array_combine(array_keys($this->devices->rises()), $fields[4]));
        if (isset($fields[5])) {
            $this->heat->temperature = $fields[5];
        }
    }

    /** @return array<int, float> what makes velocities, pressures and temperatures comparable in the measure of a step */
    public function scales(): array
    {
        $v = $this->level->velocity;
        $speed = 1.0 / max(1e-300, Vectors::dot($v[0], $v[0]) + Vectors::dot($v[1], $v[1]) + Vectors::dot($v[2], $v[2]));
        $rises = array_values($this->devices->rises());
        $scales = [$speed, $speed, $speed, 0.1 / max(1e-300, self::variance($this->level->pressure)), 1.0 / max(1e-300, Vectors::dot($rises, $rises))];
        if ($this->coupled) {
            $scales[] = 1.0 / max(1e-300, self::variance($this->heat->temperature));
        }

        return $scales;
    }

    /** @param array<int, float> $x */
    private static function variance(array $x): float
    {
        return Vectors::dot($x, $x) - array_sum($x) ** 2 / count($x);
    }

    /** @return array<string, mixed> what was asked for, what is computed, and the numbers that tell of it */
    public function regime(): array
    {
        return [
            'chosen' => $this->model->physics->flow,
            'model' => $this->turbulence === null ? 'laminar' : 'turbulent',
            'reynolds' => $this->fluid->powerLaw === null ? $this->reynolds() : null,
            'rayleigh' => $this->forces->buoyant ? $this->rayleigh() : null,
            'buoyancy' => $this->forces->buoyant,
            'densityVaries' => $this->density->varies(),
        ];
    }

    public function state(): FlowState
    {
        return new FlowState($this->domain->layout, $this->level->velocity, $this->level->pressure, $this->heat->temperature, $this->devices->rises(), $this->turbulence !== null, $this->devices->speeds());
    }
}
