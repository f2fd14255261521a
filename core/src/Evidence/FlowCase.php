<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Closure;
use Foehn\Observe\FlowProbe;
use Foehn\Solve\Solution;

/** What the cases with moving fluid share. */
abstract class FlowCase extends VerificationCase
{
    protected const SYMMETRY = ['kind' => 'symmetry'];

    /** @return list<float> grid lines from 0 to $length, denser at both ends */
    protected static function clustered(int $cells, float $length, float $strength): array
    {
        return array_map(fn (int $i) => 0.5 * $length * (1 + tanh($strength * (2 * $i / $cells - 1)) / tanh($strength)), range(0, $cells));
    }

    /** @return list<float> */
    protected static function uniform(int $cells, float $length): array
    {
        return array_map(fn (int $i) => $length * $i / $cells, range(0, $cells));
    }

    /** @return list<float> lines from 0 to $length in growing steps */
    protected static function growing(float $length, float $step, float $ratio): array
    {
        $lines = [0.0];
        while (end($lines) + 1.5 * $step < $length) {
            $lines[] = end($lines) + $step;
            $step *= $ratio;
        }
        $lines[] = $length;

        return $lines;
    }

    /**
     * Lines of a body of unit length in even cells, between others that grow away from it.
     *
     * @param list<float> $before lines that grow away from the body
     * @param list<float> $behind
     * @return list<float>
     */
    protected static function around(array $before, int $cells, array $behind): array
    {
        $start = end($before);

        return [
            ...array_map(fn (float $x) => $start - $x, array_reverse($before)),
            ...array_map(fn (int $n) => $start + $n / $cells, range(1, $cells)),
            ...array_map(fn (float $x) => $start + 1.0 + $x, array_slice($behind, 1)),
        ];
    }

    /** @return array<string, mixed> a fluid of constant properties */
    protected static function fluid(float $density, float $viscosity, float $conductivity = 1.0, float $specificHeat = 1.0, float $expansion = 0.0): array
    {
        return ['fluid' => true, 'density' => $density, 'viscosity' => $viscosity, 'conductivity' => $conductivity, 'specificHeat' => $specificHeat, 'expansion' => $expansion];
    }

    /**
     * Velocities of one component along a line of grid nodes, and their places.
     *
     * @return array{list<float>, list<float>} m, m/s
     */
    protected static function profile(Solution $solution, int $component, int $along, float $at): array
    {
        $flow = $solution->state->flow;
        assert($flow !== null);
        $probe = new FlowProbe($flow);
        $places = $component === $along ? $solution->state->grid->lines[$along] : $solution->state->grid->centres[$along];
        $middle = 0.5 * ($solution->state->grid->lines[2][0] + $solution->state->grid->lines[2][count($solution->state->grid->lines[2]) - 1]);
        $values = [];
        foreach ($places as $place) {
            $point = [$at, $at, $middle];
            $point[$along] = $place;
            $values[] = $probe->velocity($component, [$point[0], $point[1], $point[2]]);
        }

        return [array_values($places), $values];
    }

    /**
     * Extreme value of a profile by the parabola through the extreme node and its neighbours.
     *
     * @param list<float> $places
     * @param list<float> $values
     * @return array{float, float} place and value
     */
    protected static function extreme(array $places, array $values, int $sign): array
    {
        $signed = array_map(fn (float $v) => $sign * $v, $values);
        $n = (int) array_search(self::greatest($signed), $signed, true);
        if ($n === 0 || $n === count($values) - 1) {
            return [$places[$n], $values[$n]];
        }
        [$x0, $x1, $x2] = [$places[$n - 1], $places[$n], $places[$n + 1]];
        [$y0, $y1, $y2] = [$values[$n - 1], $values[$n], $values[$n + 1]];
        $first = ($y1 - $y0) / ($x1 - $x0);
        $curve = (($y2 - $y1) / ($x2 - $x1) - $first) / ($x2 - $x0);
        $x = 0.5 * ($x0 + $x1) - 0.5 * $first / $curve;

        return [$x, $y0 + $first * ($x - $x0) + $curve * ($x - $x0) * ($x - $x1)];
    }

