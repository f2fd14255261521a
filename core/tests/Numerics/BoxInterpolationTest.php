<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\BoxInterpolation;
use Foehn\Numerics\LineTable;
use Foehn\Numerics\Vectors;
use PHPUnit\Framework\TestCase;

final class BoxInterpolationTest extends TestCase
{
    /** Places of the other side along each axis, and the padding in front of them. */
    private const OTHER = [4, 3, 5];

    private const OTHER_PAD = 2;

    /** @var list<list<float>> where the places of this side lie along each axis, in steps of the other */
    private const PLACES = [[0.0, 0.25, 1.5, 2.9, 3.0], [0.5, 1.0, 1.75], [0.0, 2.2, 3.5, 4.0]];

    public function testALinearFunctionIsReproduced(): void
    {
        $linear = fn (float $x, float $y, float $z): float => 2.0 - 3.0 * $x + 0.5 * $y + 1.25 * $z;
        $values = array_fill(0, self::OTHER_PAD + (int) array_product(self::OTHER), 99.0);
        for ($k = 0; $k < self::OTHER[2]; $k++) {
            for ($j = 0; $j < self::OTHER[1]; $j++) {
                for ($i = 0; $i < self::OTHER[0]; $i++) {
                    $values[self::OTHER_PAD + $i + self::OTHER[0] * ($j + self::OTHER[1] * $k)] = $linear($i, $j, $k);
                }
            }
        }
        $interpolated = self::between()->values($values, array_fill(0, 3 + 60, -7.0));
        $added = self::between()->addTo($values, array_fill(0, 3 + 60, 1.0), array_fill(0, 3 + 60, 10.0));

        $n = 3;
        foreach (self::PLACES[2] as $z) {
            foreach (self::PLACES[1] as $y) {
                foreach (self::PLACES[0] as $x) {
                    self::assertEqualsWithDelta($linear($x, $y, $z), $interpolated[$n], 1e-12);
                    self::assertEqualsWithDelta(10.0 + $linear($x, $y, $z), $added[$n], 1e-12);
                    $n++;
                }
            }
        }
        self::assertSame([-7.0, -7.0, -7.0], array_slice($interpolated, 0, 3), 'the padding stays');
    }

    public function testOnlyPlacesThatTakePartAreChanged(): void
    {
        $where = array_map(fn (int $n): float => $n % 2 === 0 ? 1.0 : 0.0, range(0, 62));
        $changed = self::between()->addTo(array_fill(0, 62, 1.0), $where, array_fill(0, 63, 0.0));

        foreach ($changed as $n => $value) {
            self::assertEqualsWithDelta($n >= 3 && $n % 2 === 0 ? 1.0 : 0.0, $value, 1e-12);
        }
    }

    public function testTheSumsAreTheTransposedOperation(): void
    {
        // Only along y it interpolates, as between faces and cells of two levels.
        $tables = [self::table([0.0, 1.0, 2.0, 3.0, 3.0], 1), self::table(self::PLACES[1], self::OTHER[0]), self::table([0.0, 2.0, 3.0, 4.0], 12)];
        $between = new BoxInterpolation([5, 3, 4], 3, self::OTHER_PAD, $tables);
        $ones = [array_fill(0, 5, 1.0), array_fill(0, 3, 1.0), array_fill(0, 4, 1.0)];
        $x = array_map(fn (int $n): float => sin(1.3 * $n), range(0, 61));
        $y = array_map(fn (int $n): float => $n < 3 ? 0.0 : cos(0.7 * $n), range(0, 62));
        $forward = $between->values($x, array_fill(0, 63, 0.0));
        $back = $between->sums($y, $ones, array_fill(0, 62, 0.0));

        self::assertEqualsWithDelta(Vectors::dot($forward, $y), Vectors::dot($x, $back), 1e-10);
        self::assertNotEqualsWithDelta(0.0, Vectors::dot($forward, $y), 1e-3);
    }

    public function testSumsKeepTheTotalTimesTheScales(): void
    {
        $tables = [self::table([0.0, 1.0, 2.0, 3.0, 3.0], 1), self::table(self::PLACES[1], self::OTHER[0]), self::table([0.0, 2.0, 3.0, 4.0], 12)];
        $sums = (new BoxInterpolation([5, 3, 4], 3, self::OTHER_PAD, $tables))
            ->sums([0.0, 0.0, 0.0, ...array_fill(0, 60, 1.0)], [[1.0, 2.0, 0.0, 1.0, 1.0], [1.0, 1.0, 3.0], [0.5, 0.5, 0.5, 0.5]], array_fill(0, 62, 0.0));

        self::assertEqualsWithDelta(5.0 * 5.0 * 2.0, array_sum($sums), 1e-12);
    }

    private static function between(): BoxInterpolation
    {
        return new BoxInterpolation([5, 3, 4], 3, self::OTHER_PAD, [self::table(self::PLACES[0], 1), self::table(self::PLACES[1], self::OTHER[0]), self::table(self::PLACES[2], 12)]);
    }

    /** @param list<float> $places */
    private static function table(array $places, int $step): LineTable
    {
        $first = $second = $weight = [];
        foreach ($places as $place) {
            $low = (int) floor($place);
            $first[] = $low * $step;
            $second[] = ($place > $low ? $low + 1 : $low) * $step;
            $weight[] = $place - $low;
        }

        return new LineTable($first, $second, $weight);
    }
}
