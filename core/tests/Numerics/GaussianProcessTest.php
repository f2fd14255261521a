<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\Cholesky;
use Foehn\Numerics\GaussianProcess;
use PHPUnit\Framework\TestCase;

final class GaussianProcessTest extends TestCase
{
    public function testTheFactorsSolveAndHaveTheDeterminant(): void
    {
        // A = L L^T with L = ((2, 0, 0), (1, 3, 0), (-1, 2, 1)): A x = b for x = (1, -2, 3), and det A = (2 * 3 * 1)^2.
        $factors = Cholesky::of([[4.0], [2.0, 10.0], [-2.0, 5.0, 6.0]]);

        self::assertNotNull($factors);
        self::assertEqualsWithDelta([1.0, -2.0, 3.0], $factors->solve([-6.0, -3.0, 6.0]), 1e-12);
        self::assertEqualsWithDelta(log(36.0), $factors->logDeterminant(), 1e-12);
        self::assertNull(Cholesky::of([[1.0], [2.0, 1.0]]), 'not positive definite');
    }

    public function testItIsExactWhereItIsKnownAndDoubtfulFarAway(): void
    {
        $at = [[0.0], [0.15], [0.3]];
        $process = GaussianProcess::through($at, array_map(fn (array $x): float => 300.0 + 8.0 * sin(6.0 * $x[0]), $at));

        foreach ($at as $place) {
            [$mean, $deviation] = $process->at($place);
            self::assertEqualsWithDelta(300.0 + 8.0 * sin(6.0 * $place[0]), $mean, 0.02);
            self::assertLessThan(0.2, $deviation);
        }
        self::assertGreaterThan(10.0 * $process->at([0.15])[1], $process->at([1.0])[1]);
    }

    /** Eight points of a smooth curve; the error between them is the ninth derivative's, small, and its own doubt covers it. */
    public function testItFollowsASmoothFunctionWithinItsDoubt(): void
    {
        $curve = fn (float $x, float $y): float => 80.0 + 30.0 * exp(-2.0 * $x) + 5.0 * $y * $y;
        $at = $values = [];
        for ($n = 0; $n < 16; $n++) {
            $at[] = [(($n % 4) + 0.5) / 4, (intdiv($n, 4) + 0.5) / 4];
            $values[] = $curve(...$at[$n]);
        }
        $process = GaussianProcess::through($at, $values);
        $outside = 0;
        for ($n = 0; $n < 25; $n++) {
            $place = [0.15 + 0.7 * ($n % 5) / 4, 0.15 + 0.7 * intdiv($n, 5) / 4];
            [$mean, $deviation] = $process->at($place);
            self::assertEqualsWithDelta($curve(...$place), $mean, 0.3);
            $outside += abs($mean - $curve(...$place)) > 3.0 * $deviation ? 1 : 0;
        }
        self::assertLessThanOrEqual(1, $outside);
    }

    public function testEqualValuesAreCertain(): void
    {
        [$mean, $deviation] = GaussianProcess::through([[0.0, 0.0], [1.0, 1.0]], [5.0, 5.0])->at([0.5, 0.2]);

        self::assertEqualsWithDelta(5.0, $mean, 1e-9);
        self::assertLessThan(1e-9, $deviation);
    }

    public function testOneMorePlaceIsKnownAtOnce(): void
    {
        $process = GaussianProcess::through([[0.1], [0.4], [0.7]], [1.0, 2.0, 1.5]);
        [$mean, $deviation] = $process->with([0.95], 4.0)->at([0.95]);

        self::assertEqualsWithDelta(4.0, $mean, 0.01);
        self::assertLessThan(0.1 * $process->at([0.95])[1], $deviation);
    }
}
