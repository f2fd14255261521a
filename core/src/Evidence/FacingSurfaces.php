<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P18 and more: surfaces that see each other, through openings, between mirrors and in a closed box, coupled with conduction. */
final class FacingSurfaces extends VerificationCase
{
    public function id(): string
    {
        return 'P18';
    }

    public function title(): string
    {
        return 'Radiation between surfaces';
    }

    public function source(): string
    {
        return 'View factor of parallel rectangles (Howell, C-11) with radiosities; two slabs across a vacuum gap; cube with re-radiating sides by fine radiosities';
    }

    public function run(bool $full = false): array
    {
        return [...$this->plates(), ...$this->gap(), ...$this->cube()];
    }

    /** @return list<Check> plates of 0.2 m x 0.3 m, 0.1 m apart, 400 K and 300 K, between edges open to 290 K */
    private function plates(): array
    {
        $plate = fn (string $id, float $from, float $emissivity): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [0.2, 0.3, 0.01]], 'at' => [0, 0, $from], 'material' => 'm', 'surface' => ['emissivity' => $emissivity]];
        $result = $this->result([
            'surroundings' => ['temperature' => 290], 'physics' => ['radiation' => 'surfaces'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.3, 0.12]], 'fluid' => null, 'sides' => ['z-' => self::held(400), 'z+' => self::held(300)]],
            'materials' => ['m' => ['conductivity' => 1e5]], 'parts' => [$plate('warm', 0.0, 0.8), $plate('cold', 0.11, 0.5)],
            'analysis' => ['grid' => ['cells' => [12, 18, 12]]],
        ]);

        return [
            Check::relative('P18', 'net power leaving plate 1', 44.86, $result->radiated(0), 0.015, 'W'),
            Check::relative('P18', 'net power leaving plate 2', -10.60, $result->radiated(1), 0.03, 'W'),
        ];
    }

    /** @return list<Check> 10 mm of k = 0.5 and 5 mm of k = 0.2 with a vacuum gap of emissivities 0.8 and 0.6 between them, ends at 400 K and 300 K */
    private function gap(): array
    {
        $mirror = ['kind' => 'symmetry'];
        $slab = fn (string $id, float $from, float $thick, string $material, float $emissivity): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, $thick]], 'at' => [0, 0, $from], 'material' => $material, 'surface' => ['emissivity' => $emissivity]];
        $result = $this->result([
            'surroundings' => ['temperature' => 300], 'physics' => ['radiation' => 'surfaces'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => null, 'sides' => ['x-' => $mirror, 'x+' => $mirror, 'y-' => $mirror, 'y+' => $mirror, 'z-' => self::held(400), 'z+' => self::held(300)]],
            'materials' => ['a' => ['conductivity' => 0.5], 'b' => ['conductivity' => 0.2]], 'parts' => [$slab('warm', 0.0, 0.01, 'a', 0.8), $slab('cold', 0.015, 0.005, 'b', 0.6)],
            'watches' => [self::watch('inner', ['part' => 'warm', 'face' => 'z+']), self::watch('outer', ['part' => 'cold', 'face' => 'z-'])],
            'analysis' => ['grid' => ['cells' => [2, 2, 20]]],
        ]);

        return [
            Check::relative('P18', 'slabs: heat flux', 420.598, $result->radiated(0) / 4e-4, 1e-5, 'W/m2'),
            Check::absolute('P18', 'slabs: surface of the warm one', 391.588, $result->watched['inner'], 0.001, 'K'),
            Check::absolute('P18', 'slabs: surface of the cold one', 310.515, $result->watched['outer'], 0.001, 'K'),
        ];
    }

    /** @return list<Check> a cube of 1 m with a floor at 400 K (0.8), a ceiling at 300 K (0.5) and sides that give back all they take up */
    private function cube(): array
    {
        $wall = fn (string $id, array $at, array $size, string $material, float $emissivity): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => $material, 'surface' => ['emissivity' => $emissivity]];
        $result = $this->result([
            'surroundings' => ['temperature' => 300], 'physics' => ['radiation' => 'surfaces'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1.2, 1.2, 1.2]], 'fluid' => null, 'sides' => ['z-' => self::held(400), 'z+' => self::held(300)]],
            'materials' => ['metal' => ['conductivity' => 1e6], 'foam' => ['conductivity' => 1e-9]],
            'parts' => [
                $wall('floor', [0.1, 0.1, 0], [1, 1, 0.1], 'metal', 0.8), $wall('ceiling', [0.1, 0.1, 1.1], [1, 1, 0.1], 'metal', 0.5),
                $wall('west', [0, 0, 0], [0.1, 1.2, 1.2], 'foam', 0.6), $wall('east', [1.1, 0, 0], [0.1, 1.2, 1.2], 'foam', 0.6),
                $wall('south', [0.1, 0, 0], [1, 0.1, 1.2], 'foam', 0.6), $wall('north', [0.1, 1.1, 0], [1, 0.1, 1.2], 'foam', 0.6),
            ],
            'analysis' => ['grid' => ['cells' => [12, 12, 12]]],
        ]);

        return [Check::relative('P18', 'cube: net power leaving the floor', 317.99, $result->radiated(0), 0.005, 'W')];
    }

    /** @return array<string, mixed> a side of the space at a temperature, K */
    private static function held(float $kelvin): array
    {
        return ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => $kelvin]];
    }
}
