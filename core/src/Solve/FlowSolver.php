<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Axes;
use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Anderson;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Flow\Devices;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Flow\EnergyTransport;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Flow\Fluid;
use Foehn\Physics\Flow\Momentum;
use Foehn\Physics\Flow\PressureCorrection;
use Foehn\Physics\Flow\Turbulence;
use Foehn\Physics\Heat\ConductionAssembler;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Results\LimitCheck;
use Foehn\Results\PartTemperatures;

/**
 * Steady flow and heat by SIMPLEC (Van Doormaal & Raithby, Numer. Heat Transfer 7 (1984) 147): momentum with relaxation, full
 * pressure correction, one step of the energy equation where buoyancy couples the two; else the energy once at the end.
 */
final class FlowSolver
{
    private const MOST_ITERATIONS = 1500;

    /** Sums of changes of velocity over sums of velocities, per iteration and unit of relaxation, at which the flow counts as steady. */
    private const STEADY = 2e-5;

    /** Mass imbalance that a correction leaves, summed over cells, of the flow through the space. */
    private const MASS = 1e-3;

    private const SWEEPS = 2;

    /** Where fans or inlets drive the flow, buoyancy follows the temperatures at this interval. */
    private const HEAT_EVERY = 10;

    /** Turbulent boxes rarely settle to STEADY. They count as steady when, at this interval, part temperatures stay ... */
    private const CHECK_EVERY = 20;

    /** ... within this share of the largest temperature rise, */
    private const TEMPERATURES_STAY = 0.003;

    /** ... and changes and imbalances are at least below these. */
    private const NEAR = 0.05;

    private const MASS_NEAR = 0.02;

    private const TURBULENCE_EVERY = 5;

    /** With "auto": from this Reynolds number on the flow counts as turbulent, judged after so many iterations. */
    private const TURBULENT_FROM = 3000.0;

    private const DECIDE_AFTER = 30;

    /** Iterations over which fans that start from rest are held back, less and less. */
    private const SOFT_START = 20;

    /** The acceleration waits until every fan is this near to its curve, as a share of its greatest rise. */
    private const FANS_NEAR = 0.02;

    /** A fan a hundredth of its greatest rise off its curve counts as much as velocities that change by this hundredth of that. */
    private const FAN_WEIGHT = 0.01;

    /** Iterations before the acceleration starts. */
    private const PLAIN = 8;

    /** Relaxation of the momentum equation at the start, without and with buoyancy. */
    private const FORCED = 0.9;

    private const BUOYANT = 0.7;

    /** A run that has not come nearer over this many iterations is damped more strongly. */
    private const PATIENCE = 80;

    private const STRONGEST_DAMPING = 0.3;

    private FlowDomain $domain;

    private Fluid $fluid;

    private FlowField $field;

    private Devices $devices;

    /** Null while the flow is laminar. */
    private ?Turbulence $turbulence = null;

    /** @var array{list<float>, list<float>} Pa s inside and towards walls */
    private array $viscosity;

    private ?float $reynolds = null;

    private HeatSystem $heat;

    private ?EnergyTransport $energy = null;

    /** @var list<float> K, in the layout of the flow */
    private array $temperature = [];

    /** @var array{list<float>, list<float>, list<float>} N on faces, from the model */
    private array $force;

    /** @var list<float> */
    private array $residuals = [];

    private float $lastReport = 0.0;

    /** @var list<float> greatest temperature of each part at the last check, K */
    private array $checked = [];

    /** Iteration of the last stronger damping. */
    private int $damped = 0;

    public function __construct(
        private readonly Model $model,
        private readonly Grid $grid,
        private readonly Voxels $voxels,
        private readonly ProgressListener $listener,
    ) {
    }

