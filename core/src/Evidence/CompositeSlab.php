<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P01: four layers with contact resistances, driven by a flux or by a source in the third layer. */
final class CompositeSlab extends VerificationCase
{
    private const WIDTH = 0.01;

    public function id(): string
    {
        return 'P01';
    }

    public function title(): string
    {
        return 'Composite slab with contact resistances';
    }

    public function source(): string
    {
        return 'Closed form: one-dimensional series resistances';
    }

    public function run(bool $full = false): array
    {
        $flux = $this->slab(['kind' => 'wall', 'heat' => ['kind' => 'flux', 'flux' => '5e4 W/m^2']], []);
        $sourced = $this->slab(['kind' => 'wall'], ['source' => '2e7 W/m^3']);
        $a = fn (string $watch): float => $flux->watched[$watch] - self::ZERO_CELSIUS;
        $b = fn (string $watch): float => $sourced->watched[$watch] - self::ZERO_CELSIUS;
        $check = fn (string $name, float $reference, float $value): Check => Check::absolute('P01', $name, $reference, $value, 0.02, 'degC');

        return [
            $check('A: top surface', 93.60684, $a('top')),
            $check('A: bottom of layer 1', 93.2735, $a('l1-bottom')),
            $check('A: top of layer 2', 92.2735, $a('l2-top')),
            $check('A: top of layer 3', 90.60684, $a('l3-top')),
            $check('A: bottom of layer 3', 90.22222, $a('l3-bottom')),
            $check('A: top of layer 4', 89.72222, $a('l4-top')),
            $check('A: bottom surface', 87.5, $a('bottom')),
            Check::relative('P01', 'A: total resistance per area', 0.001372137, ($a('top') - 25.0) / 5e4, 2e-4, 'm2K/W'),
            $check('B: top surface', 103.4974, $b('top')),
            $check('B: top of layer 3', 103.4974, $b('l3-top')),
            $check('B: bottom of layer 3', 103.2667, $b('l3-bottom')),
            $check('B: bottom surface', 100.0, $b('bottom')),
            Check::relative('P01', 'B: heat leaving the bottom per area', 6e4, $sourced->watched['bottom-flux'], 1e-6, 'W/m2'),
        ];
    }

    /**
     * @param array<string, mixed> $top
     * @param array<string, mixed> $third what the third layer has in addition
     */
    private function slab(array $top, array $third): Answer
    {
        $contact = fn (float $resistance): array => ['faces' => ['z-' => ['heat' => ['kind' => 'contact', 'resistance' => $resistance]]]];

        return $this->result([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::WIDTH, self::WIDTH, 0.0121]], 'fluid' => null,
                'sides' => ['z+' => $top, 'z-' => self::film(800.0, '25 degC')]],
            'materials' => ['m1' => ['conductivity' => 150], 'm2' => ['conductivity' => 3], 'm3' => ['conductivity' => 390], 'm4' => ['conductivity' => 180]],
            'parts' => [
                self::layer('l4', self::WIDTH, 0.0, 0.008, 'm4'),
                [...self::layer('l3', self::WIDTH, 0.008, 0.011, 'm3'), ...$contact(1e-5), ...$third],
                self::layer('l2', self::WIDTH, 0.011, 0.0111, 'm2'),
                [...self::layer('l1', self::WIDTH, 0.0111, 0.0121, 'm1'), ...$contact(2e-5)],
            ],
            'watches' => [
                self::watch('top', ['side' => 'z+']), self::watch('l1-bottom', ['part' => 'l1', 'face' => 'z-']),
                self::watch('l2-top', ['part' => 'l2', 'face' => 'z+']), self::watch('l3-top', ['part' => 'l3', 'face' => 'z+']),
                self::watch('l3-bottom', ['part' => 'l3', 'face' => 'z-']), self::watch('l4-top', ['part' => 'l4', 'face' => 'z+']),
                self::watch('bottom', ['side' => 'z-']), self::watch('bottom-flux', ['side' => 'z-'], 'heatFlux'),
            ],
            'analysis' => ['grid' => ['grade' => 'working', 'lines' => ['x' => [0, self::WIDTH / 2, self::WIDTH], 'y' => [0, self::WIDTH / 2, self::WIDTH]]]],
        ]);
    }
}
