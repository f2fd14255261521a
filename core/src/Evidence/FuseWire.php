<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\ThermalRunaway;

/** E01: a round wire in air between two terminals that are held cool, up to the current at which it has no steady state. */
final class FuseWire extends VerificationCase
{
    private const LENGTH = 0.03;

    private const DIAMETER = 0.0005;

    private const CONDUCTIVITY = 390.0;

    private const RESISTIVITY = 1.72e-8;

    /** 1/K, from the temperature of the terminals on. */
    private const RISE = 0.00393;

    /** W/m2/K */
    private const COEFFICIENT = 25.0;

    /** Of the limit: the bracket that it is looked for in, and the grid. */
    private const LIMIT = 0.011;

    public function id(): string
    {
        return 'E01';
    }

    public function title(): string
    {
        return 'Fuse wire in air between cool terminals';
    }

    public function source(): string
    {
        return 'Fin with a uniform source and one that rises with the temperature (Carslaw & Jaeger, 2nd ed. 1959, sec. 4.10): cosh and cos; limit of the current at its first eigenvalue';
    }

    public function run(bool $full = false): array
    {
        $rise = fn (Answer $answer): float => $answer->watched['max'] - 298.15;
        $constant = $this->result(self::wire(20.0, 0.0));
        $rising = $this->result(self::wire(20.0, self::RISE));
        $hot = $this->result(self::wire(30.0, self::RISE));
        $area = 0.25 * M_PI * self::DIAMETER ** 2;
        $limit = sqrt($area / (self::RESISTIVITY * self::RISE) * (self::COEFFICIENT * M_PI * self::DIAMETER + self::CONDUCTIVITY * $area * (M_PI / self::LENGTH) ** 2));

        return [
            Check::relative('E01', '20 A, constant resistivity: rise of the middle', self::rise(20.0, 0.0), $rise($constant), 0.005, 'K'),
            Check::relative('E01', '20 A, constant resistivity: voltage', 20.0 * self::RESISTIVITY * self::LENGTH / $area, $constant->terminal()['voltage'], 0.001, 'V'),
            Check::relative('E01', '20 A, rising resistivity: rise of the middle', self::rise(20.0, self::RISE), $rise($rising), 0.005, 'K'),
            Check::relative('E01', '30 A, rising resistivity: rise of the middle', self::rise(30.0, self::RISE), $rise($hot), 0.01, 'K'),
            Check::relative('E01', 'greatest current with a steady state', $limit, $this->limit(1.3 * $limit), self::LIMIT, 'A'),
        ];
    }

    /** The greatest current at which temperatures come to rest, as a run at a greater one says, A. */
    private function limit(float $current): float
    {
        try {
            $this->result(self::wire($current, self::RISE));
        } catch (ThermalRunaway $e) {
            return $current * ($e->share ?? NAN);
        }

        return NAN;
    }

    /** k A T'' - h P T + I^2 rho (1 + a T) / A = 0 with T = 0 at both ends, in the middle, K. */
    private static function rise(float $current, float $coefficient): float
    {
        $area = 0.25 * M_PI * self::DIAMETER ** 2;
        $source = $current ** 2 * self::RESISTIVITY / $area;
        $square = (self::COEFFICIENT * M_PI * self::DIAMETER - $source * $coefficient) / (self::CONDUCTIVITY * $area);
        $half = 0.5 * self::LENGTH * sqrt(abs($square));

        return $source / (self::CONDUCTIVITY * $area * $square) * (1.0 - 1.0 / ($square > 0.0 ? cosh($half) : cos($half)));
    }

    /** @return array<string, mixed> */
    private static function wire(float $current, float $coefficient): array
    {
        $end = ['kind' => 'temperature', 'temperature' => '25 degC'];
        $radius = 0.5 * self::DIAMETER;

        return [
            'physics' => ['electric' => true],
            'surroundings' => ['temperature' => '25 degC'],
            'space' => ['box' => ['min' => [0, -$radius, -$radius], 'max' => [self::LENGTH, $radius, $radius]], 'fluid' => null],
            'materials' => ['wire' => ['conductivity' => self::CONDUCTIVITY, 'resistivity' => ['value' => self::RESISTIVITY, 'at' => '25 degC', 'coefficient' => $coefficient]]],
            'parts' => [['id' => 'wire', 'shape' => ['kind' => 'path', 'points' => [[0, 0, 0], [self::LENGTH, 0, 0]], 'diameter' => self::DIAMETER], 'material' => 'wire', 'faces' => [
                'start' => ['heat' => $end, 'electric' => ['kind' => 'current', 'current' => $current]],
                'end' => ['heat' => $end, 'electric' => ['kind' => 'ground']],
                'bare' => ['heat' => ['kind' => 'film', 'coefficient' => self::COEFFICIENT, 'temperature' => '25 degC']],
            ]]],
            'watches' => [self::watch('max', ['part' => 'wire'], 'temperature', 'max')],
            'analysis' => ['grid' => ['cells' => [60, 4, 4]]],
        ];
    }
}