    public function solve(): Solution
    {
        $started = hrtime(true);
        $this->prepare();
        $coupled = $this->isCoupled();
        $relaxation = $coupled ? self::BUOYANT : self::FORCED;
        $anderson = new Anderson(self::PLAIN);
        $change = $mass = INF;
        $stopped = false;
        $iteration = 0;
        if ($coupled) {
            $this->heatStep(1e-3, 30, 0.0);
        }
        $forced = $this->devices->freeSpeed() > 0.0 || $this->hasInlet();
        $everyStep = $coupled && ! $forced;
        $pressure = new PressureCorrection($this->domain, $forced ? PressureCorrection::ROUGH : PressureCorrection::CLOSE);
        $steady = false;
        while ($iteration < self::MOST_ITERATIONS && ! $stopped && ! $steady) {
            $iteration++;
            $this->updateTurbulence($iteration, $everyStep);
            $before = $this->state($everyStep);
            [$change, $mass] = $this->flowStep($pressure, $relaxation, max(0.0, 1.0 - $iteration / self::SOFT_START));
            if ($everyStep) {
                $change = max($change, $this->heatStep(0.0, 2, 1.0));
            } elseif ($coupled && $iteration % self::HEAT_EVERY === 0) {
                $this->assembleHeat();
                $this->heatStep(1e-4, 10, 1.0);
            }
            if ($this->devices->distance() < self::FANS_NEAR) {
                $this->setState($anderson->next($before, $this->state($everyStep), $this->scales($everyStep)));
            }
            $this->residuals[] = max($change, $mass);
            if ($this->isStuck() && $relaxation > self::STRONGEST_DAMPING) {
                $relaxation = max(self::STRONGEST_DAMPING, $relaxation - 0.2);
                $anderson = new Anderson(self::PLAIN);
                $this->damped = $iteration;
            }
            $steady = ($change <= self::STEADY && $mass <= self::MASS)
                || ($iteration % self::CHECK_EVERY === 0 && $change <= self::NEAR && $mass <= self::MASS_NEAR && $this->temperaturesStay());
            if (hrtime(true) / 1e9 - $this->lastReport > 0.2) {
                $this->lastReport = hrtime(true) / 1e9;
                $this->listener->report(new Progress('solving', $this->grid->count(), $iteration, max($change, $mass), $this->worstMargin()));
            }
            $stopped = $this->listener->shouldStop();
        }
        $converged = $steady && ! $stopped;
        if ($this->energy !== null) {
            $this->settleHeat(40, 1e-7);
        }

        return new Solution(
            $this->model, $this->grid, $this->voxels, $this->heat, $this->domain->layout->gather($this->temperature),
            $iteration, 1, $this->residuals[count($this->residuals) - 1] ?? 0.0, $converged, $stopped, (hrtime(true) - $started) / 1e9, $this->residuals, $this->field, $this->devices->operatingPoints(),
            ['chosen' => $this->model->physics->flow, 'model' => $this->turbulence === null ? 'laminar' : 'turbulent', 'reynolds' => $this->reynolds, 'buoyancy' => $coupled],
        );
    }

    private function prepare(): void
    {
        $material = $this->model->materials->get((string) $this->model->space->fluid);
        assert($material !== null);
        $this->fluid = Fluid::of($material, $this->model->surroundings);
        $this->domain = DomainBuilder::build($this->model, $this->grid, $this->voxels, $this->fluid->density);
        $this->field = FlowField::atRest($this->domain, $this->fluid);
        $this->devices = new Devices($this->model, $this->domain, $this->fluid->density);
        $plain = array_fill(0, $this->domain->layout->length, $this->fluid->viscosity);
        $this->viscosity = [$plain, $plain];
        if ($this->model->physics->flow !== 'laminar') {
            $this->turbulence = new Turbulence($this->domain, $this->fluid);
        }
        $this->heat = ConductionAssembler::assemble($this->model, $this->grid, $this->voxels);
        $this->temperature = array_fill(0, $this->domain->layout->length, $this->fluid->temperature);
        if ($this->model->physics->heat) {
            $this->energy = new EnergyTransport($this->domain, $this->heat, $this->fluid->specificHeat);
        }
        $this->force = $this->givenForces();
    }

    private function hasInlet(): bool
    {
        foreach ($this->domain->openings as $opening) {
            if ($opening->condition->kind === 'inlet') {
                return true;
            }
        }

        return false;
    }

