<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\Schedule;
use Foehn\Units\Dimension;

/** Reads a load against the time: a table, or a train of pulses. */
final class ScheduleReader
{
    private const MOST = 20_000;

    /** @param ?float $min least value that the load may have */
    public static function read(Reader $reader, Dimension $value, ?float $min = null): ?Schedule
    {
        if ($reader->has('pulse')) {
            return self::pulses($reader, $value, $min);
        }
        $rows = $reader->raw('schedule');
        $count = is_array($rows) ? count($rows) : 0;
        if ($count < 1 || $count > self::MOST) {
            $reader->problem('schedule', sprintf('a table of 1 to %d pairs [time, value] is expected, not %s', self::MOST, Reader::show($rows)));
        }
        $points = PairsReader::read($reader, Dimension::time(), $value, 'time, value', 'times', 'schedule');
        foreach ($points as $n => [$time, $amount]) {
            if ($time < 0.0) {
                $reader->problem("schedule/$n/0", sprintf('%g s is given; a run begins at 0 s', $time));
            }
            self::check($reader, "schedule/$n/1", $amount, $min);
        }
        $isSteps = $reader->oneOf('between', ['linear', 'steps'], 'linear') === 'steps';
        $repeat = $reader->has('repeat') ? $reader->quantity('repeat', Dimension::time(), null, 0.0, true) : null;
        $last = $points[count($points) - 1][0] ?? 0.0;
        if ($repeat !== null && $repeat < $last) {
            $reader->problem('repeat', sprintf('the table goes on to %g s and cannot begin again after %g s', $last, $repeat));
        }
        $reader->close();

        return $points === [] ? null : new Schedule($points, $isSteps, $repeat);
    }

    private static function pulses(Reader $reader, Dimension $value, ?float $min): Schedule
    {
        $pulse = $reader->object('pulse');
        [$low, $high] = [$pulse->quantity('low', $value, 0.0), $pulse->quantity('high', $value)];
        self::check($pulse, 'low', $low, $min);
        self::check($pulse, 'high', $high, $min);
        $period = $pulse->quantity('period', Dimension::time(), null, 0.0, true);
        $duty = $pulse->quantity('duty', Dimension::none(), 0.5);
        $rise = $pulse->quantity('rise', Dimension::time(), 0.0, 0.0);
        if ($duty <= 0.0 || $duty >= 1.0) {
            $pulse->problem('duty', sprintf('%g is given; a share of the period between 0 and 1 is expected, such as 0.4', $duty));
            $duty = 0.5;
        } elseif ($rise >= $duty * $period || $rise >= (1.0 - $duty) * $period) {
            $pulse->problem('rise', sprintf('%g s do not fit into a pulse of %g s and a pause of %g s', $rise, $duty * $period, (1.0 - $duty) * $period));
            $rise = 0.0;
        }
        $pulse->close();
        $reader->close();

        return Schedule::pulses($low, $high, $period, $duty, $rise);
    }

    private static function check(Reader $reader, string $key, float $value, ?float $min): void
    {
        if ($min !== null && $value < $min) {
            $reader->problem($key, sprintf('%g is given; the value must be at least %g', $value, $min));
        }
    }
}
