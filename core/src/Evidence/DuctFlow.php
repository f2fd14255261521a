<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** P12: fully developed laminar flow and heat transfer in a plane channel and a square duct. */
final class DuctFlow extends FlowCase
{
    private const DENSITY = 1000.0;

    private const VISCOSITY = 0.001;

    private const CONDUCTIVITY = 0.8;

    private const SPECIFIC_HEAT = 800.0;

    private const REYNOLDS = 100.0;

    /** Hydraulic diameter of both ducts, m. */
    private const DIAMETER = 0.008;

    public function id(): string
    {
        return 'P12';
    }

    public function title(): string
    {
        return 'Developed flow and heat in channel and square duct';
    }

    public function source(): string
    {
        return 'Shah & London, Laminar Flow Forced Convection in Ducts (1978)';
    }

    public function run(bool $full = false): array
    {
        $wall = ['heat' => ['kind' => 'temperature', 'temperature' => 310]];
        $flux = ['heat' => ['kind' => 'flux', 'flux' => 500]];
        $channel = fn (array $low, array $high): Solution => $this->duct(self::DIAMETER / 2, 0.002, ['y-' => $low, 'y+' => $high, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY], $full ? 40 : 24, 1);
        $isothermal = $channel($wall, $wall);
        $checks = [
            Check::relative('P12', 'channel f Re', 96.0, self::friction($isothermal), 0.005, '-'),
            Check::relative('P12', 'channel umax/um', 1.5, self::peak($isothermal), 0.005, '-'),
            Check::relative('P12', 'channel Nu, both walls isothermal', 7.540701, self::localNusselt($isothermal), 0.01, '-'),
            Check::relative('P12', 'channel Nu, both walls same flux', 8.235294, self::localNusselt($channel($flux, $flux)), 0.01, '-'),
            Check::relative('P12', 'channel Nu, one wall with flux', 5.384615, self::localNusselt($channel($flux, [])), 0.01, '-'),
        ];
        if (! $full) {
            return $checks;
        }
        // A quarter of the square duct.
        $square = fn (array $side): Solution => $this->duct(self::DIAMETER / 2, self::DIAMETER / 2, ['y-' => $side, 'y+' => self::SYMMETRY, 'z-' => $side, 'z+' => self::SYMMETRY], 20, 20);
        $isothermal = $square($wall);

        return [
            ...$checks,
            Check::relative('P12', 'square f Re', 56.90831, self::friction($isothermal), 0.015, '-'),
            Check::relative('P12', 'square umax/um', 2.096256, self::peak($isothermal), 0.01, '-'),
            Check::relative('P12', 'square Nu, walls isothermal', 2.977523, self::localNusselt($isothermal), 0.015, '-'),
            Check::relative('P12', 'square Nu, same flux everywhere', 3.087382, self::localNusselt($square($flux)), 0.02, '-'),
        ];
    }

    /** @param array<string, mixed> $sides */
    private function duct(float $height, float $width, array $sides, int $rows, int $columns): Solution
    {
        return $this->solve([
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => self::fluid(self::DENSITY, self::VISCOSITY, self::CONDUCTIVITY, self::SPECIFIC_HEAT)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.12, $height, $width]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => self::speed(), 'profile' => 'developed', 'temperature' => 300], 'x+' => ['kind' => 'outlet'], ...$sides]],
            'analysis' => ['grid' => ['cells' => [48, $rows, $columns]]],
        ]);
    }

    private static function speed(): float
    {
        return self::REYNOLDS * self::VISCOSITY / self::DENSITY / self::DIAMETER;
    }

    /** Darcy friction factor times Reynolds number, from the pressure gradient in the last third. */
    private static function friction(Solution $solution): float
    {
        return self::pressureGradient($solution, 0.074, 0.109, 2) * 2 * self::DIAMETER / (self::DENSITY * self::speed() ** 2) * self::REYNOLDS;
    }

    private static function localNusselt(Solution $solution): float
    {
        return self::sideNusselt($solution, 0.104, self::DIAMETER, self::CONDUCTIVITY);
    }

    private static function peak(Solution $solution): float
    {
        $flow = $solution->state->flow;
        assert($flow !== null);

        return self::greatest($flow->velocity[0]) / self::speed();
    }
}
