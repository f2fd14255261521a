<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\Grid\GridReport;
use Foehn\Solve\SteadySolver;

/** `check MODEL.json [--grade G]`: reads a model, sets up what a computation would, refuses what it would refuse, and reports the grid. */
final class CheckCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['grade'], []);
        $model = ModelCodec::fromJson(Options::read($options->only('the model document')));
        $model = $options->grade() === null ? $model : $model->withGrade($options->grade());
        $report = GridReport::of(...(new SteadySolver($model))->check());
        printf("%s: %d parts, %d limits, %d cells (%s), widths %.3g to %.3g mm.\n", $model->name, count($model->parts), count($model->limits),
            $report['cells'], implode(' x ', $report['shape']), 1e3 * $report['smallest'], 1e3 * $report['largest']);
        echo $report['shortfall'] === null ? '' : "{$report['shortfall']}\n";
        $rows = array_map(fn (array $f) => [$f['part'], $f['feature'], sprintf('%.3g', 1e3 * $f['width']), (string) $f['cells']], $report['features']);
        echo TextTable::render(['Part', 'Feature', 'mm', 'Cells'], $rows, [2, 3]);

        return 0;
    }
}
