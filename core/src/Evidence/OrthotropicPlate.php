<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P02: plate with a uniform source, isothermal edges and conductivities 20 and 2 W/m/K. */
final class OrthotropicPlate extends VerificationCase
{
    public function id(): string
    {
        return 'P02';
    }

    public function title(): string
    {
        return 'Orthotropic plate with a uniform source';
    }

    public function source(): string
    {
        return 'Fourier series, Carslaw & Jaeger, Conduction of Heat in Solids, 2nd ed. (1959), ch. V';
    }

    public function run(bool $full = false): array
    {
        $plate = $this->plate([0.06, 0.04], [20, 2, 20], [120, 80, 1], [[0.03, 0.02], [0.015, 0.01]]);
        $turned = $this->plate([0.04, 0.06], [2, 20, 20], [80, 120, 1], [[0.02, 0.03], [0.01, 0.015]]);
        $check = fn (string $name, float $reference, float $kelvin): Check => Check::absolute('P02', $name, $reference, $kelvin - self::ZERO_CELSIUS, 0.008, 'degC');
        $out = array_sum(array_map($plate->throughSide(...), ['x-', 'x+', 'y-', 'y+']));

        return [
            $check('centre', 24.16181, $plate->watched['a']),
            $check('quarter point', 22.7251, $plate->watched['b']),
            $check('mean', 22.10551, $plate->watched['mean']),
            Check::relative('P02', 'heat through the edges per metre', 480.0, $out / 1e-3, 1e-6, 'W/m'),
            $check('centre, axes exchanged', 24.16181, $turned->watched['a']),
        ];
    }

    /**
     * @param list<float> $size
     * @param list<float> $conductivity
     * @param list<int> $cells
     * @param list<list<float>> $points
     */
    private function plate(array $size, array $conductivity, array $cells, array $points): Answer
    {
        $edge = ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '20 degC']];

        return $this->result([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [...$size, 1e-3]], 'fluid' => null, 'sides' => ['x-' => $edge, 'x+' => $edge, 'y-' => $edge, 'y+' => $edge]],
            'materials' => ['m' => ['conductivity' => $conductivity]],
            'parts' => [['id' => 'plate', 'shape' => ['kind' => 'block', 'size' => [...$size, 1e-3]], 'material' => 'm', 'source' => 2e5]],
            'watches' => [self::watch('a', ['point' => [...$points[0], 5e-4]]), self::watch('b', ['point' => [...$points[1], 5e-4]]), self::watch('mean', ['part' => 'plate'])],
            'analysis' => ['grid' => ['cells' => $cells]],
        ]);
    }
}
