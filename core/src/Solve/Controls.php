<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Model\Target;
use Foehn\Observe\Readings;
use Foehn\Observe\SensorWeights;
use Foehn\Observe\State;
use Foehn\Physics\PhysicsException;

/** The controls of a model and their sensors. */
final class Controls
{
    /**
     * As they are at the start.
     *
     * @param State $state of the start
     * @param array<int, float> $x rises of the start, K by padded cell
     * @return list<ControlState>
     * @throws PhysicsException where a part under control, or a sensor, has no cell
     */
    public static function begin(State $state, Coupling $coupling, array $x): array
    {
        $readings = new Readings($state);
        $controls = [];
        foreach ($state->model->parts as $index => $part) {
            $control = $part->control;
            if ($control === null) {
                continue;
            }
            if ($state->voxels->cellsOfPart[$index] === 0) {
                throw new PhysicsException(sprintf('the watts of "%s" are under control, but it has no cell on this grid', $part->name));
            }
            $weights = [];
            foreach (SensorWeights::of($state, $control->sensor()->of) as $cell => $weight) {
                $weights[$state->system->stencil->pad + $cell] = $weight;
            }
            $sensed = self::sensed($readings, $control->sensor()->of);
            $controls[] = $own = new ControlState($index, $control, $weights, $coupling->unitSource($index), $sensed);
            $own->beside = $sensed - $own->answer($x);
        }

        return $controls;
    }

    /**
     * What acts on a surface or a junction beside the cells is taken as it is now.
     *
     * @param list<ControlState> $controls
     * @param array<int, float> $x rises, K by padded cell
     */
    public static function look(array $controls, Readings $readings, array $x): void
    {
        foreach ($controls as $control) {
            $control->beside = self::sensed($readings, $control->control->sensor()->of) - $control->answer($x);
        }
    }

    /** K */
    private static function sensed(Readings $readings, Target $of): float
    {
        return $readings->value($of, 'temperature', 'mean') ?? throw new PhysicsException(sprintf('the sensor at %s sees nothing', $of->describe()));
    }
}
