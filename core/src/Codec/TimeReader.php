<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\Transient;
use Foehn\Units\Dimension;
use Foehn\Units\ScalarField;

/** Reads whether a model is steady, or the course in time that is computed of it. */
final class TimeReader
{
    /** Steps of a given size that can be computed. */
    private const MOST_STEPS = 200_000;

    private const MOST_KEPT = 500;

    private const KEPT = 10;

    private const TOLERANCE = 0.1;

    public static function read(Reader $reader): ?Transient
    {
        if ($reader->oneOf('kind', ['steady', 'transient'], 'steady') === 'steady') {
            $reader->close();

            return null;
        }
        $end = $reader->quantity('end', Dimension::time(), null, 0.0, true);
        [$step, $tolerance] = self::step($reader, $end);
        $isPeriodic = $reader->raw('start') === Transient::PERIODIC;
        $air = $reader->oneOf('air', Transient::AIR, Transient::FROZEN);
        $run = self::run($reader);
        [$start, $velocity] = $isPeriodic || $run !== null ? [null, null] : self::start($reader, $air);
        if ($isPeriodic && $air !== Transient::FROZEN) {
            $reader->problem('air', sprintf('the periodic state is computed on frozen air; take "air": "frozen", or start "steady" and run over several periods, not "%s"', $air));
        }
        $keep = self::kept($reader, $end, $step);
        $reader->close();

        return new Transient($end, $step, $tolerance, $start, $air, $keep, $isPeriodic, $velocity, $run);
    }

    /** @return array{?float, float} s where the step is given, and K that one may be wrong by */
    private static function step(Reader $reader, float $end): array
    {
        if (is_array($reader->raw('step'))) {
            $given = $reader->object('step');
            $tolerance = $given->quantity('tolerance', Dimension::temperature(), self::TOLERANCE, 0.0, true);
            $given->close();

            return [null, $tolerance];
        }
        $step = $reader->has('step') ? $reader->quantity('step', Dimension::time(), null, 0.0, true) : null;
        if ($step !== null && $step > $end) {
            $reader->problem('step', sprintf('a step of %g s is given, but the run ends at %g s; take a step well below that', $step, $end));
        } elseif ($step !== null && $end / $step > self::MOST_STEPS) {
            $reader->problem('step', sprintf('%g s to the end of %g s are more than %d steps; take a longer step, or {"tolerance": "0.1 K"}', $step, $end, self::MOST_STEPS));
        }

        return [$step, self::TOLERANCE];
    }

    /** Number of the run whose temperatures it begins with; null where it begins otherwise. */
    private static function run(Reader $reader): ?int
    {
        $given = $reader->raw('start');
        if (! is_array($given) || ! array_key_exists('run', $given)) {
            return null;
        }
        $start = $reader->object('start');
        $run = $start->int('run', 1, PHP_INT_MAX);
        $start->close();

        return $run;
    }

    /** @return array{?ScalarField, array{ScalarField, ScalarField, ScalarField}|null} K and m/s at each place; null: of the steady state, and at rest */
    private static function start(Reader $reader, string $air): array
    {
        $given = $reader->raw('start') ?? Transient::STEADY;
        if ($given === Transient::STEADY) {
            return [null, null];
        }
        if (! is_array($given)) {
            $reader->problem('start', sprintf('"steady", "periodic", {"uniform": "20 degC"}, where the temperature may be a formula of x, y and z, or {"run": 12} is expected, not %s', Reader::show($given)));

            return [null, null];
        }
        $start = $reader->object('start');
        $uniform = $start->field('uniform', Dimension::temperature());
        if ($uniform->isConstant() && $uniform->constant < 0.0) {
            $start->problem('uniform', sprintf('%g K is given; no temperature is below absolute zero, 0 K or -273.15 degC', $uniform->constant));
        }
        $velocity = null;
        if ($start->has('velocity')) {
            $velocity = $start->fields('velocity', Dimension::speed());
            if ($air !== Transient::UNSTEADY) {
                $start->problem('velocity', sprintf('velocities at the start belong to a flow that is computed in time; take "air": "unsteady", not "%s"', $air));
            }
        }
        $start->close();

        return [$uniform, $velocity];
    }

    /**
     * Moments as given; where only their number is, evenly over the time, at ends of steps that are given.
     *
     * @return list<float> s
     */
    private static function kept(Reader $reader, float $end, ?float $step): array
    {
        $given = $reader->raw('keep');
        if (! is_array($given)) {
            $count = $given === null ? self::KEPT : $reader->int('keep', 1, self::MOST_KEPT);

            $moments = array_map(fn (int $n): float => $n * $end / $count, range(1, $count));

            return $step === null ? $moments : array_values(array_unique(array_map(fn (float $moment): float => min($end, ceil($moment / $step - 1e-9) * $step), $moments)));
        }
        if (count($given) > self::MOST_KEPT) {
            $reader->problem('keep', sprintf('%d moments are given; at most %d can be kept', count($given), self::MOST_KEPT));

            return [];
        }
        $moments = [];
        foreach (array_values($given) as $n => $moment) {
            $time = $reader->element("keep/$n", $moment, Dimension::time());
            if ($time < 0.0 || $time > $end) {
                $reader->problem("keep/$n", sprintf('%g s is not within the run, which goes from 0 s to %g s', $time, $end));
            }
            $moments[] = $time;
        }
        sort($moments);

        return array_values(array_unique($moments));
    }
}
