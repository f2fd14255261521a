<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Field;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Flow\FlowField;

/** The fields of a state. */
final class Fields
{
    /** Names of all that a state may have. */
    public const NAMES = ['temperature', 'heatFlux', 'conductivity', 'velocity', 'pressure', 'potential', 'currentDensity', 'jouleHeat', 'cellsAcross', 'heatResidual', 'momentumResidual'];

    /** @return list<string> names of those that a state has */
    public static function namesOf(State $state): array
    {
        return array_values(array_filter(self::NAMES, fn (string $name): bool => match ($name) {
            'velocity', 'pressure' => $state->flow !== null,
            'potential', 'currentDensity', 'jouleHeat' => $state->currents !== null,
            'temperature', 'heatFlux', 'conductivity' => $state->model->physics->heat,
            // Over time what is open in the steady balance is what is stored.
            'heatResidual' => $state->model->physics->heat && $state->model->time === null,
            'momentumResidual' => ($state->flow->unbalanced ?? []) !== [] && $state->model->time === null,
            default => true,
        }));
    }

    /** @return iterable<Field> all there are, one after the other */
    public static function of(State $state): iterable
    {
        $names = self::namesOf($state);
        $conducted = in_array('heatFlux', $names, true) ? new ConductedHeat($state) : null;
        foreach ($names as $name) {
            $field = match ($name) {
                'temperature' => self::temperature($state),
                'heatFlux' => $conducted?->flux(),
                'conductivity' => $conducted?->conductivity(),
                'velocity' => self::velocity($state),
                'pressure' => self::pressure($state),
                'cellsAcross' => CellsAcross::of($state->voxels),
                'heatResidual' => Residuals::heat($state),
                'momentumResidual' => Residuals::momentum($state),
                default => $state->currents === null ? null : self::ofCurrents($state, $state->currents, $name),
            };
            if ($field !== null) {
                yield $field;
            }
        }
    }

    /** In the cells that conduct a current: V, A/m2 or W/m3. */
    private static function ofCurrents(State $state, Currents $currents, string $name): Field
    {
        $none = array_fill(0, $state->grid->count(), null);
        [$nx, $ny] = $state->grid->cells;
        $values = [];
        foreach ($currents->density[0] as $cell => $_) {
            $values[$cell] = $name === 'potential' ? $currents->potential[$nx * $ny + $cell] : $currents->heat[$cell] / $state->grid->volume($cell);
        }

        return match ($name) {
            'potential' => new Field($name, 'V', $state->grid, [array_replace($none, $values)]),
            'jouleHeat' => new Field($name, 'W/m3', $state->grid, [array_replace($none, $values)]),
            default => new Field($name, 'A/m2', $state->grid, array_map(fn (array $along): array => array_replace($none, $along), $currents->density)),
        };
    }

    /** K; none where nothing is computed. */
    public static function temperature(State $state): Field
    {
        $values = $state->temperature;
        foreach ($state->system->live as $cell => $live) {
            if (! $live) {
                $values[$cell] = null;
            }
        }

        return new Field('temperature', 'K', $state->grid, [$values]);
    }

    /** m/s in the middle of the cells, the mean of their two faces; null where nothing moves. */
    public static function velocity(State $state): ?Field
    {
        return $state->flow === null ? null : new Field('velocity', 'm/s', $state->grid, self::velocities($state->flow));
    }

    /** Pa relative to the surroundings; null inside solids, and where nothing moves. */
    public static function pressure(State $state): ?Field
    {
        if ($state->flow === null) {
            return null;
        }
        $values = $state->flow->domain->layout->gather($state->flow->pressure);
        foreach ($state->voxels->region as $cell => $region) {
            if ($region < 0) {
                $values[$cell] = null;
            }
        }

        return new Field('pressure', 'Pa', $state->grid, [$values]);
    }

    /**
     * Velocity across the faces of the cells, m/s. Along axis a there is one more face than cells; they are numbered as the cells would be.
     *
     * @return array{array<int, float>, array<int, float>, array<int, float>} by axis
     */
    public static function faceVelocities(FlowField $flow): array
    {
        return [self::faces($flow, 0), self::faces($flow, 1), self::faces($flow, 2)];
    }

    /** @return array<int, float> */
    private static function faces(FlowField $flow, int $axis): array
    {
        $layout = $flow->domain->layout;
        $from = [1, 1, 1];
        $from[$axis] = 0;
        [$nx, $ny, $nz] = $layout->grid->cells;
        $faces = [];
        for ($k = $from[2]; $k <= $nz; $k++) {
            for ($j = $from[1]; $j <= $ny; $j++) {
                $row = $layout->index(0, $j, $k);
                for ($i = $from[0]; $i <= $nx; $i++) {
                    $faces[] = $flow->velocity[$axis][$row + $i];
                }
            }
        }

        return $faces;
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} m/s in the middle of the cells, by axis */
    public static function velocities(FlowField $flow): array
    {
        $layout = $flow->domain->layout;

        return [$layout->middle(0, $flow->velocity[0]), $layout->middle(1, $flow->velocity[1]), $layout->middle(2, $flow->velocity[2])];
    }
}
