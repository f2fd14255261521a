<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Board\Barrel;
use Foehn\Board\CopperLayer;
use Foehn\Board\CopperRaster;
use Foehn\Board\Hole;
use Foehn\Board\Paint;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardTerminal;
use Foehn\Model\ElectricCondition;
use Foehn\Physics\Electric\BoardCurrents;
use Foehn\Physics\Electric\BoardSystem;

/** E03: currents in copper on pixels: a ring, a step in width, a disk between round contacts, and barrels side by side and one after the other. */
final class CopperSheets extends VerificationCase
{
    /** So thin that what the contacts meet across the sheet counts for nothing, m. */
    private const THICKNESS = 1e-6;

    /** Of the planes that barrels join, m. */
    private const FOIL = 70e-6;

    private const RESISTIVITY = 1.72e-8;

    public function id(): string
    {
        return 'E03';
    }

    public function title(): string
    {
        return 'Currents in copper on pixels';
    }

    public function source(): string
    {
        return 'Ring: pi / ln(b/a); step: conformal map (Hall, Thin Solid Films 1 (1967) 277); disk: potential of two poles on its edge; barrels: length over section';
    }

    public function isAboutItsGrid(): bool
    {
        return true;
    }

    public function run(bool $full = false): array
    {
        $pixel = $full ? 0.05e-3 : 0.1e-3;
        $coarse = self::ring(4.0 * $pixel);
        $fine = self::ring($pixel);
        $ring = 0.5 * M_PI / log(6.0 / 4.0);
        $alpha = 3.0;
        $step = 8.0 / 2.0 + 8.0 / 6.0 + (($alpha ** 2 + 1.0) / $alpha * log(($alpha + 1.0) / ($alpha - 1.0)) - 2.0 * log(4.0 * $alpha / ($alpha ** 2 - 1.0))) / (2.0 * M_PI);
        $barrel = self::RESISTIVITY * 1.6e-3 / (M_PI * 0.25 * (0.3e-3 ** 2 - 0.25e-3 ** 2));
        $one = self::barrels(1, 2);
        $ten = self::barrels(10, 2);
        $three = self::barrels(1, 3);

        return [
            Check::relative('E03', 'ring between two opposite cuts, squares', $ring, $fine, 0.002, '-'),
            Check::relative('E03', 'the same on pixels four times as large', $ring, $coarse, 0.002, '-'),
            Check::relative('E03', 'track of 2 mm that widens to 6 mm, squares', $step, self::step($pixel), 0.002, '-'),
            Check::relative('E03', 'disk between round contacts, squares', 2.0 / M_PI * log(1.0 / 0.1), self::disk($pixel), 0.01, '-'),
            Check::relative('E03', 'barrel of 0.3 mm: resistance', $barrel, array_sum($one->barrelHeat) / 4.0, 0.001, 'ohm'),
            Check::relative('E03', 'ten barrels side by side: current of the first', 0.2, $ten->barrels[0][0], 0.02, 'A'),
            Check::relative('E03', 'ten barrels side by side: heat of all', 4.0 * $barrel / 10.0, array_sum($ten->barrelHeat), 0.001, 'W'),
            Check::relative('E03', 'two stretches one after the other: heat', 4.0 * $barrel, array_sum($three->barrelHeat), 0.001, 'W'),
            Check::relative('E03', 'two pins on tracks of 9 and 4.5 mm: current of the nearer', 2.0, self::pins($pixel)->contacts[1]['pads'][1], 0.001, 'A'),
            Check::absolute('E03', 'ten barrels: what enters less what leaves', 0.0, $ten->imbalance(), 1e-6, '-'),
        ];
    }

    /** Of a ring between 4 and 6 mm in radius, from one side to the other, squares. */
    private static function ring(float $pixel): float
    {
        $paint = new Paint(true, [[true, Paint::circle(0.0, 0.0, 12e-3)], [false, Paint::circle(0.0, 0.0, 8e-3)]]);
        // Twice an odd number of pixels, so that the contacts are a row of them with the cut along their middle.
        $rows = 2 * (int) round(6.3e-3 / $pixel) + 1;
        $half = 0.5 * $rows * $pixel;
        $contact = fn (float $x, ElectricCondition $condition): BoardTerminal => new BoardTerminal('cut', 0, [[$x, 0.0]], [2.4e-3, 0.5 * $pixel], false, $condition);

        return self::squares(self::currents([-$half, $half, -$half, $half], [[$paint]], [], [$contact(-5e-3, self::volt()), $contact(5e-3, self::ground())], $pixel));
    }