    /** Whether the greatest temperatures of all parts are those of the last check; false without heat or parts. */
    private function temperaturesStay(): bool
    {
        if ($this->energy === null || $this->model->parts === []) {
            return false;
        }
        $this->settleHeat(4, 1e-5);
        $largest = [];
        foreach (PartTemperatures::of($this->grid, $this->voxels, $this->domain->layout->gather($this->temperature)) as $part) {
            $largest[] = $part['max'] ?? $this->fluid->temperature;
        }
        [$last, $this->checked] = [$this->checked, $largest];
        if ($last === []) {
            return false;
        }
        $rise = max(array_map(fn (float $t) => abs($t - $this->fluid->temperature), $largest));
        $moved = max(array_map(fn (float $a, float $b) => abs($a - $b), $largest, $last));

        return $moved <= self::TEMPERATURES_STAY * $rise;
    }

    private function worstMargin(): ?float
    {
        return $this->checked === [] ? null : LimitCheck::worstMargin($this->model, $this->voxels, $this->heat, $this->domain->layout->gather($this->temperature));
    }

    /** Whether the least residual of the last iterations is hardly below the least before them. */
    private function isStuck(): bool
    {
        $since = array_slice($this->residuals, $this->damped);
        if (count($since) < 2 * self::PATIENCE) {
            return false;
        }

        return min(array_slice($since, -self::PATIENCE)) > 0.7 * min(array_slice($since, 0, -self::PATIENCE));
    }

    /** @return list<list<float>> velocities, pressure, fans and, where it takes part, temperature */
    private function state(bool $withTemperature): array
    {
        $state = [...$this->field->velocity, $this->field->pressure, $this->devices->rises()];
        if ($withTemperature) {
            $state[] = $this->temperature;
        }

        return $state;
    }

    /** @param list<list<float>> $state */
    private function setState(array $state): void
    {
        $this->field->velocity = [$state[0], $state[1], $state[2]];
        $this->field->pressure = $state[3];
        $this->devices->setRises($state[4]);
        if (isset($state[5])) {
            $this->temperature = $state[5];
        }
        $this->field->computeFluxes();
    }

    /** @return list<float> what makes velocities, pressures and temperatures comparable in the measure of a step */
    private function scales(bool $withTemperature): array
    {
        $v = $this->field->velocity;
        $speed = 1.0 / max(1e-300, Vectors::dot($v[0], $v[0]) + Vectors::dot($v[1], $v[1]) + Vectors::dot($v[2], $v[2]));
        $rises = $this->devices->rises();
        $scales = [$speed, $speed, $speed, 0.1 / max(1e-300, self::variance($this->field->pressure)), 1.0 / max(1e-300, Vectors::dot($rises, $rises))];
        if ($withTemperature) {
            $scales[] = 1.0 / max(1e-300, self::variance($this->temperature));
        }

        return $scales;
    }

    /** @param list<float> $x */
    private static function variance(array $x): float
    {
        return Vectors::dot($x, $x) - array_sum($x) ** 2 / count($x);
    }

    /** Eddy viscosity from the present velocities; whether it is needed at all is decided once the flow has taken shape. */
    private function updateTurbulence(int $iteration, bool $everyStep): void
    {
        if ($this->turbulence === null || ($iteration - 1) % self::TURBULENCE_EVERY !== 0) {
            return;
        }
        $this->reynolds = $this->turbulence->reynolds($this->field->velocity);
        if ($this->model->physics->flow === 'auto' && $iteration > self::DECIDE_AFTER && $this->reynolds < self::TURBULENT_FROM) {
            $plain = array_fill(0, $this->domain->layout->length, $this->fluid->viscosity);
            $this->viscosity = [$plain, $plain];
            $this->turbulence = null;
        } else {
            $this->turbulence->update($this->field->velocity);
            $this->viscosity = [$this->turbulence->viscosity, $this->turbulence->wallViscosity];
        }
        if ($everyStep) {
            $this->assembleHeat();
        }
    }

    /** The heat equations with the mixing of the present flow. */
    private function assembleHeat(): void
    {
        $mixing = $this->turbulence === null ? null : [$this->turbulence->conductivity, $this->turbulence->wallConductivity];
        $this->heat = ConductionAssembler::assemble($this->model, $this->grid, $this->voxels, $this->domain->layout->gather($this->temperature), $mixing);
        $this->energy = new EnergyTransport($this->domain, $this->heat, $this->fluid->specificHeat);
    }

