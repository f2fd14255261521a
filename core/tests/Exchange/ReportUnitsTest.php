<?php

declare(strict_types=1);

namespace Foehn\Tests\Exchange;

use Foehn\Exchange\ReportUnits;
use PHPUnit\Framework\TestCase;

/** Numbers of a report in the units of its reader. */
final class ReportUnitsTest extends TestCase
{
    public function testEachKindHasItsSystem(): void
    {
        $one = new ReportUnits('us');
        $mixed = new ReportUnits('si mm us');

        self::assertSame(['77.0 °F', '1 in', '21.19 cfm', '+1.8 °F'], [$one->temperature(298.15), $one->lengths([0.0254]), $one->reading(0.01, 'volumeFlow'), $one->difference(1.0)]);
        self::assertSame(['25.0 °C', '0.0254 m', '100 ft/min', '+1.0 K'], [$mixed->temperature(298.15), $mixed->lengths([0.0254]), $mixed->reading(0.508, 'speed'), $mixed->difference(1.0)]);
        self::assertSame([1, 1, 0, 0], array_map(fn (string $set): int => (int) preg_match(ReportUnits::SET, $set), ['si', 'mm si us', 'mm si', 'furlong']));
    }
}
