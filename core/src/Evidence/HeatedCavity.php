<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** P10: natural convection in a square heated from one side and cooled from the other. */
final class HeatedCavity extends HeatedBox
{
    /** Rayleigh number: mean Nu, greatest u on x = L/2 and its y, greatest v on y = L/2 and its x, greatest and least local Nu; tolerances of the mean and greatest Nu. */
    private const REFERENCE = [
        1000 => [1.11779, 3.649448, 0.8132339, 3.697438, 0.1783322, 1.506307, 0.69125, 0.01, 0.02],
        10000 => [2.244816, 16.18334, 0.8232285, 19.62822, 0.1188804, 3.531066, 0.5849662, 0.01, 0.02],
        100000 => [4.521636, 34.74066, 0.854607, 68.63538, 0.06583998, 7.720205, 0.727949, 0.01, 0.02],
        1000000 => [8.825205, 64.83426, 0.8499252, 220.5648, 0.03776024, 17.52237, 0.9782891, 0.02, 0.04],
    ];

    public function id(): string
    {
        return 'P10';
    }

    public function title(): string
    {
        return 'Differentially heated square cavity';
    }

    public function source(): string
    {
        return 'Spectral solution; de Vahl Davis, Int. J. Numer. Meth. Fluids 3 (1983) 249; Le Quere, Comput. Fluids 20 (1991) 29';
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach ($full ? [1000, 10000, 100000, 1000000] : [1000, 100000] as $rayleigh) {
            array_push($checks, ...$this->cavity($rayleigh, $full ? 80 : 40));
        }

        return $checks;
    }

    /** @return list<Check> */
    private function cavity(int $rayleigh, int $cells): array
    {
        $lines = self::clustered($cells, self::SIZE, $rayleigh > 200000 ? 1.8 : 1.2);
        $solution = $this->solve(self::box($rayleigh, $lines, [0.0, 0.01], ['z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]));
        [$mean, $most, $least] = self::nusselt($solution);
        [$y, $u] = self::extreme(...self::profile($solution, 0, 1, 0.5 * self::SIZE), sign: 1);
        [$x, $v] = self::extreme(...self::profile($solution, 1, 0, 0.5 * self::SIZE), sign: 1);
        $unit = self::diffusivity() / self::SIZE;
        [$nu, $u0, $y0, $v0, $x0, $nuMost, $nuLeast, $tolerance, $localTolerance] = self::REFERENCE[$rayleigh];
        $case = sprintf('Ra 1e%d', (int) round(log10($rayleigh)));

        return [
            Check::relative('P10', "$case: mean Nu", $nu, $mean, $tolerance, '-'),
            Check::relative('P10', "$case: greatest u on x = L/2", $u0, $u / $unit, 0.02, 'alpha/L'),
            Check::absolute('P10', "$case: its y", $y0, $y / self::SIZE, 0.012, 'L'),
            Check::relative('P10', "$case: greatest v on y = L/2", $v0, $v / $unit, 0.02, 'alpha/L'),
            Check::absolute('P10', "$case: its x", $x0, $x / self::SIZE, 0.006, 'L'),
            Check::relative('P10', "$case: greatest local Nu on the hot wall", $nuMost, $most, $localTolerance, '-'),
            Check::relative('P10', "$case: least local Nu on the hot wall", $nuLeast, $least, 0.03, '-'),
        ];
    }

    /** @return array{float, float, float} mean, greatest and least Nusselt number of the hot side */
    private static function nusselt(Solution $solution): array
    {
        $faces = $solution->state->system->surfaces;
        $local = [];
        $heat = 0.0;
        for ($f = 0; $f < $faces->count(); $f++) {
            if ($faces->elements->side[$f] === 0) {
                $out = -$faces->heatOut($f, $solution->state->temperature);
                $heat += $out;
                $local[] = $out / $faces->elements->area[$f] * self::SIZE / self::CONDUCTIVITY;
            }
        }

        return [$heat / (self::CONDUCTIVITY * 0.01), self::greatest($local), -self::greatest(array_map(fn (float $one) => -$one, $local))];
    }
}