    /** Of a track of 2 mm, 8 mm long, that goes on 6 mm wide, between the ends, squares. */
    private static function step(float $pixel): float
    {
        $paints = [new Paint(true, [[true, Paint::rectangle(-4e-3, 0.0, 8e-3, 2e-3)]]), new Paint(true, [[true, Paint::rectangle(4e-3, 0.0, 8e-3, 6e-3)]])];
        $end = fn (float $x, ElectricCondition $condition): BoardTerminal => new BoardTerminal('end', 0, [[$x, 0.0]], [0.5 * $pixel, 6e-3], false, $condition);
        // The contacts are the last columns of pixels; half of each lies beyond the length.
        $squares = self::squares(self::currents([-8e-3, 8e-3, -3.5e-3, 3.5e-3], [$paints], [], [$end(-8e-3 + 0.5 * $pixel, self::volt()), $end(8e-3 - 0.5 * $pixel, self::ground())], $pixel));

        return $squares + 0.5 * $pixel / 2e-3 + 0.5 * $pixel / 6e-3;
    }

    /** Between two circles about the poles at its edge, on each of which the ratio of the distances to both poles is 0.1, squares. */
    private static function disk(float $pixel): float
    {
        [$radius, $k] = [5e-3, 0.1];
        [$centre, $diameter] = [$radius * (1.0 + $k ** 2) / (1.0 - $k ** 2), 4.0 * $radius * $k / (1.0 - $k ** 2)];
        $contact = fn (float $side, ElectricCondition $condition): BoardTerminal => new BoardTerminal('pole', 0, [[$side * $centre, 0.0]], [$diameter, $diameter], true, $condition);

        return self::squares(self::currents([-5.2e-3, 5.2e-3, -5.2e-3, 5.2e-3], [[new Paint(true, [[true, Paint::circle(0.0, 0.0, 2.0 * $radius)]])]], [], [$contact(-1.0, self::volt()), $contact(1.0, self::ground())], $pixel));
    }

    /** 2 A from the lower copper of a board to the upper one through barrels side by side, 1.6 mm in all. */
    private static function barrels(int $count, int $layers): BoardCurrents
    {
        $barrels = [];
        for ($n = 0; $n < $count; $n++) {
            $barrels[] = new Barrel(new Hole([1.1e-3 * ($n + 0.5), 1e-3], 0.3e-3, true), 25e-6, 0, $layers - 1);
        }
        $plane = [new Paint(true, [[true, Paint::rectangle(5.5e-3, 1e-3, 11e-3, 2e-3)]])];
        $over = fn (int $layer, ElectricCondition $condition): BoardTerminal => new BoardTerminal('plane', $layer, [[5.5e-3, 1e-3]], [11e-3, 2e-3], false, $condition);

        return self::currents([0.0, 11e-3, 0.0, 2e-3], array_fill(0, $layers, $plane), $barrels, [
            $over(0, new ElectricCondition('', 'current', 2.0)), $over($layers - 1, self::ground()),
        ], 0.1e-3, self::FOIL);
    }

    /** 3 A by two pins, each on a track of 1 mm, 9 and 4.5 mm from the ground. */
    private static function pins(float $pixel): BoardCurrents
    {
        $tracks = [new Paint(true, [[true, Paint::rectangle(5e-3, 1e-3, 10e-3, 1e-3)], [true, Paint::rectangle(5e-3, 3e-3, 10e-3, 1e-3)]])];
        $row = [0.5 * $pixel, 1e-3];
        $at = fn (float $first, float $second): array => [[$first + 0.5 * $pixel, 1e-3], [$second + 0.5 * $pixel, 3e-3]];

        return self::currents([0.0, 10e-3, 0.0, 4e-3], [$tracks], [], [
            new BoardTerminal('ground', 0, $at(0.0, 0.0), $row, false, self::ground()), new BoardTerminal('pins', 0, $at(9e-3, 4.5e-3), $row, false, new ElectricCondition('', 'current', 3.0)),
        ], $pixel);
    }

    /**
     * @param array{float, float, float, float} $outline m
     * @param list<array<int, Paint>> $artwork of each layer
     * @param list<Barrel> $barrels
     * @param list<BoardTerminal> $contacts
     */
    private static function currents(array $outline, array $artwork, array $barrels, array $contacts, float $pixel, float $thickness = self::THICKNESS): BoardCurrents
    {
        $layers = [];
        foreach ($artwork as $n => $paints) {
            $layers[] = new CopperLayer("L$n", array_values($paints), $thickness, $n * 1.6e-3 / max(1, count($artwork) - 1));
        }

        if ($layers === []) {
            throw new \LogicException('a board has a layer');
        }

        return (new BoardSystem(CopperRaster::of($outline, $layers, $barrels, [], $pixel), $contacts, PropertyLaw::constant(self::RESISTIVITY), 300.0))->solve();
    }

    private static function squares(BoardCurrents $currents): float
    {
        return 1.0 / $currents->contacts[0]['current'] / (self::RESISTIVITY / self::THICKNESS);
    }

    private static function volt(): ElectricCondition
    {
        return new ElectricCondition('', 'voltage', 1.0);
    }

    private static function ground(): ElectricCondition
    {
        return new ElectricCondition('', 'ground', 0.0);
    }
}
