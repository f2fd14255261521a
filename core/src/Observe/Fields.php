<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Field;
use Foehn\Physics\Flow\FlowField;

/** The fields of a state. */
final class Fields
{
    /** @return list<Field> all there are */
    public static function of(State $state): array
    {
        return array_values(array_filter([self::temperature($state), self::velocity($state), self::pressure($state)]));
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

    /** @return array{array<int, float>, array<int, float>, array<int, float>} m/s in the middle of the cells, by axis */
    public static function velocities(FlowField $flow): array
    {
        return [self::middle($flow, 0), self::middle($flow, 1), self::middle($flow, 2)];
    }

    /** @return array<int, float> */
    private static function middle(FlowField $flow, int $axis): array
    {
        $layout = $flow->domain->layout;
        $upper = $flow->velocity[$axis];
        $middle = $upper;
        for ($c = $layout->pad, $end = $layout->length; $c < $end; $c++) {
            $middle[$c] = 0.5 * ($upper[$c] + $upper[$c - $layout->stride[$axis]]);
        }

        return $layout->gather($middle);
    }
}
