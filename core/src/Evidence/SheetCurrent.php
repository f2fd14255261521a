<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P22: current that narrows from the whole edge of a thin sheet to a short contact. */
final class SheetCurrent extends VerificationCase
{
    private const SHEET = 1.72e-8 / 35e-6;

    public function id(): string
    {
        return 'P22';
    }

    public function title(): string
    {
        return 'Current spreading in a thin sheet';
    }

    public function source(): string
    {
        return 'Conformal map (Jacobi elliptic functions; modulus of a quadrilateral)';
    }

    public function run(bool $full = false): array
    {
        $narrow = $this->sheet(0.006);
        $wide = $this->sheet(0.03);

        return [
            Check::relative('P22', 'resistance in squares', 1.707143, $narrow['voltage'] / 5.0 / self::SHEET, 0.015, '-'),
            Check::relative('P22', 'resistance', 0.000838939, $narrow['voltage'] / 5.0, 0.015, 'ohm'),
            Check::relative('P22', 'voltage at 5 A', 0.004194695, $narrow['voltage'], 0.015, 'V'),
            Check::relative('P22', 'power at 5 A', 0.02097348, $narrow['power'], 0.015, 'W'),
            Check::relative('P22', 'whole edges, resistance in squares', 1.333333, $wide['voltage'] / 5.0 / self::SHEET, 0.0001, '-'),
        ];
    }

    /**
     * The contact is a strip of a perfect conductor on the edge, with its far face at ground.
     *
     * @return array{voltage: float, power: float} V between the contacts at 5 A, W
     */
    private function sheet(float $contact): array
    {
        $strip = 0.0005;
        $result = $this->result([
            'physics' => ['electric' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.04 + $strip, 0.03, 35e-6]], 'fluid' => null, 'sides' => ['z-' => self::film(100.0, '20 degC')]],
            'materials' => ['m' => ['conductivity' => 400, 'resistivity' => '1.72e-8 ohm*m'], 'perfect' => ['conductivity' => 400, 'resistivity' => '1e-18 ohm*m']],
            'parts' => [
                ['id' => 'sheet', 'shape' => ['kind' => 'block', 'size' => [0.04, 0.03, 35e-6]], 'material' => 'm', 'faces' => ['x-' => ['electric' => ['kind' => 'current', 'current' => '5 A']]]],
                ['id' => 'contact', 'shape' => ['kind' => 'block', 'size' => [$strip, $contact, 35e-6]], 'at' => [0.04, 0.5 * (0.03 - $contact), 0], 'material' => 'perfect',
                    'faces' => ['x+' => ['electric' => ['kind' => 'ground']]]],
            ],
            'analysis' => ['grid' => ['cells' => [81, 60, 1]]],
        ]);

        return ['voltage' => $result->terminal()['voltage'], 'power' => $result->terminal()['heat']];
    }
}