    /**
     * Places between the second and the last one where a profile changes its sign, by straight lines.
     *
     * @param list<float> $places
     * @param list<float> $values
     * @return list<float>
     */
    protected static function zeros(array $places, array $values): array
    {
        $zeros = [];
        for ($n = 2; $n < count($values); $n++) {
            if ($values[$n - 1] * $values[$n] < 0.0) {
                $zeros[] = $places[$n - 1] + ($places[$n] - $places[$n - 1]) * $values[$n - 1] / ($values[$n - 1] - $values[$n]);
            }
        }

        return $zeros;
    }

    /** The section of cells along x that a place lies in. */
    protected static function sectionAt(Solution $solution, float $x): int
    {
        return $solution->state->grid->locate(0, $x);
    }

    /**
     * A value between the centres of the sections of cells along x.
     *
     * @param Closure(int): float $of value in a section
     */
    protected static function between(Solution $solution, float $x, Closure $of): float
    {
        $centres = $solution->state->grid->centres[0];
        $n = 0;
        while ($n + 2 < count($centres) && $centres[$n + 1] < $x) {
            $n++;
        }
        $share = ($x - $centres[$n]) / ($centres[$n + 1] - $centres[$n]);

        return (1.0 - $share) * $of($n) + $share * $of($n + 1);
    }

    /** Mixed temperature of what passes the section of cells $n along x, K. */
    protected static function bulkTemperature(Solution $solution, int $n): float
    {
        $flow = $solution->state->flow;
        assert($flow !== null);
        $layout = $flow->domain->layout;
        [$nx, $ny, $nz] = $solution->state->grid->cells;
        [$carried, $mass] = [0.0, 0.0];
        for ($k = 0; $k < $nz; $k++) {
            for ($j = 0; $j < $ny; $j++) {
                $m = 0.5 * ($flow->flux[0][$layout->index($n + 1, $j + 1, $k + 1)] + $flow->flux[0][$layout->index($n, $j + 1, $k + 1)]);
                $carried += $m * $solution->state->temperature[$n + $nx * ($j + $ny * $k)];
                $mass += $m;
            }
        }

        return $carried / $mass;
    }

    /** Local Nusselt number at bulk temperature at a place along x, averaged over the sides along x that heat. */
    protected static function sideNusselt(Solution $solution, float $x, float $diameter, float $conductivity): float
    {
        return self::between($solution, $x, fn (int $n): float => self::sectionNusselt($solution, $n, $diameter, $conductivity));
    }

    private static function sectionNusselt(Solution $solution, int $n, float $diameter, float $conductivity): float
    {
        $faces = $solution->state->system->surfaces;
        [$heat, $area, $wall] = [0.0, 0.0, 0.0];
        for ($f = 0; $f < $faces->count(); $f++) {
            $given = -$faces->heatOut($f, $solution->state->temperature);
            if ($faces->elements->side[$f] >= 2 && $faces->elements->cell[$f] % $solution->state->grid->cells[0] === $n && abs($given) > 1e-12) {
                $heat += $given;
                $area += $faces->elements->area[$f];
                $wall += $faces->elements->area[$f] * $faces->surfaceTemperature($f, $solution->state->temperature);
            }
        }

        return $heat / $area * $diameter / $conductivity / ($wall / $area - self::bulkTemperature($solution, $n));
    }

    /** Fall of the pressure along x between the sections of cells that two places lie in, Pa/m, in the cells $row across it (counted from 1). */
    protected static function pressureGradient(Solution $solution, float $from, float $to, int $row = 1): float
    {
        $flow = $solution->state->flow;
        assert($flow !== null);
        $centres = $solution->state->grid->centres[0];
        $last = self::sectionAt($solution, $to);
        $first = min(self::sectionAt($solution, $from), $last - 1);
        $pressure = fn (int $section): float => $flow->pressure[$flow->domain->layout->index($section + 1, $row, 1)];

        return ($pressure($first) - $pressure($last)) / ($centres[$last] - $centres[$first]);
    }
}
