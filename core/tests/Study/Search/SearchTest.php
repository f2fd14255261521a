<?php

declare(strict_types=1);

namespace Foehn\Tests\Study\Search;

use Foehn\Model\ModelException;
use Foehn\Study\Search\Front;
use Foehn\Study\Search\Search;
use Foehn\Study\Search\Trial;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Searches over functions whose best points are known. */
final class SearchTest extends TestCase
{
    /**
     * Branin's function has three equal least values, 0.397887, in [-5, 10] x [0, 15] and mountains up to 308 between them (Dixon & Szegoe,
     * Towards Global Optimisation 2, 1978).
     */
    public function testItFindsTheLeastOfManyValleys(): void
    {
        $branin = fn (float $x, float $y): float => ($y - 5.1 / (4 * M_PI ** 2) * $x ** 2 + 5 / M_PI * $x - 6) ** 2 + 10 * (1 - 1 / (8 * M_PI)) * cos($x) + 10;
        foreach ([1, 2, 3] as $seed) {
            $search = Search::read(self::document(), ['a' => '-5 .. 10', 'b' => '0 .. 15'], [['kind' => 'reading', 'of' => 'l1']], null, 40, $seed);
            $trials = self::searched($search, fn (float $a, float $b): array => [100.0, $branin($a, $b)]);
            $best = $trials[$search->best($trials)[0]];

            self::assertCount(40, $trials);
            self::assertEqualsWithDelta(0.397887, $best->values['l1'], 0.05, "seed $seed");
        }
    }

    /** Least a + b with a * b at least 4 (as a margin of 5 K) in [1, 4]^2: a = b = 2. */
    public function testItGoesAsFarAsTheMarginAllows(): void
    {
        $search = Search::read(self::document(), ['a' => '1 .. 4', 'b' => '1 .. 4'], [['kind' => 'formula', 'of' => 'a + b']], 5.0, 24);
        $trials = self::searched($search, fn (float $a, float $b): array => [1.0 + $a * $b, 300.0]);
        [$key] = $search->best($trials);

        self::assertGreaterThanOrEqual(5.0, $trials[$key]->margins['l1'] ?? 0.0);
        self::assertEqualsWithDelta(4.0, $search->costs($trials[$key])[0] ?? 0.0, 0.06);
    }

    /** Least a^2 and least (a - 2)^2 with b adding to both: the front is b = 0, sqrt(f1) + sqrt(f2) = 2. */
    public function testTwoAimsHaveAFront(): void
    {
        $aims = [['kind' => 'reading', 'of' => 'l1'], ['kind' => 'margin', 'most' => true]];
        $search = Search::read(self::document(), ['a' => '-1 .. 3', 'b' => '0 .. 1'], $aims, null, 36);
        $trials = self::searched($search, fn (float $a, float $b): array => [-(($a - 2.0) ** 2 + $b), $a ** 2 + $b]);
        $front = array_map(fn (int $key): array => [$trials[$key]->values['l1'], -($trials[$key]->margins['l1'] ?? 0.0)], $search->best($trials));

        self::assertGreaterThanOrEqual(8, count($front));
        assert($front !== []);
        foreach ($front as [$one, $other]) {
            self::assertEqualsWithDelta(2.0, sqrt($one) + sqrt($other), 0.25);
        }
        self::assertLessThan(0.5, min(array_column($front, 0)));
        self::assertLessThan(0.5, min(array_column($front, 1)));
    }

    public function testItIsTheSameForTheSameSeedAndStaysAwayFromWhatHasNoAnswer(): void
    {
        $of = fn (int $seed): array => self::searched(
            Search::read(self::document(), ['a' => '0 .. 1', 'b' => '2, 3, 5'], [['kind' => 'margin']], null, 14, $seed),
            fn (float $a, float $b): ?array => $a > 0.6 ? null : [10.0 * $a + $b, 300.0],
        );
        $texts = array_column($of(3), 'texts');

        self::assertSame($texts, array_column($of(3), 'texts'));
        self::assertNotSame($texts, array_column($of(4), 'texts'));
        self::assertSame($texts, array_unique($texts, SORT_REGULAR), 'no point twice');
        self::assertSame([], array_diff(array_column($texts, 1), ['2', '3', '5']), 'of a list only its values');
        $after = array_slice($of(3), 7);
        self::assertLessThan(count($after) / 2, count(array_filter($after, fn (Trial $trial): bool => $trial->margins === null)));
    }

