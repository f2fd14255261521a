<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Numerics\TrBdf2;
use Foehn\Observe\Readings;

/** What a course in time has brought so far: values at every step, pictures at the moments asked for, and the balance of heat over time. */
final class Course
{
    /** @var list<float> s, of every step taken, from the start on */
    public array $times = [];

    /** @var array<string, list<?float>> of limits and watches by id, SI units */
    public array $values = [];

    /** @var array<int, list<array{reading: float, watts: float, speed: ?float}>> of controls by their part: K, W and, of a fan, the share of its full speed */
    public array $controls = [];

    /** @var array<int, list<array{float, bool}>> s, and whether it switched on, of controls by their part */
    public array $switches = [];

    /** @var list<array{time: float, temperatures: string, velocities: string, parts: list<array{min: float, mean: float, max: float}|null>, values: array<string, ?float>}> kept pictures: temperatures of the cells in K and, of air that moves otherwise from one to the next, their velocities in m/s as little-endian float32, component by component */
    public array $frames = [];

    /** @var array<int, array{max: float, at: float}> hottest of each part over time by its index, K and s */
    public array $peaks = [];

    /** J given since the start. */
    public float $in = 0.0;

    /** J that have left. */
    public float $out = 0.0;

    /** J stored. */
    public float $stored = 0.0;

    /** J that have passed one way or the other, which the balance is counted against. */
    public float $passed = 0.0;

    /** J that make no difference: a tolerance of the steps in every cell. */
    public float $least = 0.0;

    /** @var list<int> steps after which loads jumped or something switched */
    public array $kinks = [];

    public int $rejected = 0;

    /** s */
    public float $shortest = INF;

    public float $longest = 0.0;

    /** What keeps it from being converged beside the balance; empty where nothing does. */
    public string $open = '';

    /** Periods that were computed until it repeated itself. */
    public int $periods = 1;

    /** @var list<string> what else has to be known of it */
    public array $notes = [];

    /** @var list<string> names of parts whose controls chatter */
    public array $chattering = [];

    /** @param list<ControlState> $controls */
    public function note(float $time, Readings $readings, array $controls): void
    {
        $this->times[] = $time;
        foreach ($readings->all() as $id => $value) {
            $this->values[$id][] = $value;
        }
        foreach ($readings->temperatures as $part => $temperature) {
            if ($temperature !== null && $temperature['max'] > ($this->peaks[$part]['max'] ?? -INF)) {
                $this->peaks[$part] = ['max' => $temperature['max'], 'at' => $time];
            }
        }
        foreach ($controls as $control) {
            $this->controls[$control->part][] = ['reading' => $control->reading, 'watts' => $control->watts, 'speed' => $control->speed()];
            $this->switches[$control->part] = $control->switches;
        }
    }

    /**
     * @param array<int, float> $temperature of the cells, K
     * @param string $velocities of the cells as they are kept; empty where they are not
     */
    public function keep(float $time, Readings $readings, array $temperature, string $velocities): void
    {
        $this->frames[] = ['time' => $time, 'temperatures' => pack('g*', ...$temperature), 'velocities' => $velocities, 'parts' => $readings->temperatures, 'values' => $readings->all()];
    }

    /**
     * What a step adds to the balance, by the weights of its stages.
     *
     * @param float $stored J in it, by the temperatures of its ends
     */
    public function add(Moment $from, TimeStep $step, float $stored): void
    {
        foreach ([[TrBdf2::W, $from->in, $from->net], [TrBdf2::W, $step->in[0], $step->net[0]], [TrBdf2::D, $step->in[1], $step->net[1]]] as [$weight, $in, $net]) {
            $this->in += $step->step * $weight * $in;
            $this->out += $step->step * $weight * ($in - $net);
            $this->passed += $step->step * $weight * max(abs($in), abs($net), abs($in - $net));
        }
        $this->stored += $stored;
        [$this->shortest, $this->longest] = [min($this->shortest, $step->step), max($this->longest, $step->step)];
    }

    /** @return array<string, float> the last value of limits and watches that have one, SI units */
    public function latest(): array
    {
        return array_filter(array_map(fn (array $values): ?float => $values[count($values) - 1] ?? null, $this->values), fn (?float $value): bool => $value !== null);
    }

    /**
     * What a limit or watch was at a moment, between two steps on a straight line.
     *
     * @param float $time s
     */
    public function at(string $id, float $time): ?float
    {
        foreach ($this->times as $n => $after) {
            if ($after >= $time) {
                [$before, $value, $last] = [$this->times[$n - 1] ?? $after, $this->values[$id][$n] ?? null, $this->values[$id][$n - 1] ?? null];

                return $value === null || $last === null || $after === $before ? $value : $last + ($value - $last) * ($time - $before) / ($after - $before);
            }
        }

        return null;
    }

    /** W that the control of a part gives at the end; 0 of a part that is under none. */
    public function wattsNow(int $part): float
    {
        $states = $this->controls[$part] ?? [];

        return $states === [] ? 0.0 : $states[count($states) - 1]['watts'];
    }

    /** s, up to which it has been computed. */
    public function reached(): float
    {
        return $this->times[count($this->times) - 1] ?? 0.0;
    }

    /** Share of the heat that has passed which is missing between what came, left and is stored. */
    public function error(): float
    {
        $passed = max($this->passed, $this->least);

        return $passed <= 0.0 ? 0.0 : abs($this->in - $this->out - $this->stored) / $passed;
    }
}
