<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** P31: water in a rectangular channel of a cold plate, heated by the same flux on all walls. */
final class ColdPlateChannel extends FlowCase
{
    /** A quarter of the section, m, and the length. */
    private const HALF_WIDTH = 0.005;

    private const HALF_HEIGHT = 0.0025;

    private const LENGTH = 0.6;

    /** Four times the area over the perimeter, m. */
    private const DIAMETER = 0.2 / 30;

    private const SPEED = 0.00669509;

    private const FLUX = 10 / (0.6 * 0.03);

    private const DENSITY = 997.0;

    private const VISCOSITY = 0.00089;

    private const CONDUCTIVITY = 0.606;

    public function id(): string
    {
        return 'P31';
    }

    public function title(): string
    {
        return 'Cold plate: water in a 2:1 channel';
    }

    public function source(): string
    {
        return 'Energy balance; Shah & London, Laminar Flow Forced Convection in Ducts (1978); own collocation for the temperatures';
    }

    public function run(bool $full = false): array
    {
        $solution = $this->channel($full ? 60 : 30, $full ? 32 : 16, $full ? 16 : 8);
        $flow = $solution->state->flow;
        assert($flow !== null);
        $layout = $flow->domain->layout;
        $outlet = $flow->through($flow->domain->openings[1], $layout->spread($solution->state->temperature, 0.0))['temperature'];
        // A section that the outlet does not touch; from there to the end everything gains what the bulk gains.
        $n = self::sectionAt($solution, 0.942 * self::LENGTH);
        $gain = self::gain(self::LENGTH - $solution->state->grid->centres[0][$n]);
        [$mean, $corner, $middle] = self::walls($solution, $n);
        $gradient = self::pressureGradient($solution, 0.84 * self::LENGTH, 0.925 * self::LENGTH);
        $reynolds = self::DENSITY * self::SPEED * self::DIAMETER / self::VISCOSITY;

        return [
            Check::relative('P31', 'mass flow', 0.00033375, 4 * $flow->through($flow->domain->openings[0], null)['in'], 1e-4, 'kg/s'),
            Check::relative('P31', 'bulk temperature rise to the outlet', 7.168073, $outlet - 298.15, 0.005, 'K'),
            Check::relative('P31', 'developed f Re', 62.19222, $gradient * 2 * self::DIAMETER / (self::DENSITY * self::SPEED ** 2) * $reynolds, 0.015, '-'),
            Check::relative('P31', 'developed pressure gradient', 4.169027, $gradient, 0.015, 'Pa/m'),
            Check::relative('P31', 'developed Nu, perimeter mean', 3.019203, self::FLUX * self::DIAMETER / self::CONDUCTIVITY / ($mean + $gain - $outlet), 0.03, '-'),
            Check::absolute('P31', 'perimeter-mean wall temperature at the outlet', 34.19236, $mean + $gain - self::ZERO_CELSIUS, 0.15, '°C'),
            Check::absolute('P31', 'corner temperature at the outlet', 35.9024, $corner + $gain - self::ZERO_CELSIUS, 0.4, '°C'),
            Check::absolute('P31', 'mid long side temperature at the outlet', 32.49018, $middle + $gain - self::ZERO_CELSIUS, 0.15, '°C'),
        ];
    }

    private function channel(int $sections, int $columns, int $rows): Solution
    {
        $wall = ['heat' => ['kind' => 'flux', 'flux' => self::FLUX]];

        return $this->solve([
            'surroundings' => ['temperature' => 298.15, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => self::fluid(self::DENSITY, self::VISCOSITY, self::CONDUCTIVITY, 4180.0)],
            // A quarter of the channel, its middle at y = z = 0.
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, self::HALF_WIDTH, self::HALF_HEIGHT]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => self::SPEED, 'temperature' => 298.15], 'x+' => ['kind' => 'outlet'],
                'y-' => self::SYMMETRY, 'z-' => self::SYMMETRY, 'y+' => $wall, 'z+' => $wall]],
            'analysis' => ['grid' => ['lines' => ['x' => self::uniform($sections, self::LENGTH), 'y' => self::towardsEnd($columns, self::HALF_WIDTH), 'z' => self::towardsEnd($rows, self::HALF_HEIGHT)]]],
        ]);
    }

    /** @return list<float> grid lines from 0 to $length, denser at the end */
    private static function towardsEnd(int $cells, float $length): array
    {
        return array_map(fn (float $x) => $x - $length, array_slice(self::clustered(2 * $cells, 2 * $length, 1.0), $cells));
    }

    /** Rise of the bulk temperature over a length, K. */
    private static function gain(float $length): float
    {
        return self::FLUX * 4 * $length / (self::DIAMETER * self::DENSITY * self::SPEED * 4180.0);
    }

    /**
     * Surface temperatures of a section, K: mean over the perimeter, in the corner by the parabola, in the middle of the long side.
     *
     * @return array{float, float, float}
     */
    private static function walls(Solution $solution, int $section): array
    {
        $faces = $solution->state->system->surfaces;
        [$nx, $ny, $nz] = $solution->state->grid->cells;
        [$sum, $area, $long] = [0.0, 0.0, []];
        for ($f = 0; $f < $faces->count(); $f++) {
            if (in_array($faces->elements->side[$f], [3, 5], true) && $faces->elements->cell[$f] % $nx === $section) {
                $t = $faces->surfaceTemperature($f, $solution->state->temperature);
                $sum += $faces->elements->area[$f] * $t;
                $area += $faces->elements->area[$f];
                if ($faces->elements->side[$f] === 5) {
                    $long[intdiv($faces->elements->cell[$f], $nx) % $ny] = $t;
                }
            }
        }
        $y = $solution->state->grid->centres[1];
        $beyond = (self::HALF_WIDTH - $y[$ny - 1]) / ($y[$ny - 1] - $y[$ny - 2]);

        return [$sum / $area, $long[$ny - 1] + $beyond * ($long[$ny - 1] - $long[$ny - 2]), $long[0]];
    }
}
