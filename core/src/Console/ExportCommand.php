<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Exchange\Vtk;
use Foehn\Model\ModelException;
use Foehn\Results\StoredPicture;

/** `export DIR --out FILE.vtr|FILE.vtp`: the fields that `solve --out DIR` has written, of the grid or at the surfaces, for other programs. */
final class ExportCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out'], []);
        $picture = new StoredPicture($options->only('the folder of a result'));
        $out = $options->value('out') ?? throw ModelException::at('', '--out FILE is expected, ending in .vtr (grid) or .vtp (surfaces)');
        $written = match (pathinfo($out, PATHINFO_EXTENSION)) {
            'vtr' => Vtk::grid($picture),
            'vtp' => Vtk::surfaces($picture),
            default => throw ModelException::at('', "$out ends in neither .vtr (grid) nor .vtp (surfaces)"),
        };
        SolveFiles::write(dirname($out), [basename($out) => $written]);

        return 0;
    }
}
