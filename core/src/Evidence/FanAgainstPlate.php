<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Shapes\Screen;

/** P17: a fan with its curve blows through a perforated plate. */
final class FanAgainstPlate extends FlowCase
{
    public function id(): string
    {
        return 'P17';
    }

    public function title(): string
    {
        return 'Fan curve against a perforated plate';
    }

    public function source(): string
    {
        return 'Intersection of the curves; Idelchik, Handbook of Hydraulic Resistance, for the plate';
    }

    public function run(bool $full = false): array
    {
        return [...$this->plate(0.4, 8.757885, 0.0141823, 24.9437), ...$this->plate(0.25, 30.67823, 0.009685815, 40.75404)];
    }

    /** @return list<Check> */
    private function plate(float $free, float $loss, float $flow, float $rise): array
    {
        $slip = ['slip' => true];
        $result = $this->result([
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1.16, 1.8e-5)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.3, 0.08, 0.08]], 'fluid' => 'f',
                'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'outlet'], 'y-' => $slip, 'y+' => $slip, 'z-' => $slip, 'z+' => $slip]],
            'parts' => [
                ['id' => 'fan', 'at' => [0.1, 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.08, 0.08], 'curve' => [[0, 60], [0.005, 52], [0.01, 40], [0.015, 22], [0.02, 0]]]],
                // One velocity head less than the plate has, because an open side takes that from what enters.
                ['id' => 'plate', 'at' => [0.2, 0, 0], 'shape' => ['kind' => 'screen', 'normal' => 'x', 'size' => [0.08, 0.08], 'lossCoefficient' => Screen::ofFreeArea($free) - 1.0]],
            ],
            'analysis' => ['grid' => ['cells' => [30, 4, 4]]],
        ]);
        $point = $result->fan();

        return [
            Check::relative('P17', "free area $free: loss coefficient", $loss, Screen::ofFreeArea($free), 0.0001, '-'),
            Check::relative('P17', "free area $free: flow", $flow, $point['flow'], 0.01, 'm3/s'),
            Check::relative('P17', "free area $free: pressure rise", $rise, $point['rise'], 0.02, 'Pa'),
        ];
    }
}
