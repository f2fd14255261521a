<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** G03: natural convection in a square of gas behind a wall that conducts, heated from outside. */
final class CavityBehindWall extends HeatedBox
{
    private const WALL = 0.2 * self::SIZE;

    /** Half of the last printed digit of the Nusselt numbers. */
    private const LAST_DIGIT = 0.005;

    /** Grashof number, conductivity of the wall over that of the gas, mean Nusselt number. */
    private const REFERENCE = [[1e3, 1, 0.87], [1e5, 1, 2.08], [1e5, 5, 3.42], [1e5, 10, 3.72]];

    public function id(): string
    {
        return 'G03';
    }

    public function title(): string
    {
        return 'Heated square behind a conducting wall';
    }

    public function source(): string
    {
        return 'Kaminski & Prakash, Int. J. Heat Mass Transfer 29 (1986) 1979';
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach ($full ? self::REFERENCE : [self::REFERENCE[2]] as [$grashof, $ratio, $nusselt]) {
            $name = sprintf('Gr %.0e, wall %d times as conductive: mean Nu', $grashof, $ratio);
            $checks[] = Check::relative('G03', $name, $nusselt, $this->nusselt((int) (0.71 * $grashof), $ratio, $full ? 64 : 32), 0.01, '-')->knownTo(self::LAST_DIGIT / $nusselt);
        }

        return $checks;
    }

    private function nusselt(int $rayleigh, int $ratio, int $cells): float
    {
        $lines = self::clustered($cells, self::SIZE, 1.5);
        $document = self::box($rayleigh, $lines, [0.0, 0.01], ['z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]);
        $document['space']['box']['max'][0] += self::WALL;
        $document['analysis']['grid']['lines']['x'] = [...self::uniform(8, self::WALL), ...array_map(fn (float $x) => self::WALL + $x, array_slice($lines, 1))];
        $document['materials']['wall'] = ['conductivity' => $ratio * self::CONDUCTIVITY];
        $parts = [['id' => 'wall', 'shape' => ['kind' => 'block', 'size' => [self::WALL, self::SIZE, 0.01]], 'material' => 'wall']];

        return $this->result([...$document, 'parts' => $parts])->throughSide('x+') / (self::CONDUCTIVITY * 0.01);
    }
}
