<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Observe\FlowProbe;
use Foehn\Solve\Solution;

/** P15: developed flow of a shear-thinning fluid in a plane channel and in a pipe of square cells. */
final class PowerLawFlow extends FlowCase
{
    private const CONSISTENCY = 0.5;

    private const INDEX = 0.6;

    private const SPEED = 0.1;

    private const CONDUCTIVITY = 0.5;

    /** Half of the gap and radius of the pipe, m. */
    private const HALF = 0.001;

    /** Length, m, and the cells along it. */
    private const LENGTH = 0.04;

    private const SECTIONS = 40;

    /** Of these the one that is looked at. */
    /** Where the flow and its temperature are developed, m. */
    private const DEVELOPED = 0.0355;

    public function id(): string
    {
        return 'P15';
    }

    public function title(): string
    {
        return 'Shear-thinning fluid in channel and pipe';
    }

    public function source(): string
    {
        return 'Bird, Armstrong & Hassager, Dynamics of Polymeric Liquids (1987); quadrature and eigenvalues for heat';
    }

    public function run(bool $full = false): array
    {
        $rows = $full ? 40 : 24;
        $isothermal = $this->channel(['heat' => ['kind' => 'temperature', 'temperature' => 310]], $rows);
        $heated = $this->channel(['heat' => ['kind' => 'flux', 'flux' => 500]], $rows);
        $speed = fn (float $place): float => self::speedAt($isothermal, $place * self::HALF) / self::SPEED;
        $gradient = self::gradient($isothermal);
        $checks = [
            Check::relative('P15', 'channel -dp/dx', 17279.57, $gradient, 0.015, 'Pa/m'),
            Check::relative('P15', 'channel umax/um', 1.375, $speed(0.0), 0.01, '-'),
            Check::relative('P15', 'channel u/um at y/b = 0.25', 1.340896, $speed(0.25), 0.015, '-'),
            Check::relative('P15', 'channel u/um at y/b = 0.5', 1.158451, $speed(0.5), 0.015, '-'),
            Check::relative('P15', 'channel u/um at y/b = 0.75', 0.7365414, $speed(0.75), 0.015, '-'),
            Check::relative('P15', 'channel wall shear', 17.27957, $gradient * self::HALF, 0.015, 'Pa'),
            Check::relative('P15', 'channel Nu, both walls same flux', 8.600337, self::sideNusselt($heated, self::DEVELOPED, 4 * self::HALF, self::CONDUCTIVITY), 0.015, '-'),
            Check::relative('P15', 'channel Nu, both walls isothermal', 7.821849, self::sideNusselt($isothermal, self::DEVELOPED, 4 * self::HALF, self::CONDUCTIVITY), 0.015, '-'),
        ];

        return $full ? [...$checks, ...$this->pipe()] : $checks;
    }

    /**
     * A quarter of a pipe: a bore in a solid that conducts around it but not along it, so that the wall of each section has one temperature.
     *
     * @return list<Check>
     */
    private function pipe(): array
    {
        $solve = fn (array $heat): Solution => $this->solve($this->duct(26, 26, ['y-' => self::SYMMETRY, 'z-' => self::SYMMETRY, 'y+' => ['heat' => $heat], 'z+' => ['heat' => $heat]], 1.1 * self::HALF, 1.1 * self::HALF, [
            ['id' => 'body', 'shape' => ['kind' => 'block', 'size' => [self::LENGTH, 1.1 * self::HALF, 1.1 * self::HALF]], 'at' => [0, 0, 0], 'material' => 'body'],
            ['id' => 'bore', 'shape' => ['kind' => 'cylinder', 'axis' => 'x', 'radius' => self::HALF, 'length' => self::LENGTH], 'at' => [0, 0, 0], 'material' => 'fluid'],
        ]));
        $isothermal = $solve(['kind' => 'temperature', 'temperature' => 310]);
        $mean = self::meanSpeed($isothermal);

        return [
            Check::relative('P15', 'pipe -dp/dx', 39939.63, self::gradient($isothermal) * (self::SPEED / $mean) ** self::INDEX, 0.05, 'Pa/m'),
            Check::relative('P15', 'pipe umax/um', 1.75, self::speedAt($isothermal, 0.0) / $mean, 0.03, '-'),
            Check::relative('P15', 'pipe u/um at r/R = 0.5', 1.474392, self::speedAt($isothermal, 0.5 * self::HALF) / $mean, 0.03, '-'),
            Check::relative('P15', 'pipe Nu, same flux along it', 4.628099, self::pipeNusselt($solve(['kind' => 'flux', 'flux' => 500])), 0.05, '-'),
            Check::relative('P15', 'pipe Nu, wall isothermal', 3.860574, self::pipeNusselt($isothermal), 0.05, '-'),
        ];
    }

