<?php

declare(strict_types=1);

namespace Foehn\Preflight;

use Foehn\Codec\ModelInTime;
use Foehn\Model\HeatCondition;
use Foehn\Model\Model;
use Foehn\Model\Part;
use Foehn\Model\Thermostat;
use Foehn\Model\Transient;
use Foehn\Shapes\FlatShape;

/** Whether a course in time, its steps and its controls fit what they are of. */
final class TimeChecks
{
    /** Share of the time that it takes to warm up below which a course hardly shows it. */
    private const SHORT = 0.2;

    /** The same of a step that is given, above which it hardly resolves it. */
    private const COARSE = 0.2;

    /**
     * @param array<array-key, mixed> $document the model as written
     * @return list<Finding>
     */
    public static function of(Model $model, array $document): array
    {
        $time = $model->time;
        if ($time === null) {
            return [...self::withoutTime($model), ...(self::hasSchedules($document) ? [new Finding('warning', 'Solve', 'Loads follow the time, but the steady state is computed: it has what they are at 0 s.')] : [])];
        }
        $findings = [];
        if (! $model->physics->heat) {
            return $time->air === Transient::UNSTEADY && $model->physics->hasFlow() ? [] : [new Finding('error', 'Solve', 'A course in time is one of temperatures, but no heat is computed; ask for temperatures in Build, or for unsteady air.')];
        }
        array_push($findings, ...self::capacities($model), ...self::scales($model, $time), ...AirChecks::of($model, $time));
        $edges = [0.0, ...($document === [] ? [] : (new ModelInTime($document))->edges)];
        $between = array_filter(array_map(fn (float $a, float $b): float => $b - $a, array_slice($edges, 0, -1), array_slice($edges, 1)), fn (float $s): bool => $s > 1e-9);
        if ($time->step !== null && $between !== [] && $time->step > min($between)) {
            $findings[] = new Finding('warning', 'Solve', sprintf('A step of %s is longer than the shortest part of a schedule, %s; the steps there are cut to it.', self::seconds($time->step), self::seconds(min($between))));
        }

        return $findings;
    }

    /** @param array<array-key, mixed> $document */
    private static function hasSchedules(array $document): bool
    {
        foreach ($document as $key => $value) {
            if ($key === 'schedule' || $key === 'pulse' || (is_array($value) && self::hasSchedules($value))) {
                return true;
            }
        }

        return false;
    }

    /** @return list<Finding> */
    private static function withoutTime(Model $model): array
    {
        $thermostats = array_values(array_filter($model->parts, fn (Part $part): bool => $part->control instanceof Thermostat || $part->speedControl instanceof Thermostat));

        return $thermostats === [] ? [] : [new Finding('error', 'Load', sprintf('The thermostat of "%s" has no steady state; ask for the course in time in Solve, or give a curve.', $thermostats[0]->name), array_column($thermostats, 'id'))];
    }

    /** @return list<Finding> */
    private static function capacities(Model $model): array
    {
        $lacking = [];
        foreach ($model->parts as $part) {
            $material = $part->material === null ? null : $model->materials->get($part->material);
            if ($material !== null && (($material->density ?? 0.0) <= 0.0 || ($material->specificHeat ?? 0.0) <= 0.0)) {
                $lacking[$material->title][] = $part->id;
            }
        }
        $findings = [];
        foreach ($lacking as $title => $parts) {
            $findings[] = new Finding('error', 'Build', sprintf('"%s" has no density or no specific heat, so that it stores no heat; give the material both.', $title), $parts);
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function scales(Model $model, Transient $time): array
    {
        $tau = self::warmUp($model);
        if ($tau === null) {
            return [];
        }
        $findings = [];
        if ($time->end < self::SHORT * $tau) {
            $findings[] = new Finding('warning', 'Solve', sprintf('It takes about %s to warm up; the course ends at %s.', self::seconds(3.0 * $tau), self::seconds($time->end)));
        }
        if ($time->step !== null && $time->step > self::COARSE * $tau) {
            $findings[] = new Finding('warning', 'Solve', sprintf('A step of %s is long against the %s in which it warms up by two thirds.', self::seconds($time->step), self::seconds($tau)));
        }

        return $findings;
    }

    /** Heat capacity of all parts over the conductance of their convection coefficients, by the boxes around them, and of the air that passes, s; null where neither is given. */
    private static function warmUp(Model $model): ?float
    {
        [$capacity, $conductance] = [SolidHeat::of($model), self::carried($model)];
        foreach ($model->parts as $part) {
            $material = $part->material === null ? null : $model->materials->get($part->material);
            $size = array_map(fn (int $axis): float => $part->shape->bounds()->size($axis), [0, 1, 2]);
            if ($part->shape instanceof FlatShape || $material === null) {
                continue;
            }
            $area = 2.0 * ($size[0] * $size[1] + $size[1] * $size[2] + $size[2] * $size[0]);
            foreach ($part->faces as $name => $face) {
                $conductance += self::coefficient($face) * ($name === 'bare' ? $area : $area / 6.0);
            }
        }
        $box = $model->space->box;
        foreach (array_values($model->space->sides) as $n => $side) {
            $axis = intdiv($n, 2);
            $conductance += self::coefficient($side->heat) * $box->size(($axis + 1) % 3) * $box->size(($axis + 2) % 3);
        }

        return $conductance > 0.0 && $capacity > 0.0 ? $capacity / $conductance : null;
    }

    /** W/K that the air which passes takes along. */
    private static function carried(Model $model): float
    {
        $drive = AirDrive::of($model);

        return $drive === null ? 0.0 : $drive->fluid->density * $drive->fluid->specificHeat * $drive->flow;
    }

    /** W/m2/K */
    private static function coefficient(HeatCondition $condition): float
    {
        return $condition->kind === 'film' && $condition->value->isConstant() ? $condition->value->constant : 0.0;
    }

    private static function seconds(float $seconds): string
    {
        return match (true) {
            $seconds < 1.0 => sprintf('%.3g ms', 1e3 * $seconds),
            $seconds < 120.0 => sprintf('%.3g s', $seconds),
            $seconds < 7200.0 => sprintf('%.3g min', $seconds / 60.0),
            default => sprintf('%.3g h', $seconds / 3600.0),
        };
    }
}
