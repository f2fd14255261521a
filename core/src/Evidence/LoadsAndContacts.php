<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** E02: bars in series with a contact between them, a load of given watts, and a resistor to ground, as a network of resistances. */
final class LoadsAndContacts extends VerificationCase
{
    private const LENGTH = 0.05;

    /** m2 */
    private const SECTION = 1e-5;

    private const RESISTIVITY = 1.7e-8;

    /** ohm m2 */
    private const CONTACT = 5e-10;

    private const SOURCE = 12.0;

    private const LOAD = 60.0;

    /** ohm */
    private const RESISTOR = 0.4;

    public function id(): string
    {
        return 'E02';
    }

    public function title(): string
    {
        return 'Bars with a contact, a load and a resistor';
    }

    public function source(): string
    {
        return 'Closed form: network of resistances; heat by current squared times resistance';
    }

    public function run(bool $full = false): array
    {
        $bar = self::RESISTIVITY * self::LENGTH / self::SECTION;
        $contact = self::CONTACT / self::SECTION;
        // The load draws P/V between the bars; the resistor takes what the voltage there drives through contact, second bar and itself.
        $load = self::LOAD / self::SOURCE;
        $through = (self::SOURCE - $bar * $load) / (2.0 * $bar + $contact + self::RESISTOR);
        $first = $load + $through;
        $answer = $this->result(self::bars());
        $electric = $answer->electric();
        $terminals = $electric['terminals'];

        return [
            Check::relative('E02', 'current of the source', $first, $terminals[0]['current'], 1e-5, 'A'),
            Check::relative('E02', 'current of the load', -$load, $terminals[2]['current'], 1e-9, 'A'),
            Check::relative('E02', 'voltage at the resistor', $through * self::RESISTOR, $terminals[1]['voltage'], 1e-5, 'V'),
            Check::relative('E02', 'heat in the conductors and the contact', $first ** 2 * $bar + $through ** 2 * ($bar + $contact), $electric['power'], 1e-3, 'W'),
            Check::relative('E02', 'heat of the second bar, with half of the contact', $through ** 2 * ($bar + 0.5 * $contact), ($answer->result['parts'][1]['current'] ?? ['heat' => NAN])['heat'], 1e-5, 'W'),
        ];
    }

    /** @return array<string, mixed> */
    private static function bars(): array
    {
        $side = sqrt(self::SECTION);
        $bar = fn (string $id, int $n, array $faces): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [self::LENGTH, $side, $side]], 'at' => [$n * self::LENGTH, 0, 0], 'material' => 'm', 'faces' => $faces];
        $held = ['heat' => ['kind' => 'temperature', 'temperature' => '25 degC']];
        $perfect = ['conductivity' => 400, 'resistivity' => 1e-12];

        return [
            'physics' => ['electric' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [2.0 * self::LENGTH + 0.01, $side, $side]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 400, 'resistivity' => self::RESISTIVITY], 'perfect' => $perfect],
            'parts' => [
                $bar('first', 0, ['x-' => $held + ['electric' => ['kind' => 'voltage', 'voltage' => self::SOURCE]]]),
                ['at' => [self::LENGTH + 0.01, 0, 0]] + $bar('second', 0, [
                    'x-' => ['electric' => ['kind' => 'contact', 'resistance' => self::CONTACT]],
                    'x+' => ['electric' => ['kind' => 'resistance', 'resistance' => self::RESISTOR]],
                ]),
                // Where the load is taken: with a ten-thousandth of the resistivity, so that the network is nearly exact.
                ['id' => 'tap', 'shape' => ['kind' => 'block', 'size' => [0.01, $side, $side]], 'at' => [self::LENGTH, 0, 0], 'material' => 'perfect', 'faces' => [
                    'y+' => ['electric' => ['kind' => 'power', 'power' => self::LOAD, 'voltage' => self::SOURCE]]]],
            ],
            'analysis' => ['grid' => ['cells' => [55, 2, 2]]],
        ];
    }
}
