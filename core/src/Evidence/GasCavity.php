<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** Natural convection of an ideal gas between walls of 960 K and 240 K: the density changes by a factor of four, the pressure of the closed cavity with it. */
final class GasCavity extends FlowCase
{
    private const GAS_CONSTANT = 287.0;

    private const PRANDTL = 0.71;

    private const MEAN = 600.0;

    private const DIFFERENCE = 720.0;

    private const RAYLEIGH = 1e6;

    private const DEPTH = 0.01;

    public function id(): string
    {
        return 'G01';
    }

    public function title(): string
    {
        return 'Square cavity of an ideal gas, large temperature difference, Ra 1e6';
    }

    public function source(): string
    {
        return 'Le Quere et al., ESAIM: Math. Model. Numer. Anal. 39 (2005) 609, test cases T1 and T2';
    }

    public function run(bool $full = false): array
    {
        $checks = $this->cavity('viscosity after Sutherland', fn (float $t) => 1.68e-5 * ($t / 273.0) ** 1.5 * 383.5 / ($t + 110.5), 8.6866, 0.92448731, $full ? 80 : 40);

        return $full ? [...$checks, ...$this->cavity('constant properties', fn () => 2.3e-5, 8.85978, 0.85633838, 80)] : $checks;
    }

    /**
     * @param callable(float): float $viscosity Pa s, of K
     * @return list<Check>
     */
    private function cavity(string $case, callable $viscosity, float $nusselt, float $pressure, int $cells): array
    {
        $specificHeat = 3.5 * self::GAS_CONSTANT;
        $density = 101325.0 / (self::GAS_CONSTANT * self::MEAN);
        $conductivity = fn (float $t): float => $viscosity($t) * $specificHeat / self::PRANDTL;
        $size = (self::RAYLEIGH * self::MEAN * $viscosity(self::MEAN) ** 2 / (self::PRANDTL * 9.81 * $density ** 2 * self::DIFFERENCE)) ** (1 / 3);
        $table = fn (callable $law): array => ['table' => array_map(fn (int $t) => [(float) $t, $law((float) $t)], range(220, 980, 20))];
        $lines = self::clustered($cells, $size, 1.8);
        $wall = fn (float $t): array => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => $t]];
        $solution = $this->solve([
            'surroundings' => ['temperature' => self::MEAN, 'gravity' => [0, -9.81, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['gas' => ['fluid' => true, 'gasConstant' => self::GAS_CONSTANT, 'specificHeat' => $specificHeat, 'viscosity' => $table($viscosity), 'conductivity' => $table($conductivity)]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [$size, $size, self::DEPTH]], 'fluid' => 'gas',
                'sides' => ['x-' => $wall(960.0), 'x+' => $wall(240.0), 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'analysis' => ['grid' => ['lines' => ['x' => $lines, 'y' => $lines, 'z' => [0, self::DEPTH]]]],
        ]);
        $faces = $solution->state->system->surfaces;
        $heat = 0.0;
        for ($f = 0; $f < $faces->count(); $f++) {
            $heat -= $faces->elements->side[$f] === 0 ? $faces->heatOut($f, $solution->state->temperature) : 0.0;
        }

        return [
            Check::relative('G01', "$case: mean Nu", $nusselt, $heat / ($conductivity(self::MEAN) * self::DIFFERENCE * self::DEPTH), 0.01, '-'),
            Check::relative('G01', "$case: pressure over that of the fill", $pressure, self::pressure($solution), 0.005, '-'),
        ];
    }

    /** Over that at which the gas was filled in at the mean temperature: the volume over the sum of the densities. */
    private static function pressure(Solution $solution): float
    {
        [$nx, $ny] = $solution->state->grid->cells;
        [$wx, $wy] = $solution->state->grid->widths;
        [$volume, $mass] = [0.0, 0.0];
        foreach ($solution->state->temperature as $cell => $t) {
            $own = $wx[$cell % $nx] * $wy[intdiv($cell, $nx) % $ny];
            $volume += $own;
            $mass += $own * self::MEAN / $t;
        }

        return $volume / $mass;
    }
}
