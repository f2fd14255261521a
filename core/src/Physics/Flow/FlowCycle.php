<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Vectors;

/**
 * Nonlinear multigrid (full approximation scheme: Brandt, Math. Comp. 31 (1977) 333) for velocities and pressure together. Each
 * visit of a level smooths by sweeps over the momentum equations, each followed by a rough pressure correction; the coarser level
 * then solves for what smoothing cannot reach, with the fine residual as an additional force.
 */
final class FlowCycle implements FlowScheme
{
    /** Cells of the coarsest level, and its steps per visit. */
    private const COARSEST = 30;

    private const COARSEST_STEPS = 20;

    /** Visits of the second level per cycle, and of each further one per visit of the level above. */
    private const FIRST_VISITS = 1;

    private const VISITS = 2;

    private const STEPS = 4;

    private const DAMPING = 0.9;

    private const STRONGEST = 0.4;

    private const SOFTER = 0.75;

    /** Relaxation and share at the start for flow that friction rules, and for jets, wakes and plumes. */
    public const LAMINAR = [1.0, 1.0];

    public const LIVELY = [0.7, 0.65];

    /** @var list<Coarsening> */
    private array $coarsenings = [];

    private float $relaxation;

    private readonly float $undamped;

    private float $correction;

    /**
     * @param array{float, float} $steps implicit relaxation of the momentum equations in the smoothing, and the share of a coarse
     *     correction that is used: a coarse level is more viscous than the flow, and with the whole of it jets never settle
     */
    public function __construct(private readonly FlowLevel $finest, array $steps)
    {
        [$this->relaxation, $this->correction] = $steps;
        $this->undamped = $this->relaxation;
        $level = $finest;
        while ($level->layout->grid->count() > self::COARSEST) {
            $coarsening = new Coarsening($level);
            if ($coarsening->coarse->layout->grid->count() >= $level->layout->grid->count()) {
                break;
            }
            $this->coarsenings[] = $coarsening;
            $level = $coarsening->coarse;
        }
    }

    public function step(float $inertia): void
    {
        $this->visit(0, $this->finest, $inertia);
    }

    public function coefficientsChanged(): void
    {
        foreach ($this->coarsenings as $coarsening) {
            $coarsening->restrictFriction();
            $coarsening->restrictDensity();
        }
    }

    public function soften(): bool
    {
        if ($this->relaxation <= self::STRONGEST) {
            return false;
        }
        $this->relaxation *= self::SOFTER;
        $this->correction *= self::SOFTER;

        return true;
    }

    public function pace(): float
    {
        return $this->relaxation / $this->undamped;
    }

    private function visit(int $depth, FlowLevel $level, float $inertia): void
    {
        $coarsening = $this->coarsenings[$depth] ?? null;
        if ($coarsening === null) {
            for ($n = 0; $n < self::COARSEST_STEPS; $n += 2) {
                $this->smooth($level, 2, $inertia);
            }

            return;
        }
        $this->smooth($level, self::STEPS, $inertia);
        $this->correct($depth, $level, $coarsening, $inertia);
        $this->smooth($level, self::STEPS, $inertia);
    }

    private function correct(int $depth, FlowLevel $level, Coarsening $coarsening, float $inertia): void
    {
        $coarse = $coarsening->coarse;
        $flux = $level->fluxes();
        $coarsening->restrictState($flux);
        $zeros = $coarse->layout->zeros();
        $coarse->source = [$zeros, $zeros, $zeros];
        $coarseFlux = $coarse->fluxes();
        $source = [];
        foreach ([0, 1, 2] as $axis) {
            $residual = (new Momentum($level, $axis, $flux, 1.0, 0.0, false))->residual();
            $own = (new Momentum($coarse, $axis, $coarseFlux, 1.0, 0.0, false))->residual();
            $source[] = Vectors::plus($coarsening->restrictForce($axis, $residual), -1.0, $own);
        }
        $coarse->source = [$source[0], $source[1], $source[2]];
        [$velocity, $pressure] = [$coarse->velocity, $coarse->pressure];
        for ($n = $depth === 0 ? self::FIRST_VISITS : self::VISITS; $n > 0; $n--) {
            $this->visit($depth + 1, $coarse, $inertia);
        }
        $corrections = [];
        foreach ([...$coarse->velocity, $coarse->pressure] as $n => $field) {
            $corrections[] = Vectors::combine($this->correction, $field, -$this->correction, $n < 3 ? $velocity[$n] : $pressure);
        }
        $coarsening->prolongate([$corrections[0], $corrections[1], $corrections[2]], $corrections[3]);
    }

    private function smooth(FlowLevel $level, int $steps, float $inertia): void
    {
        $flux = $level->fluxes();
        $momentum = [];
        foreach ([0, 1, 2] as $axis) {
            $momentum[] = new Momentum($level, $axis, $flux, $this->relaxation, $inertia, false);
        }
        $mass = new MassSweeps($level, [$momentum[0]->mobility, $momentum[1]->mobility, $momentum[2]->mobility]);
        for ($n = 0; $n < $steps; $n++) {
            foreach ($momentum as $component) {
                $component->sweep(self::DAMPING, $n % 2 === 0);
            }
            $mass->correct(1.0, $n % 2 === 0);
        }
    }
}
