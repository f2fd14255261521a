<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Model\Limit;
use Foehn\Model\Model;
use Foehn\Model\Watch;
use Foehn\Solve\Course;

/**
 * What a result says of a course in time.
 *
 * @phpstan-type FrameRow array{time: float, parts: list<array{min: float, mean: float, max: float}|null>, values: object}
 * @phpstan-type ControlRow array{part: string, name: string, readings: list<float>, watts: list<float>, speeds: ?list<float>, switches: list<array{float, bool}>}
 * @phpstan-type CourseRow array{end: float, reached: float, steps: int, rejected: int, periods: int, shortest: float, longest: float, times: list<float>, series: object, controls: list<ControlRow>, frames: list<FrameRow>, kept: list<string>,
 *     balance: array{in: float, out: float, stored: float, error: float}}
 * @phpstan-type OverTime array{min: float, minAt: float, max: float, maxAt: float, mean: float, reached: ?float, beyond: ?float, held: ?float, settled: ?float, overshoot: ?float}
 */
final class CourseRows
{
    /** Points of a curve that are written; between them the least and the greatest of everything asked for are kept. */
    private const MOST_POINTS = 2000;

    /** Share of its whole change that a value stays within once it has settled. */
    private const SETTLED = 0.02;

    /** Share of the course that it has to stay there for. */
    private const STAYS = 0.05;

    /** Of a range that a value lies in. */
    private const HALVINGS = 60;

    /** @var list<int> steps that are written */
    private readonly array $steps;

    public function __construct(private readonly Course $course, private readonly Model $model)
    {
        $this->steps = $this->written();
    }

    /** @return CourseRow */
    public function row(): array
    {
        $pick = fn (array $values): array => array_map(fn (int $n): mixed => $values[$n] ?? null, $this->steps);
        $controls = [];
        foreach ($this->course->controls as $part => $states) {
            $controls[] = ['part' => $this->model->parts[$part]->id, 'name' => $this->model->parts[$part]->name, 'readings' => $pick(array_column($states, 'reading')), 'watts' => $pick(array_column($states, 'watts')), 'speeds' => ($states[0]['speed'] ?? null) === null ? null : $pick(array_column($states, 'speed')), 'switches' => $this->course->switches[$part] ?? []];
        }
        $times = $this->course->times;

        /** @var CourseRow */
        return [
            'end' => $this->model->time->end ?? 0.0, 'reached' => $this->course->reached(), 'steps' => count($times) - 1, 'rejected' => $this->course->rejected, 'periods' => $this->course->periods,
            'shortest' => min($this->course->shortest, $this->course->reached()), 'longest' => $this->course->longest,
            'times' => $pick($times), 'series' => (object) array_map($pick, $this->course->values), 'controls' => $controls,
            'frames' => array_map(fn (array $frame): array => ['time' => $frame['time'], 'parts' => $frame['parts'], 'values' => (object) $frame['values']], $this->course->frames),
            'kept' => ($this->course->frames[0]['velocities'] ?? '') === '' ? ['temperature'] : ['temperature', 'velocity'],
            'balance' => ['in' => $this->course->in, 'out' => $this->course->out, 'stored' => $this->course->stored, 'error' => $this->course->error()],
        ];
    }

    /**
     * What a limit or watch did over time.
     *
     * @return ?OverTime "reached" is when a limit was first missed, and "beyond" for how long it was, s; "held" what it was beyond for no longer than it may be, and null where it may not; "settled" is from when on a watch stays within a fiftieth of its whole change, "overshoot" how far it went beyond its end; null where it has no value
     */
    public function overTime(Watch|Limit $of): ?array
    {
        $values = $this->course->values[$of->id] ?? [];
        if (count($values) !== count($this->course->times) || array_filter($values, is_null(...)) !== []) {
            return null;
        }
        /** @var non-empty-list<float> $values */
        [$minAt, $min] = $this->extreme(array_map(fn (float $value): float => -$value, $values));
        [$maxAt, $max] = $this->extreme($values);
        $isLimit = $of instanceof Limit;
        [$reached, $beyond] = $isLimit ? $this->missed($of, $values) : [null, null];
        [$settled, $overshoot] = $isLimit ? [null, null] : $this->settling($values, -$min, $max);

        return ['min' => -$min, 'minAt' => $minAt, 'max' => $max, 'maxAt' => $maxAt, 'mean' => $this->mean($values), 'reached' => $reached, 'beyond' => $beyond, 'held' => $isLimit && $of->timeBeyond > 0.0 ? $this->held($of, $values) : null, 'settled' => $settled, 'overshoot' => $overshoot];
    }

    /**
     * Over time, on straight lines between steps.
     *
     * @param non-empty-list<float> $values
     */
    private function mean(array $values): float
    {
        $times = $this->course->times;
        $sum = 0.0;
        for ($n = 1; $n < count($values); $n++) {
            $sum += 0.5 * ($values[$n] + $values[$n - 1]) * ($times[$n] - $times[$n - 1]);
        }

        return count($values) < 2 ? $values[0] : $sum / ($times[count($values) - 1] - $times[0]);
    }

