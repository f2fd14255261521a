<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Study\SweepPlan;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class SweepPlanTest extends TestCase
{
    public function testAGridHasEveryCombinationAndItsModelsHaveTheValues(): void
    {
        $plan = SweepPlan::grid(self::document(), ['size' => '10 mm .. 20 mm : 3', 'watts' => '5 W; 8 W']);
        self::assertSame([['10 mm', '5 W'], ['10 mm', '8 W'], ['15 mm', '5 W'], ['15 mm', '8 W'], ['20 mm', '5 W'], ['20 mm', '8 W']], $plan->points);
        self::assertEqualsWithDelta([0.015, 8.0], $plan->numbers[3], 1e-12);

        $json = SweepPlan::modelAt(json_encode(self::document() + ['materials' => new \stdClass()], JSON_THROW_ON_ERROR), $plan->at(3));
        $model = ModelCodec::fromJson($json);
        self::assertTrue($model->parts[0]->shape->contains(0.01, 0.01, 0.0149));
        self::assertFalse($model->parts[0]->shape->contains(0.01, 0.01, 0.0151));
        self::assertSame(8.0, $model->parts[0]->power);
        self::assertStringContainsString('"materials": {}', $json);
        self::assertSame(['value' => '15 mm', 'note' => 'height'], Nested::at(json_decode($json, true), 'parameters', 'size'));
    }

    public function testALatinHypercubeTakesEverySliceOnceAndIsTheSameForASeed(): void
    {
        $plan = SweepPlan::latin(self::document(), ['size' => '10 mm .. 20 mm', 'watts' => '2 W .. 12 W'], 20, 7);
        foreach ([[0.010, 0.010], [2.0, 10.0]] as $axis => [$from, $span]) {
            $slices = array_map(fn (array $point): int => (int) floor(20 * ($point[$axis] - $from) / $span), $plan->numbers);
            sort($slices);
            self::assertSame(range(0, 19), $slices);
        }
        $again = fn (int $seed): array => SweepPlan::latin(self::document(), ['size' => '10 mm .. 20 mm', 'watts' => '2 W .. 12 W'], 20, $seed)->points;
        self::assertSame($plan->points, $again(7));
        self::assertNotSame($plan->points, $again(8));
    }

    public function testAPastedTableIsTakenLineByLine(): void
    {
        $plan = SweepPlan::table(self::document(), "size\twatts\n12 mm\t5 W\n\n1.4 cm\t2 * 3 W\n");
        self::assertSame(['size' => '1.4 cm', 'watts' => '2 * 3 W'], $plan->at(1));
        self::assertEqualsWithDelta([0.014, 6.0], $plan->numbers[1], 1e-12);
    }

    public function testTheNearestPointIsThatOfTheLeastDistanceInSharesOfTheRanges(): void
    {
        $plan = SweepPlan::grid(self::document(), ['size' => '10 mm .. 20 mm : 3', 'watts' => '1 W .. 100 W : 4']);
        // Of size 15 mm and 34 W: one step of the watts is a third of their range, one of the size a half.
        self::assertSame([4, 6, 1, 11], $plan->nearest(5, [1, 4, 6, 11]));
        self::assertSame([], $plan->nearest(0, []));
    }

    #[DataProvider('wrong')]
    public function testWhatCannotBeVariedIsSaid(string $name, string $values, string $said): void
    {
        $this->expectException(ModelException::class);
        $this->expectExceptionMessageMatches("/$said/");
        SweepPlan::grid(self::document(), [$name => $values]);
    }

    /** @return iterable<string, array{string, string, string}> */
    public static function wrong(): iterable
    {
        yield 'no such name' => ['sise', '10 mm', 'no parameter of this name'];
        yield 'another quantity' => ['size', '10 mm, 3 W', '"3 W" is a heat flow .* but the parameter is a length'];
        yield 'nothing' => ['size', ' , ', 'has no values'];
        yield 'empty' => ['size', '', 'write a list such as'];
        yield 'a range without an end' => ['size', '10 mm ..', 'is no range'];
        yield 'two units' => ['size', '10 mm .. 2 cm', 'different units'];
        yield 'one value' => ['size', '10 mm .. 20 mm : 1', '2 to 10000 values'];
        yield 'no formula' => ['size', '10 furlongs', 'furlongs'];
        yield 'too many' => ['size', '10 mm .. 20 mm : 20000', '2 to 10000 values'];
    }

    public function testAFieldOfAPartIsVariedWithoutAParameter(): void
    {
        $fan = ['parts' => [['id' => 'fan', 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'curve' => [['0 l/s', '60 Pa']]], 'at' => ['1 mm', 0, 0]]]];
        $plan = SweepPlan::grid($fan, ['parts/fan/shape/speedFactor' => '1.2', 'parts/fan/at/0' => '2 mm, 3 mm']);
        $model = json_decode(SweepPlan::modelAt(json_encode($fan, JSON_THROW_ON_ERROR), $plan->at(1)), true);
        self::assertSame(['1.2', ['3 mm', 0, 0]], [Nested::at($model, 'parts', 0, 'shape', 'speedFactor'), Nested::at($model, 'parts', 0, 'at')]);
        self::assertEqualsWithDelta([1.2, 0.003], $plan->numbers[1], 1e-12);
        foreach ([['parts/fan/at/0' => '3 W'], ['parts/pump/at/0' => '3 mm'], ['parts/fan/faces/bare' => '1'], ['parts/fan' => '1']] as $wrong) {
            try {
                SweepPlan::grid($fan, $wrong);
                self::fail('taken: ' . json_encode($wrong));
            } catch (ModelException $e) {
                self::assertMatchesRegularExpression('/but the parameter is a length|names no field|names nothing/', $e->getMessage());
            }
        }
    }

    public function testTooManyPointsAreRefused(): void
    {
        $this->expectExceptionMessage('a sweep has 1 to 10000 points, not 10201');
        SweepPlan::grid(self::document(), ['size' => '10 mm .. 20 mm : 101', 'watts' => '1 W .. 2 W : 101']);
    }

    public function testALineOfATableThatDoesNotFitIsNamed(): void
    {
        $this->expectExceptionMessage('line 3 of the table has 1 values, its first line names 2 parameters');
        SweepPlan::table(self::document(), "size;watts\n12 mm;5 W\n14 mm");
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        $block = Models::block();

        return [
            ...$block, 'parameters' => ['size' => ['value' => '12 mm', 'note' => 'height'], 'watts' => '10 W'],
            'parts' => [['id' => 'block', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '20 mm', 'size']], 'material' => 'aluminium-6061', 'power' => 'watts']],
        ];
    }
}
