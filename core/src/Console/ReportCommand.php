<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\Exchange\Report;
use Foehn\Exchange\ReportPoints;
use Foehn\Exchange\ReportUnits;
use Foehn\Model\ModelException;
use Foehn\Results\ResultBuilder;
use Foehn\Study\PointRows;

/**
 * `report MODEL.json DIR [--out FILE] [--units mm|si|us]`: a report of a result that `solve --out DIR` has written, as one HTML page.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-import-type PointRow from PointRows
 */
final class ReportCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out', 'units'], []);
        [$path, $folder] = count($options->rest()) === 2 ? $options->rest() : throw ModelException::at('', 'the model document and the folder of its result are expected');
        $units = $options->value('units') ?? 'mm';
        if (preg_match(ReportUnits::SET, $units) !== 1) {
            throw ModelException::at('', sprintf('--units is mm, si or us, or one of these each for lengths, temperatures and flows such as "mm mm us", not "%s"', $units));
        }
        $json = Options::read($path);
        /** @var Result|null $result */
        $result = json_decode(Options::read("$folder/result.json"), true);
        if ($result === null || $result['model']['hash'] !== ModelCodec::hash($json)) {
            throw ModelException::at('', "$folder/result.json is not the result of $path as it is now; solve it again");
        }
        $model = ModelCodec::fromJson($json);
        /** @var list<PointRow> $points */
        $points = is_file("$folder/" . OperatingPointTable::FILE) ? json_decode(Options::read("$folder/" . OperatingPointTable::FILE), true) : [];
        $html = (new Report($model, $result, ['project' => $model->name, 'variant' => '', 'revision' => '', 'grade' => ucfirst($result['grid']['grade']), 'author' => '', 'date' => '', 'text' => ''], tables: ReportPoints::tables($result, $points, new ReportUnits($units)), units: $units))->html();
        if ($options->value('out') === null) {
            echo $html;
        } else {
            SolveFiles::write(dirname($options->value('out')), [basename($options->value('out')) => $html]);
        }

        return 0;
    }
}
