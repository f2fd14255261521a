<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** P13: developed flow in a plane channel whose walls begin to heat (Graetz problem). */
final class ThermalEntry extends FlowCase
{
    private const GAP = 0.004;

    private const CONDUCTIVITY = 0.8;

    private const SPEED = 0.0125;

    /** Place in m: (Tw - Tb)/(Tw - Tin) and local Nu with isothermal walls, local Nu with the same flux on both; tolerance of Nu. */
    private const REFERENCE = [
        '0.008' => [0.8860367, 10.54481, 12.60421, 0.03],
        '0.02' => [0.7925829, 8.51664, 9.987831, 0.02],
        '0.04' => [0.6750319, 7.740496, 8.803149, 0.02],
        '0.08' => [0.4980436, 7.549468, 8.310652, 0.02],
        '0.2' => [0.2014802, 7.540702, 8.235502, 0.02],
    ];

    public function id(): string
    {
        return 'P13';
    }

    public function title(): string
    {
        return 'Thermal entry in a plane channel';
    }

    public function source(): string
    {
        return 'Eigenfunction expansion; Shah & London, Laminar Flow Forced Convection in Ducts (1978), ch. VI';
    }

    public function run(bool $full = false): array
    {
        $rows = $full ? 40 : 24;
        $isothermal = $this->channel(['heat' => ['kind' => 'temperature', 'temperature' => 310]], $rows);
        $heated = $this->channel(['heat' => ['kind' => 'flux', 'flux' => 500]], $rows);
        $checks = [];
        foreach (self::REFERENCE as $place => [$share, $nusselt, $nusseltFlux, $tolerance]) {
            [$bulk, , $nu] = self::section($isothermal, (float) $place);
            $checks[] = Check::absolute('P13', "isothermal walls, x = $place m: (Tw - Tb)/(Tw - Tin)", $share, (310 - $bulk) / 10, 0.006, '-');
            $checks[] = Check::relative('P13', "isothermal walls, x = $place m: local Nu", $nusselt, $nu, $tolerance, '-');
            [, , $nu] = self::section($heated, (float) $place);
            $checks[] = Check::relative('P13', "given flux, x = $place m: local Nu", $nusseltFlux, $nu, $tolerance, '-');
        }

        return $checks;
    }

    /** @param array<string, mixed> $wall */
    private function channel(array $wall, int $rows): Solution
    {
        $along = [];
        for ($x = 0.0, $step = 0.0004; $x < 0.25; $x += $step, $step = min(1.06 * $step, 0.004)) {
            $along[] = $x;
        }
        $along[] = 0.25;

        return $this->solve([
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1000.0, 0.001, self::CONDUCTIVITY, 4000.0)],
            // Half of the channel.
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.25, self::GAP / 2, 0.001]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => self::SPEED, 'profile' => 'developed', 'temperature' => 300], 'x+' => ['kind' => 'outlet'],
                'y-' => $wall, 'y+' => self::SYMMETRY, 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'analysis' => ['grid' => ['lines' => ['x' => $along, 'y' => self::uniform(intdiv($rows, 2), self::GAP / 2), 'z' => [0, 0.001]]]],
        ]);
    }

    /** @return array{float, float, float} bulk and wall temperature, K, and the local Nusselt number, linearly between sections */
    private static function section(Solution $solution, float $at): array
    {
        $sections = [];
        $of = function (int $quantity) use ($solution, $at, &$sections): float {
            return self::between($solution, $at, function (int $n) use ($solution, $quantity, &$sections): float {
                $sections[$n] ??= self::cellSection($solution, $n);

                return $sections[$n][$quantity];
            });
        };

        return [$of(0), $of(1), $of(2)];
    }

    /** @return array{float, float, float} */
    private static function cellSection(Solution $solution, int $n): array
    {
        $bulk = self::bulkTemperature($solution, $n);
        $faces = $solution->state->system->surfaces;
        for ($f = 0; $f < $faces->count(); $f++) {
            if ($faces->elements->side[$f] === 2 && $faces->elements->cell[$f] === $n) {
                $wall = $faces->surfaceTemperature($f, $solution->state->temperature);
                $flux = -$faces->heatOut($f, $solution->state->temperature) / $faces->elements->area[$f];

                return [$bulk, $wall, $flux * 2 * self::GAP / self::CONDUCTIVITY / ($wall - $bulk)];
            }
        }

        return [$bulk, NAN, NAN];
    }
}