    /** @param array<string, mixed> $wall */
    private function channel(array $wall, int $rows): Solution
    {
        // Half of the channel, from its middle at y = 0 to the wall.
        return $this->solve($this->duct(intdiv($rows, 2), 1, ['y-' => self::SYMMETRY, 'y+' => $wall, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY], self::HALF, self::HALF));
    }

    /**
     * @param array<string, mixed> $sides
     * @param list<array<string, mixed>> $parts
     * @return array<string, mixed>
     */
    private function duct(int $rows, int $columns, array $sides, float $height, float $width, array $parts = []): array
    {
        return [
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => [
                // A specific heat for which the temperature develops within the length.
                'f' => ['fluid' => true, 'density' => 1000, 'consistency' => self::CONSISTENCY, 'index' => self::INDEX, 'conductivity' => self::CONDUCTIVITY, 'specificHeat' => 300],
                'body' => ['conductivity' => [1e-6, 1e5, 1e5]],
            ],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, $height, $width]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => self::SPEED, 'temperature' => 300], 'x+' => ['kind' => 'outlet'], ...$sides]],
            'parts' => $parts,
            'analysis' => ['grid' => ['cells' => [self::SECTIONS, $rows, $columns]]],
        ];
    }

    /** Pa/m, over the last third */
    private static function gradient(Solution $solution): float
    {
        return self::pressureGradient($solution, 0.0255, 0.0375);
    }

    /** Speed near the end at a height above the middle, on the axis by the parabola through the nodes beside it. */
    private static function speedAt(Solution $solution, float $y): float
    {
        $flow = $solution->state->flow;
        assert($flow !== null);
        $probe = new FlowProbe($flow);
        $nodes = $solution->state->grid->centres;
        $at = fn (float $height): float => $probe->velocity(0, [0.9 * self::LENGTH, $height, $nodes[2][0]]);
        if ($y > 0.0) {
            return $at($y);
        }

        return $at($nodes[1][0]) + ($at($nodes[1][0]) - $at($nodes[1][1])) * $nodes[1][0] ** 2 / ($nodes[1][1] ** 2 - $nodes[1][0] ** 2);
    }

    /** What flows through a round pipe of the given radius, m/s: the bore of square cells has another area. */
    private static function meanSpeed(Solution $solution): float
    {
        $flow = $solution->state->flow;
        assert($flow !== null);
        $kgPerSecond = $flow->through($flow->domain->openings[0], null)['in'];

        return $kgPerSecond / $flow->fluid->density / (0.25 * M_PI * self::HALF ** 2);
    }

    /** Nusselt number at bulk temperature of a section near the end, from the heat that passes the wall of the bore there. */
    private static function pipeNusselt(Solution $solution): float
    {
        $faces = $solution->state->system->surfaces;
        $grid = $solution->state->grid;
        $section = self::sectionAt($solution, self::DEVELOPED);
        [$heat, $wall, $area] = [0.0, 0.0, 0.0];
        for ($f = 0; $f < $faces->count(); $f++) {
            if ($faces->elements->part[$f] === 0 && $faces->elements->otherPart[$f] === -1 && $faces->elements->other[$f] >= 0 && $faces->elements->cell[$f] % $grid->cells[0] === $section) {
                $heat += $faces->heatOut($f, $solution->state->temperature);
                $wall += $faces->elements->area[$f] * $faces->surfaceTemperature($f, $solution->state->temperature);
                $area += $faces->elements->area[$f];
            }
        }
        // Nu = q D / k / (Tw - Tb) with q over the wall of the true quarter circle.
        $perLength = $heat / $grid->widths[0][$section];

        return 4 * $perLength / (M_PI * self::CONDUCTIVITY * ($wall / $area - self::bulkTemperature($solution, $section)));
    }
}