    /**
     * The greatest value and when it was: on the parabola through it and its neighbours where the curve is smooth there. A current jumps with its load, and what it makes of it.
     *
     * @param non-empty-list<float> $values
     * @return array{float, float} s, and the value
     */
    private function extreme(array $values): array
    {
        $n = (int) array_search(max($values), $values, true);
        $times = $this->course->times;
        if (! isset($values[$n - 1], $values[$n + 1]) || array_intersect([$n - 1, $n], $this->course->kinks) !== []) {
            return [$times[$n], $values[$n]];
        }
        $rising = ($values[$n] - $values[$n - 1]) / ($times[$n] - $times[$n - 1]);
        $falling = ($values[$n + 1] - $values[$n]) / ($times[$n + 1] - $times[$n]);
        $bend = ($falling - $rising) / ($times[$n + 1] - $times[$n - 1]);
        if ($bend >= 0.0) {
            return [$times[$n], $values[$n]];
        }
        $slope = $rising + $bend * ($times[$n] - $times[$n - 1]);

        return [$times[$n] - $slope / (2.0 * $bend), $values[$n] - $slope ** 2 / (4.0 * $bend)];
    }

    /**
     * @param non-empty-list<float> $values
     * @return array{?float, float} s, when it was missed first, and for how long in all
     */
    private function missed(Limit $limit, array $values): array
    {
        $times = $this->course->times;
        $past = array_map(fn (float $value): float => -$limit->margin($value), $values);
        $first = null;
        foreach ($past as $n => $by) {
            if ($by > 0.0) {
                $before = $past[$n - 1] ?? $by;
                $first = $before > 0.0 ? $times[$n] : $times[$n - 1] + ($times[$n] - $times[$n - 1]) * $before / ($before - $by);
                break;
            }
        }

        return [$first, $this->above($past, 0.0)];
    }

    /**
     * The value that is passed for as long in all as it may be: the one that counts where a bound may be passed for some time.
     *
     * @param non-empty-list<float> $values
     */
    private function held(Limit $limit, array $values): float
    {
        $sign = $limit->atMost === null ? -1.0 : 1.0;
        $signed = array_map(fn (float $value): float => $sign * $value, $values);
        [$low, $high] = [min($signed), max($signed)];
        for ($n = 0; $n < self::HALVINGS; $n++) {
            $middle = 0.5 * ($low + $high);
            $this->above($signed, $middle) > $limit->timeBeyond ? $low = $middle : $high = $middle;
        }

        return $sign * $high;
    }

    /**
     * For how long it is above a level in all, on straight lines between steps, s.
     *
     * @param non-empty-list<float> $values
     */
    private function above(array $values, float $level): float
    {
        $times = $this->course->times;
        $sum = 0.0;
        for ($n = 1; $n < count($values); $n++) {
            [$less, $more] = [min($values[$n - 1], $values[$n]), max($values[$n - 1], $values[$n])];
            $share = $more <= $level ? 0.0 : ($less >= $level ? 1.0 : ($more - $level) / ($more - $less));
            $sum += $share * ($times[$n] - $times[$n - 1]);
        }

        return $sum;
    }

    /**
     * @param non-empty-list<float> $values
     * @return array{?float, float} s, null where it moves to the end; and K or whatever it is
     */
    private function settling(array $values, float $min, float $max): array
    {
        $last = count($values) - 1;
        [$start, $end] = [$values[0], $values[$last]];
        $band = self::SETTLED * abs($end - $start);
        $settled = 0.0;
        for ($n = $last; $n >= 0; $n--) {
            if (abs($values[$n] - $end) > $band) {
                $from = $this->course->times[min($n + 1, $last)];
                $settled = $this->course->reached() - $from < self::STAYS * $this->course->reached() ? null : $from;
                break;
            }
        }

        return [$settled, $end >= $start ? max(0.0, $max - $end) : max(0.0, $end - $min)];
    }

    /** @return list<int> */
    private function written(): array
    {
        $count = count($this->course->times);
        if ($count <= self::MOST_POINTS) {
            return array_keys($this->course->times);
        }
        $kept = [];
        $stride = $count / self::MOST_POINTS;
        for ($n = 0; $n < self::MOST_POINTS; $n++) {
            $kept[(int) ($n * $stride)] = true;
        }
        $kept[$count - 1] = true;
        foreach ($this->course->values as $values) {
            $known = array_filter($values, is_float(...));
            if ($known !== []) {
                $kept[array_search(max($known), $known, true)] = $kept[array_search(min($known), $known, true)] = true;
            }
        }
        ksort($kept);

        return array_keys($kept);
    }
}
