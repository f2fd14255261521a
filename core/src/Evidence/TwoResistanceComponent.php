<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P25: a two-resistance package between a board and a heat sink, both nearly isothermal. */
final class TwoResistanceComponent extends VerificationCase
{
    /** m2 */
    private const AREA = 4e-4;

    /** W/m/K */
    private const STIFF = 1e5;

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
        $shape = fn (float $thickness): array => ['kind' => 'block', 'size' => [0.02, 0.02, $thickness]];
        $result = $this->result([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.01]], 'fluid' => null, 'sides' => [
                'z-' => self::film(1 / (12.0 * self::AREA), '40 degC'), 'z+' => self::film(1 / (3.0 * self::AREA), '40 degC')]],
            'materials' => ['stiff' => ['conductivity' => self::STIFF]],
            'parts' => [
                ['id' => 'board', 'shape' => $shape(0.002), 'material' => 'stiff'],
                ['id' => 'chip', 'shape' => ['kind' => 'package', 'size' => [0.02, 0.02, 0.003], 'junctionToCase' => 1.2, 'junctionToBoard' => 6.0], 'at' => [0, 0, 0.002],
                    'power' => 5, 'faces' => ['z+' => ['heat' => ['kind' => 'contact', 'resistance' => 0.2 * self::AREA]]]],
                ['id' => 'sink', 'shape' => $shape(0.005), 'at' => [0, 0, 0.005], 'material' => 'stiff'],
            ],
            'analysis' => ['grid' => ['lines' => ['x' => [0, 0.005, 0.01, 0.015, 0.02], 'y' => [0, 0.005, 0.01, 0.015, 0.02]]]],
            'watches' => [self::watch('sink', ['part' => 'sink']), self::watch('board', ['part' => 'board', 'face' => 'z+']),
                self::watch('junction', ['part' => 'chip', 'node' => 'junction']), self::watch('case', ['part' => 'chip', 'node' => 'case']),
                self::watch('up', ['side' => 'z+'], 'heat'), self::watch('down', ['side' => 'z-'], 'heat')],
        ]);
        // The blocks conduct so well that they are nearly of one temperature; what little they resist is in the network.
        $block = fn (float $thickness): float => $thickness / (self::STIFF * self::AREA);
        [$up, $down] = [1.2 + 0.2 + $block(0.005) + 3.0, 6.0 + $block(0.002) + 12.0];
        $rise = 5.0 * $up * $down / ($up + $down);
        [$heatUp, $heatDown] = [$rise / $up, $rise / $down];
        $check = fn (string $name, float $reference): Check => Check::absolute('P25', $name, 40.0 + $reference, $result->watched[$name] - self::ZERO_CELSIUS, 0.1, 'degC');

        return [
            $check('junction', $rise),
            $check('case', $rise - 1.2 * $heatUp),
            $check('sink', $heatUp * (3.0 + 0.5 * $block(0.005))),
            $check('board', $heatDown * (12.0 + $block(0.002))),
            Check::relative('P25', 'heat to the sink', $heatUp, $result->watched['up'], 0.002, 'W'),
            Check::relative('P25', 'heat to the board', $heatDown, $result->watched['down'], 0.002, 'W'),
        ];
    }
}
