<?php

declare(strict_types=1);

namespace Foehn\Exchange;

use Foehn\Results\CourseRows;
use Foehn\Results\ResultBuilder;

/**
 * The course in time of a report: what limits and watches did over it, its steps and its heat.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-import-type CourseRow from CourseRows
 */
final class ReportCourse
{
    /** @param Result $result */
    public static function section(array $result, ReportUnits $units): string
    {
        /** @var ?CourseRow $time */
        $time = $result['time'] ?? null;
        if ($time === null) {
            return '';
        }
        $rows = [];
        foreach ([...$result['limits'], ...$result['watches']] as $one) {
            $over = $one['overTime'];
            if ($over !== null) {
                $reading = fn (float $value): string => $units->reading($value, $one['quantity'], $one['reduce'] ?? '');
                $rows[] = [$one['name'], $reading($over['min']), self::seconds($over['minAt']), $reading($over['max']), self::seconds($over['maxAt']), $reading($over['mean']), ($over['beyond'] ?? 0.0) > 0.0 ? self::seconds($over['beyond']) . ' from ' . self::seconds($over['reached']) : '–'];
            }
        }
        $balance = $time['balance'];

        return Html::section('Over time', sprintf('<p>%s to %s in %d steps%s. All other numbers of parts are those of the end; limits are judged by the worst moment.</p>', '0 s', self::seconds($time['reached']), $time['steps'], $time['periods'] > 1 ? ', which repeat themselves' : '')
            . Html::table([['Limit or watch', 'Least', 'at', 'Greatest', 'at', 'Mean', 'Missed'], ...$rows], [1, 2, 3, 4, 5, 6])
            . Html::facts(['Heat given' => self::joules($balance['in']), 'Heat out' => self::joules($balance['out']), 'Heat stored' => self::joules($balance['stored']), 'Missing' => sprintf('%.1e', $balance['error'])]));
    }

    private static function seconds(?float $seconds): string
    {
        return $seconds === null ? '–' : ReportUnits::digits($seconds, 4) . ' s';
    }

    private static function joules(float $joules): string
    {
        return ReportUnits::digits($joules, 5) . ' J';
    }
}
