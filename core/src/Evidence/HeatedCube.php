<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P11: natural convection in a cube heated from one side and cooled from the other. */
final class HeatedCube extends HeatedBox
{
    /** Rayleigh number: mean Nusselt number of the hot face, tolerance. */
    private const REFERENCE = [1000 => [1.07, 0.015], 10000 => [2.0542, 0.015], 100000 => [4.337, 0.015]];

    public function id(): string
    {
        return 'P11';
    }

    public function title(): string
    {
        return 'Differentially heated cube';
    }

    public function source(): string
    {
        return 'Tric, Labrosse & Betrouni, Int. J. Heat Mass Transfer 43 (2000) 4043';
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach ($full ? [1000, 10000, 100000] : [10000] as $rayleigh) {
            [$nusselt, $tolerance] = self::REFERENCE[$rayleigh];
            $checks[] = Check::relative('P11', sprintf('Ra 1e%d: mean Nu', (int) round(log10($rayleigh))), $nusselt, $this->nusselt($rayleigh, $full ? 32 : 20), $tolerance, '-');
        }

        return $checks;
    }

    /** Half of the cube, on one side of its plane of symmetry. */
    private function nusselt(int $rayleigh, int $cells): float
    {
        $lines = self::clustered($cells, self::SIZE, 1.2);
        $result = $this->result([
            ...self::box($rayleigh, $lines, array_slice($lines, 0, intdiv($cells, 2) + 1), ['z+' => self::SYMMETRY]),
            'watches' => [self::watch('hot', ['side' => 'x-'], 'heat')],
        ]);

        return -$result->watched['hot'] / (self::CONDUCTIVITY * self::SIZE / 2);
    }
}
