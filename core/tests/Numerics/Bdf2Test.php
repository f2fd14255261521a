<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\Bdf2;
use PHPUnit\Framework\TestCase;

final class Bdf2Test extends TestCase
{
    public function testTheDifferenceIsExactForAParabolaInUnevenSteps(): void
    {
        $u = fn (float $t): float => 3.0 - 2.0 * $t + 5.0 * $t * $t;
        [$now, $last, $before] = Bdf2::weights(1.7, [1.2, 1.0]);

        self::assertEqualsWithDelta(-2.0 + 10.0 * 1.7, $now * $u(1.7) + $last * $u(1.2) + $before * $u(1.0), 1e-12);
        self::assertSame([2.0, -2.0], Bdf2::weights(1.5, [1.0]));
    }

    public function testWeightsGoThroughThePoints(): void
    {
        $u = fn (float $t): float => 1.0 - $t + 0.5 * $t * $t;
        $moments = [0.3, 1.1, 2.0];
        $weights = Bdf2::through($moments, 2.7);

        self::assertEqualsWithDelta($u(2.7), array_sum(array_map(fn (float $w, float $t): float => $w * $u($t), $weights, $moments)), 1e-12);
    }

    public function testTheErrorIsThatOfACubic(): void
    {
        $u = fn (float $t): float => $t ** 3;
        $before = [1.2, 1.0, 0.7];
        $time = 1.6;
        [$now, $last, $first] = Bdf2::weights($time, [1.2, 1.0]);
        // What the difference gives where the derivative at the end and the values before are exact.
        $stepped = (3.0 * $time ** 2 - $last * $u(1.2) - $first * $u(1.0)) / $now;
        $ahead = array_sum(array_map(fn (float $w, float $t): float => $w * $u($t), Bdf2::through($before, $time), $before));

        self::assertEqualsWithDelta(abs($stepped - $u($time)), Bdf2::error($time, $before) * abs($stepped - $ahead), 1e-12);
    }
}
