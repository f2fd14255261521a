<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** P16: natural convection between vertical plates of one temperature, open at top and bottom. */
final class FinArray extends FlowCase
{
    private const HEIGHT = 0.1;

    private const CONDUCTIVITY = 0.027;

    private const DENSITY = 1.1;

    private const RISE = 40.0;

    /** Spacing in m: mean convection coefficient by the correlation, W/m2/K. */
    private const REFERENCE = ['0.004' => 2.098914, '0.006' => 4.972622, '0.008' => 6.239853, '0.01' => 6.547622, '0.015' => 6.657576];

    public function id(): string
    {
        return 'P16';
    }

    public function title(): string
    {
        return 'Vertical plates open at both ends';
    }

    public function source(): string
    {
        return 'Elenbaas, Physica 9 (1942) 1; Bar-Cohen & Rohsenow, J. Heat Transfer 106 (1984) 116 (a band of 20 %)';
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach (self::REFERENCE as $spacing => $reference) {
            $film = $this->meanFilm((float) $spacing, $full ? 80 : 40, $full ? 16 : 8);
            $checks[] = Check::relative('P16', 'spacing ' . 1e3 * (float) $spacing . ' mm: mean convection coefficient', $reference, $film, 0.2, 'W/m²/K')->knownTo(0.2);
        }

        return $checks;
    }

    private function meanFilm(float $spacing, int $rows, int $columns): float
    {
        $plate = ['heat' => ['kind' => 'temperature', 'temperature' => 293.15 + self::RISE]];
        $result = $this->result([
            'surroundings' => ['temperature' => 293.15, 'gravity' => [0, 0, -9.81]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => self::fluid(self::DENSITY, 1.7e-5 * self::DENSITY, self::CONDUCTIVITY, self::CONDUCTIVITY / self::DENSITY / 2.4e-5, 1 / 313.15)],
            // Half of a channel.
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [$spacing / 2, 0.01, self::HEIGHT]], 'fluid' => 'f', 'sides' => [
                'x-' => $plate, 'x+' => self::SYMMETRY, 'y-' => self::SYMMETRY, 'y+' => self::SYMMETRY, 'z-' => ['kind' => 'open'], 'z+' => ['kind' => 'open']]],
            'watches' => [self::watch('flux', ['side' => 'x-'], 'heatFlux')],
            'analysis' => ['grid' => ['cells' => [$columns, 1, $rows]]],
        ]);

        return -$result->watched['flux'] / self::RISE;
    }
}
