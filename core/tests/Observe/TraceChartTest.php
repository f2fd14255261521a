<?php

declare(strict_types=1);

namespace Foehn\Tests\Observe;

use Foehn\Observe\TraceChart;
use PHPUnit\Framework\TestCase;

/** Rises of traces by the chart, against the older and better known charts of IPC-2221: I = k D^0.44 A^0.725 with A in square mils. */
final class TraceChartTest extends TestCase
{
    private const SQUARE_MIL = 25.4e-6 ** 2;

    public function testLiesBetweenTheOlderChartsOfOuterAndInnerLayers(): void
    {
        foreach ([50.0, 137.0, 400.0] as $section) {
            foreach ([10.0, 20.0, 40.0] as $rise) {
                $outer = 0.048 * $rise ** 0.44 * $section ** 0.725;
                $inner = 0.024 * $rise ** 0.44 * $section ** 0.725;
                self::assertGreaterThan($rise, TraceChart::rise($outer, $section * self::SQUARE_MIL) ?? INF, "outer, $section square mils, $rise K");
                self::assertLessThan($rise, TraceChart::rise($inner, $section * self::SQUARE_MIL), "inner, $section square mils, $rise K");
            }
        }
    }

    public function testSaysNothingBeyondTheChart(): void
    {
        self::assertNull(TraceChart::rise(50.0, 10 * self::SQUARE_MIL));
        self::assertNull(TraceChart::rise(1.0, 0.0));
        self::assertSame(0.0, TraceChart::rise(0.1, 1000 * self::SQUARE_MIL));
        self::assertSame(0.0, TraceChart::rise(0.0, 1000 * self::SQUARE_MIL));
    }
}
