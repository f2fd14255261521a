<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Exchange\Vtk;
use Foehn\Model\ModelException;
use Foehn\Results\StoredPicture;

/**
 * `export DIR --out FILE.vtr|FILE.vtp [--seeds FILE] [--board N]`: the fields that `solve --out DIR` has written, of the grid or at the surfaces, for
 * other programs; with a table of points (x, y, z in m on a line) the streamlines through these, with a board (counted from 0) its copper on its pixels.
 */
final class ExportCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out', 'seeds', 'board'], []);
        $picture = new StoredPicture($options->only('the folder of a result'));
        $out = $options->value('out') ?? throw ModelException::at('', '--out FILE is expected, ending in .vtr (grid) or .vtp (surfaces)');
        [$seeds, $board] = [$options->value('seeds'), $options->value('board')];
        if ($board !== null && ! ctype_digit($board)) {
            throw ModelException::at('', "--board $board: the number of a board is expected, counted from 0");
        }
        $written = match (pathinfo($out, PATHINFO_EXTENSION)) {
            'vtr' => $board === null ? Vtk::grid($picture) : Vtk::copper($picture, (int) $board),
            'vtp' => $seeds === null ? Vtk::surfaces($picture) : Vtk::streamlines($picture, $picture->streamlines()->throughAll(self::points($seeds), true)),
            default => throw ModelException::at('', "$out ends in neither .vtr (grid) nor .vtp (surfaces)"),
        };
        SolveFiles::write(dirname($out), [basename($out) => $written]);

        return 0;
    }

    /** @return list<array{float, float, float}> m */
    private static function points(string $file): array
    {
        $points = [];
        foreach (@file($file, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) ?: throw ModelException::at('', "$file cannot be read, or is empty") as $n => $line) {
            $words = preg_split('/[\s,;]+/', trim($line)) ?: [];
            if (count($words) !== 3 || array_filter($words, is_numeric(...)) !== $words) {
                throw ModelException::at('', sprintf('line %d of %s is "%s"; x, y, z in metres are expected, e.g. 0.01, 0.02, 0.03', $n + 1, $file, $line));
            }
            $points[] = [(float) $words[0], (float) $words[1], (float) $words[2]];
        }

        return $points;
    }
}
