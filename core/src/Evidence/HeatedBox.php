<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** What the boxes of air share that are heated from one side and cooled from the other. */
abstract class HeatedBox extends FlowCase
{
    protected const SIZE = 0.05;

    protected const CONDUCTIVITY = 0.0262;

    protected const DENSITY = 1.177;

    protected const SPECIFIC_HEAT = 1006.0;

    /** m2/s */
    protected static function diffusivity(): float
    {
        return self::CONDUCTIVITY / self::DENSITY / self::SPECIFIC_HEAT;
    }

    /**
     * Hot at x-, cold at x+, one kelvin apart; Prandtl number 0.71; gravity along -y makes the Rayleigh number.
     *
     * @param list<float> $lines along x and y, m
     * @param list<float> $across along z, m
     * @param array<string, array<string, mixed>> $sides along z
     * @return array{surroundings: array<string, mixed>, physics: array<string, mixed>, materials: array<string, array<string, mixed>>, space: array{box: array{min: list<float>, max: array{float, float, float}}, fluid: string, sides: array<string, array<string, mixed>>},
     *     analysis: array{grid: array{lines: array<string, list<float>>}}}
     */
    protected static function box(int $rayleigh, array $lines, array $across, array $sides): array
    {
        $viscosity = 0.71 * self::CONDUCTIVITY / self::SPECIFIC_HEAT;
        $gravity = $rayleigh * $viscosity / self::DENSITY * self::diffusivity() * 300.0 / self::SIZE ** 3;

        return [
            'surroundings' => ['temperature' => 300, 'gravity' => [0, -$gravity, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => self::fluid(self::DENSITY, $viscosity, self::CONDUCTIVITY, self::SPECIFIC_HEAT, 1 / 300)],
            'space' => ['box' => ['min' => [0.0, 0.0, 0.0], 'max' => [self::SIZE, self::SIZE, $across[count($across) - 1]]], 'fluid' => 'f', 'sides' => [
                'x-' => ['heat' => ['kind' => 'temperature', 'temperature' => 300.5]], 'x+' => ['heat' => ['kind' => 'temperature', 'temperature' => 299.5]], ...$sides]],
            'analysis' => ['grid' => ['lines' => ['x' => $lines, 'y' => $lines, 'z' => $across]]],
        ];
    }
}
