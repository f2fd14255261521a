<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\Anderson;
use Foehn\Tests\Values;
use PHPUnit\Framework\TestCase;

final class AndersonTest extends TestCase
{
    /** x -> M x + b, which by itself comes nearer by 0.9 a step along one direction. */
    private const MATRIX = [[0.9, 0.1, 0.0], [0.0, 0.5, -0.2], [0.1, 0.0, 0.3]];

    private const B = [1.0, -2.0, 0.5];

    public function testALinearIterationIsSolvedWithAsManyStepsAsUnknowns(): void
    {
        $anderson = new Anderson(0);
        $x = [[0.0, 0.0, 0.0]];
        for ($n = 0; $n < 5; $n++) {
            $x = $anderson->next($x, [self::image($x[0])], [1.0]);
        }
        $plain = [0.0, 0.0, 0.0];
        for ($n = 0; $n < 5; $n++) {
            $plain = self::image($plain);
        }

        self::assertLessThan(1e-6, self::distance($x[0]));
        self::assertGreaterThan(0.1, self::distance($plain));
    }

    public function testItLeavesThePlainIterationAloneUntilItBegins(): void
    {
        $anderson = new Anderson(3);
        $x = [[0.0, 0.0, 0.0]];
        for ($n = 0; $n < 3; $n++) {
            $image = [self::image($x[0])];
            $x = $anderson->next($x, $image, [1.0]);
            self::assertSame($image, $x);
        }
        // The first accelerated step has no history yet; the second one has.
        $anderson->next($x, [self::image($x[0])], [1.0]);
        $x = [self::image($x[0])];
        $image = [self::image($x[0])];

        self::assertNotSame($image, $anderson->next($x, $image, [1.0]));
    }

    public function testFieldsCountByTheirScale(): void
    {
        // The second field's large numbers must not drown the first one, and a field that counts nothing must not steer.
        $accelerate = function (float $weight): float {
            $anderson = new Anderson(0);
            $x = [[0.0, 0.0, 0.0], [0.0]];
            for ($n = 0; $n < 5; $n++) {
                $x = $anderson->next($x, [self::image($x[0]), [1e6 * sin($n)]], [1.0, $weight]);
            }

            return self::distance($x[0]);
        };

        self::assertLessThan(1e-6, $accelerate(0.0));
        self::assertGreaterThan(1e-3, $accelerate(1.0));
    }

    public function testItStartsAnewWhenTheStepGrows(): void
    {
        $anderson = new Anderson(0);
        $x = [[0.0, 0.0, 0.0]];
        for ($n = 0; $n < 3; $n++) {
            $x = $anderson->next($x, [self::image($x[0])], [1.0]);
        }
        $far = [[100.0, -50.0, 30.0]];
        $image = [self::image($far[0])];

        self::assertSame($image, $anderson->next($far, $image, [1.0]), 'the first step after a jump is a plain one');
    }

    /**
     * @param array<int, float> $x
     * @return array<int, float>
     */
    private static function image(array $x): array
    {
        return array_map(fn (array $row, float $b): float => $row[0] * $x[0] + $row[1] * $x[1] + $row[2] * $x[2] + $b, self::MATRIX, self::B);
    }

    /** @param array<int, float> $x */
    private static function distance(array $x): float
    {
        return Values::greatest(array_map(fn (float $a, float $b): float => abs($a - $b), $x, self::image($x)));
    }
}
