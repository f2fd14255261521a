<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Solve\Steadiness;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What counts as standing still among temperatures 100 K above an ambient of 300 K. */
final class SteadinessTest extends TestCase
{
    /** @param callable(int): float $temperature of a look, K */
    #[DataProvider('courses')]
    public function testTellsWhatStandsFromWhatStillMoves(callable $temperature, ?int $steadyAt): void
    {
        $steadiness = new Steadiness();
        $found = null;
        for ($look = 1; $look <= 12 && $found === null; $look++) {
            $found = self::look($steadiness, [$temperature($look), 350.0]) ? $look : null;
        }

        self::assertSame($steadyAt, $found);
    }

    /** @return iterable<string, array{callable(int): float, ?int}> */
    public static function courses(): iterable
    {
        yield 'comes to rest fast' => [fn (int $n) => 400.0 - 20.0 * 0.2 ** $n, 5];
        // 0.2 K a look is little, but twenty times that may be left.
        yield 'creeps' => [fn (int $n) => 400.0 - 4.0 * 0.95 ** $n, null];
        yield 'goes to and fro a little' => [fn (int $n) => 400.0 + 0.1 * (-1) ** $n, 4];
        yield 'goes to and fro too far' => [fn (int $n) => 400.0 + 1.0 * (-1) ** $n, null];
        yield 'is found where it was at every third look' => [fn (int $n) => 400.0 - 1.0 * $n + ($n % 3 === 0 ? 0.9 : 0.0), null];
        yield 'rises steadily' => [fn (int $n) => 400.0 + 0.08 * $n, null];
    }

    public function testWhatCreepsInDampedStepsDoesNotStand(): void
    {
        $found = [];
        foreach ([1.0, 0.2] as $pace) {
            $steadiness = new Steadiness();
            $found[] = array_map(fn (float $temperature): bool => self::look($steadiness, [$temperature], pace: $pace), [400.0, 400.4, 400.6, 400.69]);
        }

        self::assertSame([[false, false, true, true], [false, false, false, false]], $found);
    }

    public function testHeatThatStillFindsItsWayKeepsARunGoingWhereTemperaturesAreGiven(): void
    {
        $steadiness = new Steadiness();
        $steady = array_map(fn (float $share) => self::look($steadiness, [400.0], [$share, 1.0 - $share]), [0.5, 0.55, 0.58, 0.59, 0.5901, 0.59011]);

        self::assertSame([false, false, false, false, false, true], $steady);
        self::assertSame([400.0], $steadiness->temperatures());
    }

    public function testAWatchedSpeedThatMovesKeepsARunGoing(): void
    {
        $steadiness = new Steadiness();
        $steady = array_map(fn (float $speed) => self::look($steadiness, [400.0], watched: [$speed]), [0.5, 0.55, 0.6, 0.6, 0.6]);

        self::assertSame([false, false, false, true, true], $steady);
        self::assertSame([[400.0], 0.0], [$steadiness->temperatures(), $steadiness->moved()]);
    }

    /**
     * @param list<float> $temperatures
     * @param list<float> $ways
     * @param list<float> $watched
     */
    private static function look(Steadiness $steadiness, array $temperatures, array $ways = [], array $watched = [], float $pace = 1.0): bool
    {
        $steadiness->look($temperatures, 300.0, $ways, $watched, $pace);

        return $steadiness->stands();
    }
}
