<?php

declare(strict_types=1);

namespace Foehn\Exchange;

use Foehn\Results\ReadingRows;
use Foehn\Results\ResultBuilder;

/**
 * Operating points beside the model as it stands, as a table of a report.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-import-type ReadingRow from ReadingRows
 * @phpstan-import-type Table from Report
 */
final class ReportPoints
{
    /**
     * @param Result $result of the model as it stands
     * @param list<array{name: string, message: ?string, readings: list<ReadingRow>, ...}> $points
     * @return list<Table> none where there are no points
     */
    public static function tables(array $result, array $points, ReportUnits $units): array
    {
        if ($points === []) {
            return [];
        }
        $rows = [['Limit or watch', 'As it stands', ...array_column($points, 'name')]];
        foreach (ReadingRows::of(['limits' => $result['limits'], 'watches' => $result['watches']]) as $own) {
            $rows[] = [$own['name'], self::cell($own, $units), ...array_map(fn (array $point): string => self::cell(array_column($point['readings'], null, 'id')[$own['id']] ?? null, $units), $points)];
        }
        $said = array_map(fn (array $point): string => rtrim($point['message'] ?? '', '.'), $points);

        return [['title' => 'Operating points', 'rows' => implode('', $said) === '' ? $rows : [...$rows, ['Not converged or not computed', '', ...$said]]]];
    }

    /** @param ?ReadingRow $reading */
    private static function cell(?array $reading, ReportUnits $units): string
    {
        if ($reading === null || $reading['value'] === null) {
            return '–';
        }

        return $units->reading($reading['value'], $reading['quantity'], $reading['reduce']) . (in_array($reading['verdict'], ['missed', 'undecided'], true) ? " $reading[verdict]" : '');
    }
}
