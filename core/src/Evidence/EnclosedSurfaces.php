<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P19 and more: a closed cube with a re-radiating wall, deep slots, and a fin array that radiates beside its convection. */
final class EnclosedSurfaces extends VerificationCase
{
    private const OFF = ['surface' => ['radiates' => false]];

    /** Depth of the slot in widths: emissivity of its walls, and what leaves it over sigma T^4 and the area of its mouth, by crossed strings and fine radiosities. */
    private const SLOT = ['0.1' => 0.5132, '0.5' => 0.8490, '0.9' => 0.9769];

    public function id(): string
    {
        return 'P19';
    }

    public function title(): string
    {
        return 'Radiation in cavities and fin channels';
    }

    public function source(): string
    {
        return 'Cube with six grey walls by sub-divided radiosities; slot by crossed strings and radiosities; fin channel by its differential equation with crossed strings (200 strips a side)';
    }

    public function run(bool $full = false): array
    {
        return [...$this->cube(), ...$this->slots(), ...$this->fins()];
    }

    /** @return list<Check> walls of 0.5 m at 500, 300, 350, 320 and 400 K, and one that gives back all it takes up; their edges do not touch and do not radiate */
    private function cube(): array
    {
        $temperatures = ['x-' => 500, 'x+' => 300, 'y-' => 350, 'y+' => 320, 'z-' => 400, 'z+' => null];
        $emissivities = ['x-' => 0.9, 'x+' => 0.3, 'y-' => 0.7, 'y+' => 0.5, 'z-' => 0.8, 'z+' => 0.6];
        $parts = $sides = [];
        foreach ($temperatures as $side => $kelvin) {
            $axis = (int) strpos('xyz', $side[0]);
            [$size, $at] = [[0.5, 0.5, 0.5], [0.1, 0.1, 0.1]];
            $size[$axis] = 0.1;
            $at[$axis] = $side[1] === '-' ? 0.0 : 0.6;
            $edges = array_fill_keys(array_filter(array_keys($temperatures), fn (string $face): bool => $face[0] !== $side[0]), self::OFF);
            $parts[] = ['id' => $side, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => $kelvin === null ? 'foam' : 'metal', 'surface' => ['emissivity' => $emissivities[$side]], 'faces' => $edges];
            $sides[$side] = $kelvin === null ? [] : ['heat' => ['kind' => 'temperature', 'temperature' => $kelvin]];
        }
        $result = $this->result([
            'surroundings' => ['temperature' => 300], 'physics' => ['radiation' => 'surfaces'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.7, 0.7, 0.7]], 'fluid' => null, 'sides' => $sides],
            'materials' => ['metal' => ['conductivity' => 1e6], 'foam' => ['conductivity' => 1e-9]], 'parts' => $parts,
            'watches' => [self::watch('mean', ['part' => 'z+', 'face' => 'z-'])],
            'analysis' => ['grid' => ['cells' => [14, 14, 14]]],
        ]);
        $checks = [];
        foreach ([472.2, -95.1, -168.1, -150.9, -58.0] as $n => $watts) {
            // Met within either of 1.5 % and 1.5 W.
            $checks[] = Check::absolute('P19', 'net power leaving wall ' . ($n + 1), $watts, $result->radiated($n), max(1.5, 0.015 * abs($watts)), 'W');
        }
        $checks[] = Check::absolute('P19', 'sum of net powers', 0.0, array_sum(array_map($result->radiated(...), range(0, 5))), 0.05, 'W');
        $checks[] = Check::absolute('P19', 're-radiating wall: temperature', 416.4, $result->watched['mean'], 1.0, 'K');

        return $checks;
    }

    /** @return list<Check> walls at 400 K, 7.5 widths deep, of unlimited length, open to 0 K */
    private function slots(): array
    {
        $checks = [];
        foreach (self::SLOT as $emissivity => $share) {
            $mirror = ['kind' => 'symmetry'];
            $held = ['heat' => ['kind' => 'temperature', 'temperature' => 400]];
            $wall = fn (string $id, array $size, array $at): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => 'm', 'surface' => ['emissivity' => (float) $emissivity]];
            $result = $this->result([
                'surroundings' => ['temperature' => 300, 'radiantTemperature' => 1e-3], 'physics' => ['radiation' => 'surfaces'],
                'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.08, 0.012, 0.01]], 'fluid' => null, 'sides' => ['x-' => $held, 'y-' => $held, 'y+' => $held, 'z-' => $mirror, 'z+' => $mirror]],
                'materials' => ['m' => ['conductivity' => 1e6]],
                'parts' => [$wall('end', [0.005, 0.01, 0.01], [0, 0.001, 0]), $wall('lower', [0.08, 0.001, 0.01], [0, 0, 0]), $wall('upper', [0.08, 0.001, 0.01], [0, 0.011, 0])],
                'analysis' => ['grid' => ['lines' => ['x' => [0, ...array_map(fn (int $n): float => 0.005 + 0.00125 * $n, range(0, 60))], 'y' => [0, ...array_map(fn (int $n): float => 0.001 + 0.00125 * $n, range(0, 8)), 0.012], 'z' => [0, 0.005, 0.01]]]],
            ]);
            $all = $result->radiated(0) + $result->radiated(1) + $result->radiated(2);
            $checks[] = Check::relative('P19', "slot, emissivity $emissivity: share of a black mouth", $share, $all / (5.670374419e-8 * 400 ** 4 * 0.01 * 0.01), 0.01, '-');
        }

        return $checks;
    }

    /** @return list<Check> fins of 60 mm and 1 mm, k = 20, 30 mm apart on a base of 360 K, with 5 W/m2K and an emissivity of 0.8 to 300 K, per metre */
    private function fins(): array
    {
        $mirror = ['kind' => 'symmetry'];
        $cooled = ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 5, 'temperature' => 300]]];
        $part = fn (string $id, string $material, array $size, array $at): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => $material, 'faces' => $cooled, 'surface' => ['emissivity' => 0.8]];
        $fine = fn (float $from, float $to, int $cells): array => array_map(fn (int $n): float => $from + ($to - $from) * $n / $cells, range(0, $cells));
        $result = $this->result([
            'surroundings' => ['temperature' => 300], 'physics' => ['radiation' => 'surfaces'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.062, 0.031, 0.01]], 'fluid' => null, 'sides' => [
                'x-' => ['heat' => ['kind' => 'temperature', 'temperature' => 360]], 'x+' => ['heat' => ['kind' => 'adiabatic']], 'y-' => $mirror, 'y+' => $mirror, 'z-' => $mirror, 'z+' => $mirror]],
            'materials' => ['fin' => ['conductivity' => 20], 'base' => ['conductivity' => 1e6]],
            'parts' => [$part('base', 'base', [0.002, 0.031, 0.01], [0, 0, 0]), $part('lower', 'fin', [0.06, 0.0005, 0.01], [0.002, 0, 0]), $part('upper', 'fin', [0.06, 0.0005, 0.01], [0.002, 0.0305, 0])],
            'watches' => [self::watch('tip', ['part' => 'lower', 'face' => 'x+']), self::watch('heat', ['side' => 'x-'], 'heat')],
            'analysis' => ['grid' => ['lines' => ['x' => [0.0, ...$fine(0.002, 0.062, 60)], 'y' => [0.0, ...$fine(0.0005, 0.0305, 24), 0.031], 'z' => [0.0, 0.005, 0.01]]]],
        ]);
        $radiated = array_sum(array_map($result->radiated(...), [0, 1, 2])) / 0.01;

        return [
            Check::relative('P19', 'fins: convected and radiated', 40.1395, -$result->watched['heat'] / 0.01, 0.005, 'W/m'),
            Check::relative('P19', 'fins: radiated', 8.4450, $radiated, 0.01, 'W/m'),
            Check::absolute('P19', 'fins: temperature of the tip', 327.4042, $result->watched['tip'], 0.1, 'K'),
        ];
    }
}
