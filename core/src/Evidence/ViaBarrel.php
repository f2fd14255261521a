<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Board\Barrel;
use Foehn\Board\Hole;
use Foehn\Materials\PropertyLaw;

/** P23: the barrel of a via as a bar of its section, and the resistivity of copper against temperature. */
final class ViaBarrel extends VerificationCase
{
    private const LENGTH = 1.6e-3;

    public function id(): string
    {
        return 'P23';
    }

    public function title(): string
    {
        return 'Plated barrel of a via';
    }

    public function source(): string
    {
        return 'Closed forms; copper 1.724e-8 ohm m at 20 degC, 0.00393/K (IEC 60028)';
    }

    public function run(bool $full = false): array
    {
        $section = (new Barrel(new Hole([0.0, 0.0], 0.3e-3, true), 25e-6, 0, 1))->section();
        $one = $this->bar($section);
        $ten = $this->bar(10.0 * $section);
        $copper = PropertyLaw::linear(1.724e-8, 293.15, 0.00393);
        $resistivity = fn (float $celsius): float => $copper->at($celsius + self::ZERO_CELSIUS);
        $rise = $one->watched['middle'] - 25.0 - self::ZERO_CELSIUS;

        return [
            Check::relative('P23', 'section of the barrel', 2.159845e-8, $section, 0.001, 'm2'),
            Check::relative('P23', 'resistance', 0.001274166, $one->terminal()['voltage'] / 2.0, 0.002, 'ohm'),
            Check::relative('P23', 'heat at 2 A', 0.005096662, $one->terminal()['heat'], 0.002, 'W'),
            Check::relative('P23', 'thermal resistance from end to end', 192.414, 8.0 * $rise / $one->terminal()['heat'], 0.002, 'K/W'),
            Check::relative('P23', 'rise at mid height at 2 A', 0.1225836, $rise, 0.005, 'K'),
            Check::relative('P23', 'ten side by side: resistance', 0.0001274166, $ten->terminal()['voltage'] / 2.0, 0.002, 'ohm'),
            Check::relative('P23', 'resistivity at -40 degC', 1.317481e-8, $resistivity(-40.0), 0.001, 'ohm m'),
            Check::relative('P23', 'resistivity at 20 degC', 1.724e-8, $resistivity(20.0), 0.001, 'ohm m'),
            Check::relative('P23', 'resistivity at 60 degC', 1.995013e-8, $resistivity(60.0), 0.001, 'ohm m'),
            Check::relative('P23', 'resistivity at 100 degC', 2.266026e-8, $resistivity(100.0), 0.001, 'ohm m'),
            Check::relative('P23', 'resistivity at 150 degC', 2.604792e-8, $resistivity(150.0), 0.001, 'ohm m'),
        ];
    }

    private function bar(float $section): Answer
    {
        $end = ['kind' => 'temperature', 'temperature' => '25 degC'];
        $side = sqrt($section);

        return $this->result([
            'physics' => ['electric' => true],
            'surroundings' => ['temperature' => '25 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [$side, $side, self::LENGTH]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 385, 'resistivity' => '1.72e-8 ohm*m']],
            'parts' => [['id' => 'bar', 'shape' => ['kind' => 'block', 'size' => [$side, $side, self::LENGTH]], 'material' => 'm', 'faces' => [
                'z-' => ['heat' => $end, 'electric' => ['kind' => 'current', 'current' => '2 A']], 'z+' => ['heat' => $end, 'electric' => ['kind' => 'ground']]]]],
            'watches' => [self::watch('middle', ['point' => [0.5 * $side, 0.5 * $side, 0.5 * self::LENGTH]])],
            'analysis' => ['grid' => ['cells' => [1, 1, 41]]],
        ]);
    }
}
