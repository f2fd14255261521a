<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P25: a two-resistance package between a board and a heat sink, both nearly isothermal. */
final class TwoResistanceComponent extends VerificationCase
{
    private const AREA = 4e-4;

    public function id(): string
    {
        return 'P25';
    }

    public function title(): string
    {
        return 'Two-resistance package between board and heat sink';
    }

    public function source(): string
    {
        return 'Closed form: resistance network';
    }

    public function run(bool $full = false): array
    {
        $block = fn (float $thickness): array => ['kind' => 'block', 'size' => [0.02, 0.02, $thickness]];
        $result = $this->result([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.01]], 'fluid' => null, 'sides' => [
                'z-' => self::film(1 / (12.0 * self::AREA), '40 degC'), 'z+' => self::film(1 / (3.0 * self::AREA), '40 degC')]],
            'materials' => ['stiff' => ['conductivity' => 1e5]],
            'parts' => [
                ['id' => 'board', 'shape' => $block(0.002), 'material' => 'stiff'],
                ['id' => 'chip', 'shape' => ['kind' => 'package', 'size' => [0.02, 0.02, 0.003], 'junctionToCase' => 1.2, 'junctionToBoard' => 6.0], 'at' => [0, 0, 0.002],
                    'power' => 5, 'faces' => ['z+' => ['heat' => ['kind' => 'contact', 'resistance' => 0.2 * self::AREA]]]],
                ['id' => 'sink', 'shape' => $block(0.005), 'at' => [0, 0, 0.005], 'material' => 'stiff'],
            ],
            'analysis' => ['grid' => ['lines' => ['x' => [0, 0.005, 0.01, 0.015, 0.02], 'y' => [0, 0.005, 0.01, 0.015, 0.02]]]],
            'watches' => [self::watch('sink', ['part' => 'sink']), self::watch('board', ['part' => 'board', 'face' => 'z+']),
                self::watch('junction', ['part' => 'chip', 'node' => 'junction']), self::watch('case', ['part' => 'chip', 'node' => 'case']),
                self::watch('up', ['side' => 'z+'], 'heat'), self::watch('down', ['side' => 'z-'], 'heat')],
        ]);
        $check = fn (string $name, float $reference): Check => Check::absolute('P25', $name, $reference, $result->watched[$name] - self::ZERO_CELSIUS, 0.1, 'degC');

        return [
            $check('junction', 57.67857),
            $check('case', 52.85714),
            $check('sink', 52.05357),
            $check('board', 51.78571),
            Check::relative('P25', 'heat to the sink', 4.017857, $result->watched['up'], 0.002, 'W'),
            Check::relative('P25', 'heat to the board', 0.9821429, $result->watched['down'], 0.002, 'W'),
        ];
    }
}
