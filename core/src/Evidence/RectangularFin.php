<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P03: straight fin at Biot numbers where the usual one-dimensional formula is wrong. */
final class RectangularFin extends VerificationCase
{
    public function id(): string
    {
        return 'P03';
    }

    public function title(): string
    {
        return 'Straight rectangular fin, two-dimensional';
    }

    public function source(): string
    {
        return 'Transverse eigenfunctions z tan z = Bi; compare Lau & Tan, J. Heat Transfer 95 (1973)';
    }

    public function run(bool $full = false): array
    {
        return [
            ...$this->fin('A', 300.0, 472.4462, 0.2982615, 0.005, 26.46635, 26.18594),
            ...$this->fin('B', 3000.0, 1381.306, 0.08720363, 0.01, 20.02171, 20.01469),
        ];
    }

    /** @return list<Check> */
    private function fin(string $case, float $film, float $heat, float $efficiency, float $tolerance, float $centre, float $corner): array
    {
        $side = self::film($film, '20 degC');
        $result = $this->result([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.03, 0.006, 1.0]], 'fluid' => null, 'sides' => [
                'x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '100 degC']], 'x+' => $side, 'y-' => $side, 'y+' => $side]],
            'materials' => ['m' => ['conductivity' => 10]],
            'parts' => [['id' => 'fin', 'shape' => ['kind' => 'block', 'size' => [0.03, 0.006, 1.0]], 'material' => 'm']],
            'watches' => [self::watch('heat', ['side' => 'x-'], 'heat'), self::watch('centre', ['point' => [0.03, 0.003, 0.5]]), self::watch('corner', ['point' => [0.03, 0.006, 0.5]])],
            'analysis' => ['grid' => ['cells' => [300, 60, 1]]],
        ]);
        $into = -$result->watched['heat'];

        return [
            Check::relative('P03', "$case: heat into the fin per metre", $heat, $into, $tolerance, 'W/m'),
            Check::relative('P03', "$case: fin efficiency", $efficiency, $into / ($film * 80.0 * 0.066), $tolerance, '-'),
            Check::absolute('P03', "$case: tip centre", $centre, $result->watched['centre'] - self::ZERO_CELSIUS, 0.1, 'degC'),
            Check::absolute('P03', "$case: tip corner", $corner, $result->watched['corner'] - self::ZERO_CELSIUS, 0.1, 'degC'),
        ];
    }
}
