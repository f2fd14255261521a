<?php

declare(strict_types=1);

namespace Foehn\Preflight;

use Foehn\Model\Fluid;
use Foehn\Model\Model;
use Foehn\Model\Transient;

/** Whether what the air does in a course in time fits what drives it, and how long it takes. */
final class AirChecks
{
    /** Rise of the air that a speed of free fall is guessed with, K. */
    private const RISE = 30.0;

    /** Steps for each passage of the air through the space: some fifty cells along, two in a step. */
    private const STEPS_A_PASSAGE = 25;

    private const MANY_STEPS = 10_000;

    /** Share of the heat of the solids above which what the fluid stores cannot be left out. */
    private const STORES = 0.3;

    /** @return list<Finding> */
    public static function of(Model $model, Transient $time): array
    {
        $drive = AirDrive::of($model);

        return $drive === null ? [] : match ($time->air) {
            Transient::FROZEN => self::frozen($model, $drive->speed),
            Transient::FOLLOWS => self::follows($model, $drive->fluid),
            default => self::unsteady($model, $time, max($drive->speed, self::freeFall($model, $drive->fluid))),
        };
    }

    /** @return list<Finding> */
    private static function frozen(Model $model, float $given): array
    {
        return $given > 0.0 || ! $model->physics->buoyancy || ! $model->physics->heat ? [] : [new Finding('warning', 'Solve', 'Only buoyancy moves the air, but it is frozen: it flows from the start on as in the steady state at the loads of 0 s. Choose air that follows the temperatures.')];
    }

    /** @return list<Finding> */
    private static function follows(Model $model, Fluid $fluid): array
    {
        $volume = $model->space->box->size(0) * $model->space->box->size(1) * $model->space->box->size(2);
        $stored = SolidHeat::of($model);
        $share = $stored > 0.0 ? $fluid->density * $fluid->specificHeat * $volume / $stored : INF;

        return $share <= self::STORES ? [] : [new Finding('warning', 'Solve', sprintf('What flows stores %s the heat that the parts store, and air that follows stores none: the warm-up comes out too quick. Choose frozen or unsteady air.', $share >= 1.0 ? 'more than' : sprintf('%.0f %% of', 100.0 * $share)))];
    }

    /** @return list<Finding> */
    private static function unsteady(Model $model, Transient $time, float $speed): array
    {
        $box = $model->space->box;
        $passage = $speed > 0.0 ? max($box->size(0), $box->size(1), $box->size(2)) / $speed : INF;
        $steps = self::STEPS_A_PASSAGE * $time->end / $passage;

        return $steps <= self::MANY_STEPS ? [] : [new Finding('warning', 'Solve', sprintf('The air passes the space in about %.2g s, so that its motion takes some %s steps to the end at %g s. Where parts warm up far more slowly, air that follows the temperatures tells the same in a few.', $passage, number_format(round($steps, -3), 0, '.', ' '), $time->end))];
    }

    private static function freeFall(Model $model, Fluid $fluid): float
    {
        $fall = 0.0;
        foreach ($model->surroundings->gravity as $axis => $part) {
            $fall += abs($part) * $model->space->box->size($axis);
        }

        return $model->physics->buoyancy && $model->physics->heat ? sqrt($fluid->expansion * self::RISE * $fall) : 0.0;
    }
}
