<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Field;
use Foehn\Numerics\TiedCells;
use Foehn\Physics\Flow\EnergyTransport;

/** What iteration has left open in each cell of a steady state: where a run that does not converge has its trouble. */
final class Residuals
{
    /**
     * W that enter a cell, are made in it or come with the flow and do not leave it again, s - A T; cells of one temperature share
     * theirs evenly. Null where nothing is computed.
     */
    public static function heat(State $state): Field
    {
        $system = $state->system;
        if ($state->flow === null) {
            $open = TiedCells::project($system->left($state->temperature), $system->ties);
        } else {
            $flow = $state->flow;
            $temperature = $flow->domain->layout->spread($state->temperature, $system->reference);
            $open = (new EnergyTransport($flow->domain, $system, $flow->fluid->specificHeat))->open($flow->flux, $temperature);
        }
        $values = array_slice($open, $system->stencil->pad, $state->grid->count());
        foreach ($system->live as $cell => $live) {
            if (! $live) {
                $values[$cell] = null;
            }
        }

        return new Field('heatResidual', 'W', $state->grid, [$values]);
    }

    /** N/m3 that no pressure, friction or inertia balances, the mean of the two faces of a cell along each axis; null where nothing moves or it is not told. */
    public static function momentum(State $state): ?Field
    {
        $flow = $state->flow;
        if ($flow === null || $flow->unbalanced === []) {
            return null;
        }
        $layout = $flow->domain->layout;
        [$x, $y, $z] = $flow->unbalanced;

        return new Field('momentumResidual', 'N/m3', $state->grid, [self::perVolume($state, $layout->middle(0, $x)), self::perVolume($state, $layout->middle(1, $y)), self::perVolume($state, $layout->middle(2, $z))]);
    }

    /**
     * @param array<int, float> $force N of the cells
     * @return array<int, ?float> N/m3 in the fluid
     */
    private static function perVolume(State $state, array $force): array
    {
        $values = [];
        foreach ($force as $cell => $value) {
            $values[$cell] = $state->voxels->region[$cell] < 0 ? null : $value / $state->grid->volume($cell);
        }

        return $values;
    }
}
