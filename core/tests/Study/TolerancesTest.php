<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Numerics\Normal;
use Foehn\Solve\SteadySolver;
use Foehn\Study\Builds;
use Foehn\Study\SweepPlan;
use Foehn\Study\Tolerances;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A block of 10 W under a film of 100 W/m2K over 4 cm2 is 250 K above its surroundings: its margins follow by hand. */
final class TolerancesTest extends TestCase
{
    public function testEachToleranceMovesTheMarginAsItShould(): void
    {
        $found = self::found([
            ['of' => 'watts', 'by' => '10 %'],
            ['of' => 'film', 'by' => '4 W/m^2/K', 'distribution' => 'normal'],
            ['of' => 'surroundings/temperature', 'by' => '5 K', 'distribution' => 'worst'],
            ['of' => 'wide', 'by' => '0.1 mm'],
        ]);

        // With the watts grows also what the block itself keeps, 10 W * 20 mm / (2 * 167 W/m/K * 4 cm2) = 1.5 K.
        self::assertEqualsWithDelta(-25.15, $found['rows'][0]['changes']['l1'] ?? NAN, 0.01);
        self::assertEqualsWithDelta(250.0 * 0.04, $found['rows'][1]['changes']['l1'] ?? NAN, 0.1);
        self::assertEqualsWithDelta(-5.0, $found['rows'][2]['changes']['l1'] ?? NAN, 1e-3);
        self::assertNull($found['rows'][3]['changes'], 'another shape needs another grid');
        self::assertSame(['watts', '10 %', 'uniform'], [$found['rows'][0]['of'], $found['rows'][0]['by'], $found['rows'][0]['distribution']]);
        $limit = $found['limits'][0];
        self::assertEqualsWithDelta($limit['margin'] - 40.0, $limit['worst'], 0.2);
        self::assertEqualsWithDelta(sqrt(25.0 ** 2 / 3.0 + (10.0 / 3.0) ** 2), $limit['deviation'], 0.2);
    }

    /** @return iterable<string, array{list<array{string, float}>, float, float}> distributions with changes, the margin, and the share that meets it */
    public static function builds(): iterable
    {
        yield 'uniform' => [[['uniform', 25.0]], 10.0, 0.7];
        yield 'normal' => [[['normal', -25.0]], 10.0, 0.88493];
        yield 'at the worse end' => [[['worst', 25.0]], 10.0, 0.0];
        yield 'at the worse end, far away' => [[['worst', -9.0]], 10.0, 1.0];
        // The sum of two uniform ones is a triangle: beyond a on one side lies (40 - a)^2 / (2 * 40^2).
        yield 'two uniform' => [[['uniform', 20.0], ['uniform', -20.0]], 10.0, 1.0 - 30.0 ** 2 / (2.0 * 40.0 ** 2)];
    }

    /** @param list<array{string, float}> $rows */
    #[DataProvider('builds')]
    public function testTheShareOfBuildsIsThatOfTheDistribution(array $rows, float $margin, float $share): void
    {
        $found = Builds::of(['l1' => $margin], array_column($rows, 0), array_map(fn (array $row): array => ['l1' => $row[1]], $rows));

        self::assertEqualsWithDelta($share, $found['met'], 3.0 * sqrt($share * (1.0 - $share) / Builds::DRAWN) + 1e-12);
    }

    public function testAllLimitsTogetherAreMetByThoseThatMeetEach(): void
    {
        // The same tolerance helps one and hurts the other: both are met where it is between -0.4 and 0.4.
        $found = Builds::of(['a' => 4.0, 'b' => 4.0], ['uniform'], [['a' => 10.0, 'b' => -10.0]]);

        self::assertEqualsWithDelta(0.4, $found['met'], 0.012);
        self::assertEqualsWithDelta(0.7, $found['limits'][0]['met'], 0.012);
        self::assertEqualsWithDelta(4.0 - 9.8, $found['limits'][1]['low'], 0.1);
    }

