<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P21: a bar between two ends of one temperature that current heats, with constant and with rising resistivity. */
final class HeatedBar extends VerificationCase
{
    private const LENGTH = 0.1;

    public function id(): string
    {
        return 'P21';
    }

    public function title(): string
    {
        return 'Bar heated by current between two cooled ends';
    }

    public function source(): string
    {
        return 'Parabola; cosine for a linear resistivity; Kohlrausch, Ann. Phys. 306 (1900) 132';
    }

    public function run(bool $full = false): array
    {
        $rising = ['value' => '1.72e-8 ohm*m', 'at' => '20 degC', 'coefficient' => '0.00393/K'];
        $current = ['kind' => 'current', 'current' => '50 A'];
        $a = $this->bar('1.72e-8 ohm*m', $current);
        $b = $this->bar($rising, $current);
        $c = $this->bar($rising, ['kind' => 'voltage', 'voltage' => '0.1 V']);
        $volts = fn (Answer $result): float => $result->terminal()['voltage'];
        $celsius = fn (Answer $result, string $watch): float => $result->watched[$watch] - self::ZERO_CELSIUS;

        return [
            Check::absolute('P21', 'A: greatest temperature', 161.4474, $celsius($a, 'max'), 0.3, 'degC'),
            Check::relative('P21', 'A: voltage', 0.086, $volts($a), 0.001, 'V'),
            Check::relative('P21', 'A: heat of the current', 4.3, $a->terminal()['heat'], 0.001, 'W'),
            Check::relative('P21', 'A: heat out of each end', 2.15, $a->watched['end'], 0.002, 'W'),
            Check::absolute('P21', 'B: greatest temperature', 280.9025, $celsius($b, 'max'), 0.5, 'degC'),
            Check::absolute('P21', 'B: mean temperature', 190.5792, $celsius($b, 'mean'), 0.4, 'degC'),
            Check::relative('P21', 'B: voltage', 0.1436523, $volts($b), 0.002, 'V'),
            Check::absolute('P21', 'B: at a quarter of the length', 210.9261, $celsius($b, 'quarter'), 0.5, 'degC'),
            Check::absolute('P21', 'C: greatest temperature', 168.1309, $celsius($c, 'max'), 0.4, 'degC'),
            Check::relative('P21', 'C: current', 42.0426, $c->terminal()['current'], 0.002, 'A'),
        ];
    }

    /**
     * @param string|array<string, string> $resistivity
     * @param array<string, string> $terminal
     */
    private function bar(string|array $resistivity, array $terminal): Answer
    {
        $end = ['kind' => 'temperature', 'temperature' => '20 degC'];

        return $this->result([
            'physics' => ['electric' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, 0.001, 0.001]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 380, 'resistivity' => $resistivity]],
            'parts' => [['id' => 'bar', 'shape' => ['kind' => 'block', 'size' => [self::LENGTH, 0.001, 0.001]], 'material' => 'm', 'faces' => [
                'x-' => ['heat' => $end, 'electric' => $terminal], 'x+' => ['heat' => $end, 'electric' => ['kind' => 'ground']]]]],
            'watches' => [self::watch('max', ['part' => 'bar'], 'temperature', 'max'), self::watch('mean', ['part' => 'bar'], 'temperature', 'mean'),
                self::watch('quarter', ['point' => [0.25 * self::LENGTH, 0.0005, 0.0005]]), self::watch('end', ['side' => 'x+'], 'heat')],
            'analysis' => ['grid' => ['cells' => [100, 1, 1]]],
        ]);
    }
}
