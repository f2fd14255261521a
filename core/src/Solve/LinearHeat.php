<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Model;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Anderson;
use Foehn\Numerics\LinearSolver;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Numerics\Vectors;
use Foehn\Observe\State;
use Foehn\Physics\Flow\DomainBuilder;
use Foehn\Physics\Heat\ConductivityChange;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\PhysicsException;
use Foehn\Physics\Radiation\LightResponse;
use Foehn\Physics\Radiation\LinkStore;

/**
 * Heat linearised about a steady state T of A T = s: what the temperatures answer to a small change of the model, with the flow, the
 * currents and the properties at the temperatures of the state kept. A change of the model to A', s' leaves a residual
 * r = (s' - A' T) - (s - A T), and the temperatures change by A^-1 r. A value J(T) changes by w . A^-1 r = lambda . r, where w is
 * its gradient and lambda = A^-T w its adjoint, one solution for all changes (Giles & Pierce, Flow Turbul. Combust. 65 (2000) 393).
 */
final class LinearHeat
{
    private const RESIDUAL = 1e-8;

    /** Of the residual of ConjugateResiduals, which is that of the solution itself. */
    private const RESIDUAL_ON_FLOW = 1e-7;

    private const MOST_ITERATIONS = 300;

    /** Of the change of the light between surfaces from one solution to the next. */
    private const LIGHT = 1e-4;

    private const MOST_LIGHTS = 60;

    private ?LinearSolver $transposed = null;

    private readonly ?LightResponse $light;

    /** The equations of the model itself, made as those of a changed one are: what currents and properties lacked of the state's own is no change. */
    private readonly HeatSystem $system;

    /** @var array<int, float> s - A T of them, W per padded cell */
    private readonly array $own;

    /**
     * @param list<ConductivityChange> $changes what the flow does to the conduction
     * @param float $richardson how strongly temperatures drive the flow that is kept: the square of the speed of free fall over that of what is given
     * @throws PhysicsException
     */
    public function __construct(
        public readonly State $state,
        private readonly Coupling $coupling,
        private readonly LinearSolver $solver,
        private readonly array $changes = [],
        public readonly float $richardson = 0.0,
    ) {
        $this->system = $this->systemOf($state->model);
        $this->own = $this->system->left($state->temperature);
        $this->light = $coupling->lightResponse($state->system);
    }

    /** @throws PhysicsException */
    public static function ofSolid(State $state, LinkStore $links = new LinkStore()): self
    {
        $coupling = new Coupling($state->model, $state->voxels, $state->system->surfaces, $links, $state->boards);
        $coupling->follow($state->temperature);

        return new self($state, $coupling, new StencilSolver($state->system->stencil, $state->system->ties));
    }

    /**
     * The equations of a changed model at the temperatures of the state.
     *
     * @param Model $other with the same parts in the same places
     * @throws PhysicsException
     */
    public function systemOf(Model $other): HeatSystem
    {
        return $this->coupling->equationOf($other, $this->state->temperature, $this->changes);
    }

    /**
     * What a change of the model leaves unbalanced at the temperatures of the state, W per padded cell.
     *
     * @param HeatSystem $system of the changed model
     * @return array<int, float>
     * @throws PhysicsException
     */
    public function residual(Model $other, HeatSystem $system): array
    {
        $change = Vectors::combine(1.0, $system->left($this->state->temperature), -1.0, $this->own);
        if ($this->solver instanceof CarriedHeat && $this->state->flow !== null && $other->space !== $this->state->model->space) {
            $openings = DomainBuilder::build($other, $this->state->voxels, $this->state->flow->fluid->density)->openings;
            $change = Vectors::plus($change, 1.0, $this->solver->energy->enteringMore($openings));
        }

        $light = $this->light === null ? [] : $this->coupling->lightMore($this->system, $system, $other, $this->state->temperature);

        return $light === [] ? $change : Vectors::plus($change, 1.0, $this->light->caused($light));
    }

    /**
     * How the temperatures answer to a residual.
     *
     * @param array<int, float> $residual W per padded cell
     * @return array<int, float> K per cell
     * @throws PhysicsException
     */
    public function answer(array $residual): array
    {
        return array_slice($this->solved($this->solver, $residual, false), $this->state->system->stencil->pad, $this->state->grid->count());
    }

    /**
     * The adjoint of a value: what it owes to a watt in each cell.
     *
     * @param array<int, float> $weights change of the value for a kelvin in each of these cells
     * @return array<int, float> per W, of each padded cell
     * @throws PhysicsException
     */
    public function adjoint(array $weights): array
    {
        $asked = Stencil::zeros($this->state->system->stencil->cells);
        foreach ($weights as $cell => $weight) {
            $asked[$this->state->system->stencil->pad + $cell] += $weight;
        }

        return $this->solved($this->transposed ??= $this->solver->transposed(), $asked, true);
    }

    /**
     * With the light between surfaces following the temperatures, by fixed points.
     *
     * @param array<int, float> $b padded
     * @return array<int, float> padded
     * @throws PhysicsException
     */
    private function solved(LinearSolver $solver, array $b, bool $transposed): array
    {
        $x = $this->atLight($solver, $b, Stencil::zeros($this->state->system->stencil->cells));
        if ($this->light === null) {
            return $x;
        }
        $light = $this->light->none();
        $anderson = new Anderson(0);
        for ($n = 0; $n < self::MOST_LIGHTS; $n++) {
            $next = $this->light->follows($x, $light, $transposed);
            $open = Vectors::distance($next, $light);
            if ($open <= self::LIGHT * Vectors::amount($next)) {
                return $x;
            }
            [$light] = $anderson->next([$light], [$next], [1.0]);
            $x = $this->atLight($solver, Vectors::plus($b, 1.0, $this->light->watts($light, $transposed)), $x);
        }
        throw new PhysicsException(sprintf('the linearised equations of radiation did not come to an end in %d iterations', self::MOST_LIGHTS));
    }

    /**
     * @param array<int, float> $b padded
     * @param array<int, float> $begin padded
     * @return array<int, float> padded
     * @throws PhysicsException
     */
    private function atLight(LinearSolver $solver, array $b, array $begin): array
    {
        $onFlow = $this->solver instanceof CarriedHeat;
        if (Vectors::norm($b) <= 0.0) {
            return $b;
        }
        $solution = $solver->solve($b, $begin, new Accuracy($onFlow ? self::RESIDUAL_ON_FLOW : self::RESIDUAL, mostIterations: self::MOST_ITERATIONS));
        if (! $solution->converged) {
            throw new PhysicsException(sprintf('the linearised equations of heat did not come to an end: the residual stayed at %.1e after %d iterations', $solution->residual, $solution->iterations));
        }

        return $solution->x;
    }
}
