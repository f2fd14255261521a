<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Evidence\Cases;

/** `evidence [CASE]`: computes the verification cases and prints errors against tolerances. Exit 1 when one fails. */
final class EvidenceCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $full = in_array('--full', $arguments, true);
        $arguments = array_values(array_diff($arguments, ['--full']));
        $rows = [];
        $failed = 0;
        foreach (Cases::all() as $case) {
            if ($arguments !== [] && ! in_array($case->id(), $arguments, true)) {
                continue;
            }
            foreach ($case->run($full) as $check) {
                $failed += $check->passes() ? 0 : 1;
                $rows[] = [
                    $check->case, $check->quantity, sprintf('%.7g', $check->reference), sprintf('%.7g', $check->computed),
                    sprintf('%.1e', $check->error()), sprintf('%.1e', $check->tolerance), $check->unit, $check->passes() ? 'pass' : 'FAIL',
                ];
            }
        }
        echo TextTable::render(['Case', 'Quantity', 'Reference', 'Computed', 'Error', 'Tolerance', 'Unit', 'Verdict'], $rows, [2, 3, 4, 5]);
        printf("\n%d quantities, %d outside their tolerance.\n", count($rows), $failed);

        return $failed === 0 ? 0 : 1;
    }
}
