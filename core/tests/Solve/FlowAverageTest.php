<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Solve\FlowAverage;
use PHPUnit\Framework\TestCase;

/** What is said of a flow that swings: half the widest swing of any part. */
final class FlowAverageTest extends TestCase
{
    public function testAmplitudeIsHalfTheWidestSwing(): void
    {
        $average = new FlowAverage(4);
        self::assertNull($average->amplitude());
        foreach ([0.0, 1.0, 0.0, -1.0] as $phase) {
            self::assertFalse($average->isFull());
            $average->add([[1.0 + $phase, 2.0], [3.0]], [350.0 + 2.0 * $phase, 320.0 + 0.5 * $phase]);
        }
        self::assertTrue($average->isFull());
        self::assertSame(2.0, $average->amplitude());
        self::assertSame([[1.0, 2.0], [3.0]], $average->mean());
    }
}
