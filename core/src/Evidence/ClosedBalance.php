<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P30: what goes in must come out, on a model with parts, packages, contacts, films and a material that follows the temperature. */
final class ClosedBalance extends VerificationCase
{
    public function id(): string
    {
        return 'P30';
    }

    public function title(): string
    {
        return 'Heat balance';
    }

    public function source(): string
    {
        return 'Conservation of energy';
    }

    public function run(bool $full = false): array
    {
        $film = self::film(12.0, '40 degC');
        $result = $this->result([
            'surroundings' => ['temperature' => '40 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.08, 0.04]], 'fluid' => 'air', 'sides' => array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], $film)],
            'parts' => [
                ['id' => 'tray', 'shape' => ['kind' => 'shell', 'size' => [0.1, 0.08, 0.04], 'wall' => 0.0015], 'material' => 'steel-carbon'],
                ['id' => 'board', 'shape' => ['kind' => 'board', 'size' => [0.08, 0.06], 'layers' => [['thickness' => 7e-5, 'copper' => 0.4], ['thickness' => 1.5e-3], ['thickness' => 7e-5, 'copper' => 0.4]]], 'at' => [0.01, 0.01, 0.006], 'power' => 2],
                ['id' => 'chip', 'shape' => ['kind' => 'package', 'size' => [0.02, 0.02, 0.002], 'junctionToCase' => 0.5, 'junctionToBoard' => 7], 'at' => [0.03, 0.03, 0.00764], 'power' => 6,
                    'faces' => ['z+' => ['heat' => ['kind' => 'contact', 'resistance' => 2e-5]]]],
                ['id' => 'die', 'shape' => ['kind' => 'block', 'size' => [0.008, 0.008, 0.001]], 'at' => [0.07, 0.03, 0.00764], 'material' => 'silicon', 'power' => 3],
                ['id' => 'sink', 'shape' => ['kind' => 'plateFins', 'size' => [0.03, 0.03], 'base' => 0.003, 'height' => 0.02, 'count' => 6, 'thickness' => 0.0012], 'at' => [0.025, 0.025, 0.00964], 'material' => 'aluminium-6063'],
            ],
            'analysis' => ['grid' => ['grade' => 'scout', 'maxCells' => 25000]],
        ]);

        return [
            Check::absolute('P30', 'relative heat-balance error', 0.0, $result->result['balance']['error'], 1e-6, '-'),
            Check::relative('P30', 'heat out through the six sides', 11.0, array_sum(array_column(array_filter($result->result['sides']), 'heat')), 1e-6, 'W'),
        ];
    }
}