    public function testAShortListIsSearchedToItsEnd(): void
    {
        $search = Search::read(self::document(), ['a' => '1, 2, 3', 'b' => '1, 2'], [['kind' => 'margin']], null, 30);

        self::assertCount(6, array_unique(array_column(self::searched($search, fn (float $a, float $b): array => [$a * $b, 0.0]), 'texts'), SORT_REGULAR));
    }

    public function testTheFrontKnowsWhatAPointAdds(): void
    {
        self::assertSame([0, 2, 3], Front::best([[1.0, 4.0], [3.0, 4.0], [2.0, 2.0], [4.0, 1.0], [2.0, 2.0]]));
        // The corners (1, 4), (2, 2), (4, 1) in the reference (4.3, 4.3): (1.5, 1.5) alone dominates 0.5 x 2.5 + 2 x 0.5 of it.
        $front = Front::of([[1.0, 4.0], [2.0, 2.0], [4.0, 1.0]]);
        self::assertEqualsWithDelta((0.5 * 2.5 + 2.0 * 0.5) / 9.0, $front->gain([1.5, 1.5]), 1e-12);
        self::assertSame(0.0, $front->gain([2.0, 3.0]));
        self::assertEqualsWithDelta(0.25, Front::of([[2.0], [6.0]])->gain([1.0]), 1e-12);
    }

    /** @return iterable<string, array{array<string, string>, array<mixed>, ?float, int, string}> */
    public static function wrong(): iterable
    {
        $margin = [['kind' => 'margin']];
        yield 'no such parameter' => [['c' => '1 .. 2'], $margin, null, 9, 'the model has no parameter of this name'];
        yield 'one value' => [['a' => '2'], $margin, null, 9, '"a" has one value only'];
        yield 'too few runs' => [['a' => '1 .. 2'], $margin, null, 2, 'has 3 to 300 runs, not 2'];
        yield 'no aim' => [['a' => '1 .. 2'], [], null, 9, 'one aim or two, not 0'];
        yield 'no such reading' => [['a' => '1 .. 2'], [['kind' => 'reading', 'of' => 'w9']], null, 9, 'names "w9", which the model has no limit or watch for; it has l1'];
        yield 'no formula' => [['a' => '1 .. 2'], [['kind' => 'formula', 'of' => '2 * c']], null, 9, 'the formula "2 * c" of an aim'];
        yield 'no kind' => [['a' => '1 .. 2'], [['kind' => 'beauty']], null, 9, '"beauty" is no aim'];
    }

    /**
     * @param array<string, string> $variations
     * @param array<mixed> $aims
     */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaid(array $variations, array $aims, ?float $margin, int $runs, string $message): void
    {
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage($message);
        Search::read(self::document(), $variations, $aims, $margin, $runs);
    }

    public function testAMarginNeedsLimits(): void
    {
        $this->expectExceptionMessage('the model has no limits');
        Search::read([...self::document(), 'limits' => []], ['a' => '1 .. 2'], [['kind' => 'formula', 'of' => 'a']], 5.0, 9);
    }

    /**
     * All the points that a search asks for.
     *
     * @param callable(float, float): ?array{float, float} $read margin and value of the limit at a point; null where there is no answer
     * @return list<Trial>
     */
    private static function searched(Search $search, callable $read): array
    {
        $trials = [];
        while (($points = $search->next($trials)) !== []) {
            foreach ($points as [$texts, [$a, $b]]) {
                $found = $read($a, $b);
                $trials[] = Trial::of($texts, [$a, $b], $found === null ? null : [['id' => 'l1', 'value' => $found[1], 'margin' => $found[0]]]);
            }
        }

        return $trials;
    }

    /** @return array<mixed> */
    private static function document(): array
    {
        return Models::block(['parameters' => ['a' => '1', 'b' => '1']]);
    }
}
