<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Codec\ModelInTime;
use Foehn\Model\Control;
use Foehn\Model\Controller;
use Foehn\Model\CurveControl;
use Foehn\Model\Target;
use Foehn\Observe\Readings;
use Foehn\Observe\SensorWeights;
use Foehn\Observe\State;
use Foehn\Physics\PhysicsException;

/** The controls of a model and their sensors. */
final class Controls
{
    /** Most halvings of the bounds of the watts. */
    private const HALVINGS = 100;

    /** W, within which they need no more. */
    private const NEAR = 1e-12;

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
            $isFan = $part->speedControl !== null;
            $control = $part->speedControl ?? $part->control;
            if ($control === null) {
                continue;
            }
            if (! $isFan && $state->voxels->cellsOfPart[$index] === 0) {
                throw new PhysicsException(sprintf('the watts of "%s" are under control, but it has no cell on this grid', $part->name));
            }
            $weights = [];
            foreach (SensorWeights::of($state, $control->sensor()->of) as $cell => $weight) {
                $weights[$state->system->stencil->pad + $cell] = $weight;
            }
            $sensed = self::sensed($readings, $control->sensor()->of);
            $controls[] = $own = new ControlState($index, $control, $weights, $isFan ? [] : $coupling->unitSource($index), $sensed, isOfFan: $isFan);
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

    /**
     * Fans run as their thermostats have them.
     *
     * @param list<ControlState> $controls
     */
    public static function drive(array $controls, ModelInTime $model): void
    {
        foreach ($controls as $control) {
            $speed = $control->speed();
            if ($speed !== null) {
                $model->run($control->part, $speed);
            }
        }
    }

    /**
     * Fans that follow a sensor go on at the speed it asks for, once that has moved by a share of full speed, or by less where half as
     * much time again has passed as at the last one.
     *
     * @param list<ControlState> $controls
     * @return bool whether any does
     */
    public static function adjust(array $controls, ModelInTime $model, float $time): bool
    {
        $adjusted = false;
        foreach ($controls as $control) {
            if ($control->adjust($time)) {
                self::drive([$control], $model);
                $adjusted = true;
            }
        }

        return $adjusted;
    }

    /**
     * K at a sensor.
     *
     * @throws PhysicsException where nothing is that could be sensed
     */
    public static function sensed(Readings $readings, Target $of): float
    {
        return $readings->value($of, 'temperature', 'mean') ?? throw new PhysicsException(sprintf('the sensor at %s sees nothing: no cell of this grid is there', $of->describe()));
    }

    /** Watts, or the share of its full speed, that a control asks for at a reading in K; an integral part asks for more, or less, until nothing deviates. */
    public static function asked(Control $control, float $sensed, float $now): float
    {
        return match (true) {
            $control instanceof CurveControl => $control->law->at($sensed),
            $control instanceof Controller => $control->integral === null ? $control->at($sensed, 0.0) : ($control->gain * ($control->setpoint - $sensed) > 0.0 ? INF : -INF),
            default => $now,
        };
    }

    /**
     * The watts, or the speed, at which a control asks for what it gives, by halving its bounds: the more a heater gives the less it asks
     * for, and the faster a fan runs the slower it wants to.
     *
     * @param callable(float): float $asked what it asks for while it gives so much
     */
    public static function atRest(Control $control, callable $asked): float
    {
        [$low, $high] = $control->bounds();
        for ($n = 0; $n < self::HALVINGS && $high - $low > self::NEAR; $n++) {
            $middle = 0.5 * ($low + $high);
            if ($asked($middle) > $middle) {
                $low = $middle;
            } else {
                $high = $middle;
            }
        }

        return 0.5 * ($low + $high);
    }
}
