<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/** G05: the wake of a square bar in a channel eight times as wide, developed flow. */
final class SquareBar extends FlowCase
{
    /** The channel begins 12 sides before the bar and ends 40 behind it. */
    private const BEFORE = 12.0;

    private const LENGTH = 53.0;

    private const WIDTH = 8.0;

    public function id(): string
    {
        return 'G05';
    }

    public function title(): string
    {
        return 'Wake of a square bar in a channel';
    }

    public function source(): string
    {
        return 'Breuer, Bernsdorf, Zeiser & Durst, Int. J. Heat Fluid Flow 21 (2000) 186: length of the wake -0.065 + 0.0554 Re';
    }

    public function run(bool $full = false): array
    {
        $checks = [];
        foreach ($full ? [10, 30] : [30] as $reynolds) {
            $checks[] = Check::absolute('G05', "Re $reynolds: length of the wake", -0.065 + 0.0554 * $reynolds, $this->wake($reynolds), 0.03, 'D');
        }

        return $checks;
    }

    private function wake(int $reynolds): float
    {
        $cells = 16;
        $beside = self::growing(0.5 * (self::WIDTH - 1.0), 1.0 / $cells, 1.07);
        $before = self::growing(self::BEFORE, 1.0 / $cells, 1.12);
        $behind = [...self::uniform(3 * $cells, 3.0), ...array_map(fn (float $x) => 3.0 + $x, array_slice(self::growing(self::LENGTH - self::BEFORE - 4.0, 1.0 / $cells, 1.05), 1))];
        $solution = $this->solve([
            'physics' => ['heat' => false, 'flow' => 'laminar'],
            // The greatest speed before the bar is 1.5 times the mean, and makes the Reynolds number.
            'materials' => ['f' => self::fluid(1.0, 1.5 / $reynolds)],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, self::WIDTH, 1]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => 1, 'profile' => 'developed'], 'x+' => ['kind' => 'outlet'], 'z-' => self::SYMMETRY, 'z+' => self::SYMMETRY]],
            'parts' => [['id' => 'bar', 'at' => [self::BEFORE, 0.5 * (self::WIDTH - 1.0), 0], 'shape' => ['kind' => 'block', 'size' => [1, 1, 1]], 'material' => 'copper']],
            'analysis' => ['grid' => ['lines' => ['x' => self::around($before, $cells, $behind), 'y' => self::around($beside, $cells, $beside), 'z' => [0, 1]]]],
        ]);

        // On its axis the fluid turns where the wake ends, and nowhere else.
        return self::greatest(self::zeros(...self::profile($solution, 0, 0, 0.5 * self::WIDTH))) - self::BEFORE - 1.0;
    }
}
