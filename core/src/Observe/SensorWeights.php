<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Target;
use Foehn\Model\Watch;
use Foehn\Physics\PhysicsException;

/** How the mean temperature that a sensor sees changes with those of the cells. */
final class SensorWeights
{
    /**
     * @return array<int, float> by cell
     * @throws PhysicsException where nothing is that could be sensed
     */
    public static function of(State $state, Target $target): array
    {
        $weights = $target->point === null ? (new Gradient($state))->of(new Watch('sensor', 'sensor', $target, 'temperature', 'mean')) : self::atPoint($state, $target->point);
        if ($weights === null || $weights === []) {
            throw new PhysicsException(sprintf('the sensor at %s sees nothing: no cell of this grid is there; choose another part or point, or a finer grid', $target->describe()));
        }

        return $weights;
    }

    /**
     * What a kelvin in each of the cells around it changes there.
     *
     * @param array{float, float, float} $point m
     * @return array<int, float>
     */
    private static function atPoint(State $state, array $point): array
    {
        $grid = $state->grid;
        $faces = new FaceTemperatures($state);
        $own = Probe::at($grid, $point, $state->cellTemperature(...), $faces->at(...));
        if ($own === null) {
            return [];
        }
        [$nx, $ny] = $grid->cells;
        $at = $grid->locate(0, $point[0]) + $nx * ($grid->locate(1, $point[1]) + $ny * $grid->locate(2, $point[2]));
        $weights = [];
        foreach ([0, 1, -1, $nx, -$nx, $nx * $ny, -$nx * $ny] as $step) {
            $cell = $at + $step;
            if (! isset($state->temperature[$cell]) || ! $state->system->live[$cell]) {
                continue;
            }
            $warmer = $state->temperature;
            $warmer[$cell] += 1.0;
            $changed = new State($state->model, $state->voxels, $state->system, $warmer);
            $value = Probe::at($grid, $point, $changed->cellTemperature(...), (new FaceTemperatures($changed))->at(...));
            if ($value !== null && abs($value - $own) > 1e-9) {
                $weights[$cell] = $value - $own;
            }
        }

        return $weights;
    }
}
