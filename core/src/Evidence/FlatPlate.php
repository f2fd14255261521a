<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\Solution;

/** P14: laminar boundary layer on an isothermal flat plate. */
final class FlatPlate extends FlowCase
{
    private const CONDUCTIVITY = 0.026;

    private const KINEMATIC = 1.5e-5;

    private const RUN_UP = 0.1;

    public function id(): string
    {
        return 'P14';
    }

    public function title(): string
    {
        return 'Laminar boundary layer on a flat plate';
    }

    public function source(): string
    {
        return 'Blasius (1908) and Pohlhausen (1921) similarity solutions; White, Viscous Fluid Flow';
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach (['1' => [7.049216, 4.984548, 3.524608], '0.71' => [6.244801, 4.415741, 3.1224]] as $prandtl => $references) {
            $solution = $this->plate((float) $prandtl, $full ? 1.06 : 1.12);
            foreach ([[0.1, 0.05], [0.2, 0.03], [0.4, 0.03]] as $n => [$place, $tolerance]) {
                $checks[] = Check::relative('P14', "Pr $prandtl: convection coefficient at $place m", $references[$n], self::filmAt($solution, self::RUN_UP + $place), $tolerance, 'W/m2/K');
            }
        }

        return $checks;
    }

    private function plate(float $prandtl, float $growth): Solution
    {
        $up = [0.0];
        for ($step = 2e-4; end($up) < 0.25; $step *= $growth) {
            $up[] = end($up) + $step;
        }
        $along = [];
        foreach ([[0.0, self::RUN_UP, -1], [self::RUN_UP, 0.6, 1]] as [$from, $to, $sign]) {
            $places = [0.0];
            for ($step = 1e-3; end($places) < $to - $from; $step = min($step * $growth, 0.012)) {
                $places[] = end($places) + $step;
            }
            // The last line moves onto the end of the piece.
            array_pop($places);
            $places[count($places) - 1] = $to - $from;
            array_push($along, ...($sign > 0 ? array_map(fn (float $x) => $from + $x, array_slice($places, 1)) : array_map(fn (float $x) => $to - $x, array_reverse($places))));
        }
        $height = end($up);

        return $this->solve([
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1.0, self::KINEMATIC, self::CONDUCTIVITY, self::CONDUCTIVITY * $prandtl / self::KINEMATIC)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.6, $height, 0.01]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => 1, 'temperature' => 300], 'x+' => ['kind' => 'outlet'],
                'y-' => ['heat' => ['kind' => 'temperature', 'temperature' => 310], 'patches' => [['min' => [0, 0], 'max' => [self::RUN_UP, 0.01], 'kind' => 'symmetry']]],
                // Far above: the fluid that the plate displaces leaves there.
                'y+' => ['kind' => 'outlet'], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'analysis' => ['grid' => ['lines' => ['x' => $along, 'y' => $up, 'z' => [0, 0.01]]]],
        ]);
    }

    /** W/m2/K, linearly between cells. */
    private static function filmAt(Solution $solution, float $at): float
    {
        $faces = $solution->state->system->surfaces;
        $film = [];
        for ($f = 0; $f < $faces->count(); $f++) {
            if ($faces->elements->side[$f] === 2 && $faces->elements->patch[$f] < 0) {
                $film[$faces->elements->cell[$f]] = -$faces->heatOut($f, $solution->state->temperature) / $faces->elements->area[$f] / 10.0;
            }
        }

        return self::between($solution, $at, fn (int $n): float => $film[$n]);
    }
}
