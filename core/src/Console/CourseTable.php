<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Model\Watch;
use Foehn\Results\CourseRows;
use Foehn\Results\ResultBuilder;

/**
 * What limits and watches did over time, on the terminal.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-import-type CourseRow from CourseRows
 */
final class CourseTable
{
    private const ZERO_CELSIUS = 273.15;

    /** @param Result $result */
    public static function print(array $result): void
    {
        /** @var ?CourseRow $time */
        $time = $result['time'];
        if ($time === null) {
            return;
        }
        $rows = [];
        foreach ([...$result['limits'], ...$result['watches']] as $value) {
            $own = $value['overTime'];
            if ($own !== null) {
                $rows[] = [$value['name'], Watch::unit($value['quantity'], $value['reduce'] ?? ''), sprintf('%.6g', $own['min']), self::seconds($own['minAt']), sprintf('%.6g', $own['max']), self::seconds($own['maxAt']), sprintf('%.6g', $own['mean']),
                    self::seconds($own['reached']), self::seconds($own['beyond']), self::seconds($own['settled']), $own['overshoot'] === null ? '-' : sprintf('%.3g', $own['overshoot'])];
            }
        }
        if ($rows !== []) {
            echo "\n", TextTable::render(['Limit or watch', 'Unit', 'Least', 'at s', 'Greatest', 'at s', 'Mean', 'Missed from s', 'Missed for s', 'Settled s', 'Overshoot'], $rows, [2, 3, 4, 5, 6, 7, 8, 9, 10]);
        }
        printf("\n%d steps of %.3g to %.3g s up to %.6g s, %d rejected.\n", $time['steps'], $time['shortest'], $time['longest'], $time['reached'], $time['rejected']);
        if ($time['periods'] > 1) {
            printf("It repeats itself, found in %d periods.\n", $time['periods']);
        }
        printf("Heat given %.6g J, out %.6g J, stored %.6g J.\n", $time['balance']['in'], $time['balance']['out'], $time['balance']['stored']);
        foreach ($time['controls'] as $control) {
            $switched = count($control['switches']);
            printf("%s: sensor at %.2f °C and %.3f W in the end%s.\n", $control['name'], $control['readings'][count($control['readings']) - 1] - self::ZERO_CELSIUS, $control['watts'][count($control['watts']) - 1], $switched > 0 ? sprintf(', switched %d times', $switched) : '');
        }
    }

    private static function seconds(?float $value): string
    {
        return $value === null ? '-' : sprintf('%.4g', $value);
    }
}