    public function testTheNormalDistributionIsThatOfTables(): void
    {
        foreach (['0.5' => 0.0, '0.975' => 1.959963985, '0.0013498980316' => -3.0, '1e-9' => -5.997807015] as $share => $value) {
            self::assertEqualsWithDelta($value, Normal::quantile((float) $share), 1e-8);
        }
    }

    public function testBuildsAreSpreadOverTheTolerances(): void
    {
        $plan = SweepPlan::builds(self::document([['of' => 'watts', 'by' => '10 %'], ['of' => 'surroundings/temperature', 'by' => '5 K', 'distribution' => 'worst']]), 20, 3);
        $watts = array_column($plan->numbers, 0);
        sort($watts);

        self::assertSame(['watts', 'surroundings/temperature'], $plan->names);
        foreach ($watts as $n => $one) {
            self::assertGreaterThanOrEqual(9.0 + 0.1 * $n, $one);
            self::assertLessThanOrEqual(9.1 + 0.1 * $n, $one);
        }
        self::assertEqualsCanonicalizing([...array_fill(0, 10, '15 degC'), ...array_fill(0, 10, '25 degC')], array_column($plan->points, 1));
        $model = ModelCodec::fromJson(SweepPlan::modelAt(json_encode(self::document([]), JSON_THROW_ON_ERROR), $plan->at(0)));
        self::assertEqualsWithDelta($plan->numbers[0], [$model->parts[0]->power, $model->surroundings->temperature], 1e-6);
    }

    /** @return iterable<string, array{array<string, string>, string}> */
    public static function wrong(): iterable
    {
        yield 'no such parameter' => [['of' => 'gone', 'by' => '1 %'], 'no parameter of this name'];
        yield 'no such part' => [['of' => 'parts/gone/power', 'by' => '1 %'], 'there is no part "gone"'];
        yield 'no such field' => [['of' => 'parts/block/emissivity', 'by' => '0.1'], 'no single value stands there'];
        yield 'another unit' => [['of' => 'watts', 'by' => '1 mm'], '"1 mm" is a length'];
        yield 'a share of a temperature' => [['of' => 'surroundings/temperature', 'by' => '10 %'], 'give the tolerance in kelvin'];
        yield 'nothing' => [['of' => 'watts', 'by' => '0 W'], 'has to be more than nothing'];
        yield 'another distribution' => [['of' => 'watts', 'by' => '1 W', 'distribution' => 'wild'], 'wild'];
    }

    /** @param array<string, string> $row */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaid(array $row, string $message): void
    {
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage($message);
        ModelCodec::fromDocument(self::document([$row]));
    }

    public function testTolerancesDoNotMakeAnotherDesign(): void
    {
        $without = json_encode(self::document([]), JSON_THROW_ON_ERROR);
        $with = json_encode(self::document([['of' => 'watts', 'by' => '10 %']]), JSON_THROW_ON_ERROR);

        self::assertNotSame($without, $with);
        self::assertSame(ModelCodec::hash($without), ModelCodec::hash($with));
    }

    /**
     * @param list<array<string, string>> $rows
     * @return array{rows: list<array{of: string, by: string, distribution: string, changes: ?array<string, float>}>, met: ?float, limits: list<array{id: string, margin: float, deviation: float, low: float, worst: float, met: float}>}
     */
    private static function found(array $rows): array
    {
        $document = self::document($rows);

        return (new Tolerances((new SteadySolver(ModelCodec::fromDocument($document)))->linearised(), $document))->found();
    }

    /**
     * @param list<array<string, string>> $rows
     * @return array<mixed>
     */
    private static function document(array $rows): array
    {
        $document = Models::block(['parameters' => ['watts' => '10 W', 'film' => '100 W/m^2/K', 'wide' => '20 mm'], 'tolerances' => $rows]);
        $document['parts'][0]['power'] = 'watts';
        $document['parts'][0]['shape']['size'] = ['wide', '20 mm', '20 mm'];
        $document['space']['sides']['z+']['heat'] = ['kind' => 'film', 'coefficient' => 'film'];

        return $document;
    }
}
