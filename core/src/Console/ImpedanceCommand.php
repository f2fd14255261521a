<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Model\ModelException;
use Foehn\Results\FieldFile;
use Foehn\Study\Impedance;

/** `impedance MODEL.json --source PART --watch ID --end SECONDS [--out FILE.csv] [--grade G]`: the thermal impedance over time after a step of one part, and a Foster network for it. */
final class ImpedanceCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['source', 'watch', 'end', 'out', 'grade'], []);
        $json = Options::read($options->only('the model document'));
        $needed = fn (string $name): string => $options->value($name) ?? throw ModelException::at('', "--$name is missing: the part that is heated (--source), the watch that is read (--watch), and how long (--end, in s)");
        $end = $needed('end');
        if (! is_numeric($end) || (float) $end <= 0.0) {
            throw ModelException::at('', sprintf('--end takes seconds above 0, not "%s"', $end));
        }
        $impedance = Impedance::of($json, $needed('source'), $needed('watch'), (float) $end, $options->grade(), new TerminalListener());
        echo TextTable::render(['R K/W', 'tau s', 'C J/K'], array_map(fn (array $pair): array => [sprintf('%.5g', $pair['resistance']), sprintf('%.4g', $pair['tau']), sprintf('%.4g', $pair['tau'] / $pair['resistance'])], $impedance->pairs), [0, 1, 2]);
        [, $last] = $impedance->curve[count($impedance->curve) - 1];
        printf("\n%.5g K/W at %g s; the network differs by up to %.2g K/W.\n", $last, (float) $end, $impedance->difference);
        $out = $options->value('out');
        if ($out !== null) {
            $lines = ['time s,impedance K/W,network K/W', ...array_map(fn (array $point): string => sprintf('%.9g,%.9g,%.9g', $point[0], $point[1], Impedance::at($impedance->pairs, $point[0])), $impedance->curve)];
            array_push($lines, '', 'R K/W,tau s', ...array_map(fn (array $pair): string => sprintf('%.9g,%.9g', $pair['resistance'], $pair['tau']), $impedance->pairs));
            FieldFile::write($out, implode("\n", $lines) . "\n");
        }

        return 0;
    }
}
