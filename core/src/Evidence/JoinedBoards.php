<?php

declare(strict_types=1);

namespace Foehn\Evidence;

/**
 * E04: current along a board, up a column of metal to another board, along that, and down a second column. Under a joint with a contact resistance the
 * copper of the pad carries current on, less and less of it, as a line with a leak.
 */
final class JoinedBoards extends VerificationCase
{
    private const WIDTH = 5e-3;

    private const FOIL = 70e-6;

    private const PIXEL = 0.25e-3;

    private const COPPER = 1.72e-8;

    /** Of the columns: a metal that conducts so badly that they count, ohm m. */
    private const COLUMN = 1e-6;

    private const HEIGHT = 10e-3;

    /** Of each column and the pads that it stands on, along the track, m. */
    private const FOOT = 4e-3;

    /** Of each contact, ohm m2. */
    private const CONTACT = 4e-9;

    private const VOLTS = 0.1;

    public function id(): string
    {
        return 'E04';
    }

    public function title(): string
    {
        return 'Two boards joined by columns';
    }

    public function source(): string
    {
        return 'Resistances in series; end of a contact as a line with a leak (Berger, Solid-State Electronics 15 (1972) 145)';
    }

    public function run(bool $full = false): array
    {
        $section = self::FOOT * self::WIDTH;
        $sheet = self::COPPER / self::FOIL;
        $along = sqrt(0.5 * self::CONTACT / $sheet);
        $pad = $sheet * $along / self::WIDTH / tanh(self::FOOT / $along);
        $half = 0.5 * self::CONTACT / $section;
        $column = self::COLUMN * self::HEIGHT / $section;
        // The voltage holds from the middle of its last pixels on.
        $first = $sheet * (20e-3 + 0.5 * self::PIXEL) / self::WIDTH;
        $second = $sheet * 20e-3 / self::WIDTH;
        $current = self::VOLTS / ($first + $second + 3.0 * ($pad + $half) + 2.0 * $column);
        $electric = $this->result(self::boards())->result['electric'] ?? throw new \LogicException('no currents were computed');
        [$lower, $upper] = array_column($electric['boards'], 'terminals');
        $last = array_values(array_filter($electric['terminals'], fn (array $terminal): bool => $terminal['kind'] === 'ground'))[0];

        return [
            Check::relative('E04', 'current into the lower board', $current, $lower[0]['current'], 1e-3, 'A'),
            Check::relative('E04', 'current from it into the first column', -$current, $lower[1]['current'], 1e-3, 'A'),
            Check::relative('E04', 'current out of the second column', -$current, $last['current'], 1e-3, 'A'),
            Check::relative('E04', 'voltage of the joint on the lower board', self::VOLTS - $current * ($first + $pad), $lower[1]['voltage'], 1e-3, 'V'),
            Check::relative('E04', 'voltage of the second on the upper board', $current * ($half + $column), $upper[1]['voltage'], 1e-3, 'V'),
            Check::relative('E04', 'heat in all', self::VOLTS * $current, $electric['power'], 1e-3, 'W'),
            Check::absolute('E04', 'what enters less what leaves, of either', 0.0, ($lower[0]['current'] + $last['current']) / $current, 1e-5, '-'),
        ];
    }

    /** @return array<string, mixed> */
    private static function boards(): array
    {
        $track = ['kind' => 'track', 'width' => self::WIDTH, 'points' => [[-1, 2.5e-3], [1, 2.5e-3]]];
        $core = ['name' => 'Core', 'thickness' => 1e-3];
        $copper = ['name' => 'Copper', 'thickness' => self::FOIL, 'drawn' => [$track]];
        // Less than pixels by a thousandth of a millimetre, so that none beyond counts.
        $pad = fn (string $name, float $from, float $to, array $electric): array => ['name' => $name, 'layer' => 'Copper', 'at' => [0.5 * ($from + $to), 2.5e-3], 'size' => [$to - $from, self::WIDTH], 'electric' => $electric];
        $joint = fn (string $part): array => ['kind' => 'joint', 'part' => $part, 'resistance' => self::CONTACT];
        $board = fn (string $id, array $at, array $layers, array $terminals): array => ['id' => $id, 'at' => $at, 'shape' => ['kind' => 'board', 'size' => [28e-3, self::WIDTH], 'layers' => $layers], 'copper' => ['material' => 'foil', 'pixel' => self::PIXEL, 'terminals' => $terminals]];
        $column = fn (string $id, float $x, array $more): array => ['id' => $id, 'at' => [$x, 0, 1e-3 + self::FOIL], 'shape' => ['kind' => 'block', 'size' => [self::FOOT, self::WIDTH, self::HEIGHT]], 'material' => 'column'] + $more;
        $upper = 1e-3 + self::FOIL + self::HEIGHT;

        return [
            'physics' => ['electric' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [52e-3, self::WIDTH, $upper + self::FOIL + 1e-3]], 'fluid' => null, 'sides' => ['x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '25 degC']]]],
            'materials' => ['foil' => ['conductivity' => 400, 'resistivity' => self::COPPER], 'column' => ['conductivity' => 100, 'resistivity' => self::COLUMN]],
            'parts' => [
                $board('lower', [0, 0, 0], [$core, $copper], [$pad('source', 0.0, 3.999e-3, ['kind' => 'voltage', 'voltage' => self::VOLTS]), $pad('up', 24.001e-3, 28e-3, $joint('first'))]),
                $board('upper', [24e-3, 0, $upper], [$copper, $core], [$pad('from', 0.0, 3.999e-3, $joint('first')), $pad('down', 24.001e-3, 28e-3, $joint('second'))]),
                $column('first', 24e-3, []),
                $column('second', 48e-3, ['faces' => ['z-' => ['electric' => ['kind' => 'ground']]]]),
            ],
            'analysis' => ['grid' => ['grade' => 'scout']],
        ];
    }
}
