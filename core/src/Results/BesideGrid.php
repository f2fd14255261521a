<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Model\FlowCondition;
use Foehn\Model\Part;
use Foehn\Model\Watch;
use Foehn\Observe\SurfaceSums;
use Foehn\Solve\Solution;

/**
 * What a value is not known to beside what the grid may change: what further iterations may still move, the rays that tell what surfaces see of
 * each other, the pixels of copper, and the scatter of the correlations that stand for what no grid resolves. Turbulent friction and heat
 * transfer come from a wall law and an algebraic eddy viscosity, and what flows between fins that have too few cells from correlations of
 * ducts; measurements lie within about 10 % of such (Gnielinski, Int. Chem. Eng. 16 (1976) 359, for turbulent pipes; Muzychka & Yovanovich, J.
 * Fluids Eng. 131 (2009) 041006, for laminar ducts).
 */
final readonly class BesideGrid
{
    private const SCATTER = 0.1;

    /** Of what surfaces radiate to each other: with the rays and patches that there are, the net heat of a part is right to about this (evidence P18, P19). */
    private const RAYS = 0.005;

    /** Of currents in the copper of boards, and of the heat that they make: pixels do not become finer with the grid (evidence E03). */
    private const PIXELS = 0.005;

    /** A flow that fans or warm air drive goes with the root of what resists it; one that is given is known. */
    private const OF_FLOWS = 0.5;

    /**
     * @param float $iteration share of a value, or of a rise over the surroundings, that iterations may still move
     * @param float $correlations share of it that correlations scatter by
     * @param float $fixed share of it that rays between surfaces and pixels of copper leave open, on any grid
     * @param float $ambient K
     * @param bool $given whether an opening gives what flows
     */
    private function __construct(public float $iteration, public float $correlations, public float $fixed, private float $ambient, private bool $given)
    {
    }

    public static function of(Solution $solution): self
    {
        $turbulent = ($solution->regime['model'] ?? '') === 'turbulent';

        $model = $solution->state->model;
        $given = array_filter($model->space->flows(), fn (FlowCondition $flow) => $flow->drives()) !== [];

        return new self($solution->outcome->open, self::SCATTER * ($turbulent ? 1.0 : self::throughGaps($solution)), self::RAYS * self::betweenSurfaces($solution) + ($solution->state->boards === [] ? 0.0 : self::PIXELS), $model->surroundings->temperature, $given);
    }

    /** Share of a value, or of a rise, that is not known of most readings. */
    public function share(): float
    {
        return $this->iteration + $this->correlations + $this->fixed;
    }

    /** In the unit of a value. */
    public function reading(string $quantity, string $reduce, float $value): float
    {
        $isFlow = in_array($quantity, ['massFlow', 'volumeFlow'], true);
        $share = match (true) {
            in_array($reduce, Watch::PLACES, true), $isFlow && $this->given => $this->iteration,
            $isFlow => $this->iteration + self::OF_FLOWS * $this->correlations,
            default => $this->share(),
        };

        return $share * abs(Watch::unit($quantity) === 'K' ? $value - $this->ambient : $value);
    }

    /** Share of all heat that passes which surfaces radiate to each other. */
    private static function betweenSurfaces(Solution $solution): float
    {
        $state = $solution->state;
        if ($state->enclosure === null) {
            return 0.0;
        }
        $surfaces = $state->system->surfaces;
        [$radiated, $leaves] = [0.0, 0.0];
        foreach ($surfaces->elements->other as $element => $other) {
            $between = $surfaces->radiated($element, $state->temperature);
            $radiated += 0.5 * abs($between);
            $leaves += $other < 0 ? 0.5 * abs($surfaces->heatOut($element, $state->temperature) + $surfaces->given[$element] - $between) : 0.0;
        }

        return min(1.0, $radiated / max(1e-300, abs($state->system->watts), $leaves));
    }

    /** Share of the heat that passes from fins to fluid whose flow between them is not resolved. */
    private static function throughGaps(Solution $solution): float
    {
        $state = $solution->state;
        $modelled = array_column(array_filter($state->flow->fins ?? [], fn (array $fins) => ! $fins['resolved']), 'part');
        if ($modelled === [] || ! $state->model->physics->heat) {
            return 0.0;
        }
        $sums = new SurfaceSums($state);
        $heat = 0.0;
        foreach (array_keys(array_filter($state->model->parts, fn (Part $part) => in_array($part->id, $modelled, true))) as $index) {
            $heat += abs($sums->routes($index)['fluid'] ?? 0.0);
        }

        return min(1.0, $heat / max(1e-300, $state->balance()->in));
    }
}