    private function isCoupled(): bool
    {
        $g = $this->model->surroundings->gravity;

        return $this->energy !== null && $this->model->physics->buoyancy && $this->fluid->expansion > 0.0 && $g[0] ** 2 + $g[1] ** 2 + $g[2] ** 2 > 0.0;
    }

    /**
     * Momentum, then mass.
     *
     * @return array{float, float} relative change of the velocities, mass imbalance that the correction left, summed over cells, of the flow through the space
     */
    private function flowStep(PressureCorrection $correction, float $relaxation, float $hold): array
    {
        $layout = $this->domain->layout;
        $field = $this->field;
        $this->devices->update($field->velocity);
        $inertia = $hold * $this->fluid->density * $this->devices->freeSpeed();
        $mobility = [];
        $before = $field->velocity;
        foreach ([0, 1, 2] as $axis) {
            $momentum = new Momentum(
                $this->domain, $axis, $this->viscosity[0], $this->viscosity[1], $field->flux, $field->velocity[$axis], $field->pressure,
                $this->devices->addForces($axis, $this->forces($axis)), $this->devices->loss[$axis], $this->fluid->density, $relaxation, $inertia,
            );
            $u = $field->velocity[$axis];
            for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
                [$u] = $momentum->sweep($layout, $u);
            }
            $field->velocity[$axis] = $u;
            $mobility[] = $momentum->mobility;
        }
        $field->computeFluxes();
        [$imbalance] = $field->imbalance();
        $p = $correction->solve([$mobility[0], $mobility[1], $mobility[2]], $imbalance, $this->fluid->density);
        foreach ([0, 1, 2] as $axis) {
            $field->velocity[$axis] = self::correct($layout->pad, $layout->length - $layout->pad, $layout->stride[$axis], $this->domain->face[$axis], $mobility[$axis], $p, $field->velocity[$axis]);
        }
        $field->pressure = Vectors::plus($field->pressure, 1.0, $p);
        $field->computeFluxes();
        [, $open] = $field->imbalance();
        [$moved, $amount] = [0.0, 1e-300];
        foreach ([0, 1, 2] as $axis) {
            [$m, $a] = self::moved($before[$axis], $field->velocity[$axis]);
            $moved += $m;
            $amount += $a;
        }

