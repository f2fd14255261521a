<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P09: a square of fluid driven by its moving lid. */
final class LidDrivenCavity extends FlowCase
{
    /** Reynolds number: least u on x = 0.5 and its y, greatest and least v on y = 0.5 and their x, tolerance of the values. */
    private const REFERENCE = [
        100 => [-0.214044, 0.45805, 0.1795753, 0.23701, -0.2538057, 0.81041, 0.015],
        400 => [-0.328749, 0.27996, 0.3038579, 0.22525, -0.4540938, 0.8622, 0.015],
        1000 => [-0.3885435, 0.17167, 0.3769299, 0.15784, -0.5270515, 0.90926, 0.02],
    ];

    public function id(): string
    {
        return 'P09';
    }

    public function title(): string
    {
        return 'Lid-driven square cavity';
    }

    public function source(): string
    {
        return 'Stream-function solution extrapolated from fine grids; Ghia, Ghia & Shin, J. Comput. Phys. 48 (1982) 387; Botella & Peyret, Comput. Fluids 27 (1998) 421';
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach ($full ? [100, 400, 1000] : [100] as $reynolds) {
            array_push($checks, ...$this->cavity($reynolds, $full ? ($reynolds > 500 ? 96 : 64) : 40));
        }

        return $checks;
    }

    /** @return list<Check> */
    private function cavity(int $reynolds, int $cells): array
    {
        $lines = self::clustered($cells, 1.0, 1.2);
        $solution = $this->solve([
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            'materials' => ['f' => self::fluid(1.0, 1.0 / $reynolds)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [1, 1, 0.1]], 'fluid' => 'f',
                'sides' => ['y+' => ['velocity' => [1, 0, 0]], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'analysis' => ['grid' => ['lines' => ['x' => $lines, 'y' => $lines, 'z' => [0, 0.1]]]],
        ]);
        [$yMin, $uMin] = self::extreme(...self::profile($solution, 0, 1, 0.5), sign: -1);
        [$xMax, $vMax] = self::extreme(...self::profile($solution, 1, 0, 0.5), sign: 1);
        [$xMin, $vMin] = self::extreme(...self::profile($solution, 1, 0, 0.5), sign: -1);
        [$u, $y, $v1, $x1, $v2, $x2, $tolerance] = self::REFERENCE[$reynolds];

        return [
            Check::relative('P09', "Re $reynolds: least u on x = 0.5", $u, $uMin, $tolerance, 'U'),
            Check::absolute('P09', "Re $reynolds: its y", $y, $yMin, 0.01, 'L'),
            Check::relative('P09', "Re $reynolds: greatest v on y = 0.5", $v1, $vMax, $tolerance, 'U'),
            Check::absolute('P09', "Re $reynolds: its x", $x1, $xMax, 0.01, 'L'),
            Check::relative('P09', "Re $reynolds: least v on y = 0.5", $v2, $vMin, $tolerance, 'U'),
            Check::absolute('P09', "Re $reynolds: its x", $x2, $xMin, 0.01, 'L'),
        ];
    }
}