        return [max($moved / $amount / (1.0 - 0.9 * ($relaxation - 0.1)), self::FAN_WEIGHT * $this->devices->distance()), $open / max($this->throughFlow(), 1e-300)];
    }

    /** kg/s: what the openings let in, or what the strongest section of a closed space carries. */
    private function throughFlow(): float
    {
        $in = 0.0;
        foreach ($this->domain->openings as $opening) {
            $in += $this->field->through($opening, null)['in'];
        }
        $largest = 0.0;
        foreach ($this->field->flux as $axis => $flux) {
            $sum = 0.0;
            foreach ($flux as $f) {
                $sum += $f < 0.0 ? -$f : $f;
            }
            $largest = max($largest, $sum / $this->grid->cells[$axis]);
        }

        return max($in, $largest);
    }

    /** Iterations on the energy equation. @return float relative change of the temperatures */
    private function heatStep(float $tolerance, int $iterations, float $order): float
    {
        assert($this->energy !== null);
        $before = $this->temperature;
        $this->temperature = $this->energy->step($this->field->flux, $before, $tolerance, $iterations, $order);
        [$moved] = self::moved($before, $this->temperature);
        $spread = max($this->temperature) - min($this->temperature);

        return $spread > 0.0 ? $moved / ($spread * $this->grid->count()) : 0.0;
    }

    /** The energy equation on the present flow, with the second-order correction repeated until it stays. */
    private function settleHeat(int $mostPasses, float $stays): void
    {
        $this->turbulence?->update($this->field->velocity);
        $this->assembleHeat();
        for ($pass = 0; $pass < $mostPasses; $pass++) {
            if ($this->heatStep(0.1 * $stays, 30, 1.0) < $stays) {
                break;
            }
        }
    }

    /**
     * Buoyancy and given forces on the faces of one axis, N.
     *
     * @return list<float>
     */
    private function forces(int $axis): array
    {
        $g = $this->model->surroundings->gravity[$axis];
        if ($g === 0.0 || ! $this->isCoupled()) {
            return $this->force[$axis];
        }
        $layout = $this->domain->layout;
        $share = [];
        foreach ($this->temperature as $t) {
            $share[] = $this->fluid->buoyantShare($t);
        }
        // Without an opening the level of the pressure is free; about the mean it stays small.
        $level = $this->domain->hasPressureLevel() ? 0.0 : $this->meanOfFluid($share);
        [$b, $c] = Axes::across($axis);

        return self::buoyancy($layout->size, $layout->pad, $axis, $layout->stride[$axis], $layout->width[$axis], $layout->width[$b], $layout->width[$c],
            $this->domain->face[$axis], $share, $level, $g * $this->fluid->density, $this->force[$axis]);
    }

    /** @param list<float> $values */
    private function meanOfFluid(array $values): float
    {
        $sum = 0.0;
        foreach ($this->domain->fluid as $c => $fluid) {
            if ($fluid === 1) {
                $sum += $values[$c];
            }
        }

        return $sum / $this->domain->fluidCells;
    }

    /** @return array{list<float>, list<float>, list<float>} */
    private function givenForces(): array
    {
        $layout = $this->domain->layout;
        $zeros = $layout->zeros();
        $forces = [$zeros, $zeros, $zeros];
        foreach ($this->model->space->force ?? [] as $axis => $law) {
            foreach ($this->domain->face[$axis] as $c => $kind) {
                if ($kind === FlowDomain::GIVEN) {
                    continue;
                }
                $place = $layout->place($c);
                $at = [];
                foreach ([0, 1, 2] as $other) {
                    $at[] = $other === $axis ? $this->grid->lines[$other][$place[$other]] : $this->grid->centres[$other][$place[$other] - 1];
                }
                $length = 0.5 * ($layout->width[$axis][$place[$axis]] + $layout->width[$axis][$place[$axis] + 1]);
                [$b, $cc] = Axes::across($axis);
                $forces[$axis][$c] = $law->at(...$at) * $length * $layout->width[$b][$place[$b]] * $layout->width[$cc][$place[$cc]];
            }
        }

        return $forces;
    }

    /**
     * @param array{int, int, int} $size
     * @param list<float> $wa
     * @param list<float> $wb
     * @param list<float> $wc
     * @param list<int> $face
     * @param list<float> $share
     * @param list<float> $force
     * @return list<float>
     */
    private static function buoyancy(array $size, int $pad, int $axis, int $s, array $wa, array $wb, array $wc, array $face, array $share, float $level, float $weight, array $force): array
    {
        [$mx, $my, $mz] = $size;
        $c = $pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    if ($face[$c] !== 0) {
                        $ia = $axis === 0 ? $i : ($axis === 1 ? $j : $k);
                        $force[$c] += 0.5 * $weight * $wb[$axis === 0 ? $j : $i] * $wc[$axis === 2 ? $j : $k]
                            * ($wa[$ia] * ($share[$c] - $level) + $wa[$ia + 1] * ($share[$c + $s] - $level));
                    }
                }
            }
        }

        return $force;
    }

    /**
     * @param list<int> $face
     * @param list<float> $mobility
     * @param list<float> $p
     * @param list<float> $u
     * @return list<float>
     */
    private static function correct(int $first, int $end, int $s, array $face, array $mobility, array $p, array $u): array
    {
        for ($c = $first; $c < $end; $c++) {
            if ($face[$c] !== 0) {
                $u[$c] += $mobility[$c] * ($p[$c] - $p[$c + $s]);
            }
        }

        return $u;
    }

    /**
     * @param list<float> $before
     * @param list<float> $after
     * @return array{float, float}
     */
    private static function moved(array $before, array $after): array
    {
        $moved = 0.0;
        $amount = 0.0;
        foreach ($after as $c => $value) {
            $change = $value - $before[$c];
            $moved += $change < 0.0 ? -$change : $change;
            $amount += $value < 0.0 ? -$value : $value;
        }

        return [$moved, $amount];
    }
}
