<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Codec\ModelCodec;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\LossTable;
use Foehn\Model\ModelException;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Watts that follow the temperature of their part, or a current.
 *
 * @phpstan-import-type Result from ResultBuilder
 */
final class LossesTest extends TestCase
{
    /** h A (T - Ta) = P + P0 + s (T - Ta): also where the slope takes nearly all that the cooling adds. */
    public function testABlockComesToRestWhereItsLossesMeetItsCooling(): void
    {
        $cooling = 50.0 * 6e-4;
        foreach ([0.0, 0.5, 0.95] as $share) {
            $result = self::solve(['table' => [[300, 1.0], [2300, 1.0 + $share * $cooling * 2000.0]]]);
            $rise = 1.5 / ($cooling * (1.0 - $share));
            self::assertEqualsWithDelta(300.0 + $rise, $result['parts'][0]['temperature']['mean'] ?? NAN, 1e-3 * $rise, "$share");
            self::assertEqualsWithDelta(1.5 + $share * $cooling * $rise, $result['parts'][0]['power'], 1e-3 * $rise * $cooling);
            self::assertLessThan(1e-6, $result['balance']['error']);
        }
    }

    public function testBeyondTheTableTheLastValueStandsAndIsTold(): void
    {
        $result = self::solve(['table' => [[300, 1.0], [310, 1.2]]]);
        self::assertEqualsWithDelta(1.7, $result['parts'][0]['power'], 1e-9);
        self::assertStringContainsString('the losses of "Die" are stated up to 36.9 degC, it is at', implode("\n", $result['warnings']));
    }

    public function testAPackageFollowsItsJunction(): void
    {
        $model = Models::demo();
        $index = array_search('package', array_column(array_column($model['parts'], 'shape'), 'kind'), true);
        $watts = fn (array $change): array => ResultBuilder::build((new SteadySolver(ModelCodec::fromDocument(array_replace_recursive($model, ['parts' => [$index => $change]]))))->solve(), '')['parts'][(int) $index];
        $plain = $watts(['power' => 5.0]);
        $junction = $plain['nodes']['junction'] ?? NAN;
        $same = $watts(['power' => 2.0, 'losses' => ['table' => [[$junction - 50.0, 2.0], [$junction + 50.0, 4.0]]]]);
        self::assertEqualsWithDelta($junction, $same['nodes']['junction'] ?? NAN, 0.01);
        self::assertEqualsWithDelta(5.0, $same['power'], 1e-3);
    }

    public function testADieFollowsTheCurrentOfItsPhase(): void
    {
        $bar = ['id' => 'bar', 'shape' => ['kind' => 'block', 'size' => [0.01, 0.01, 0.001]], 'at' => [0, 0, 0.01], 'material' => 'm', 'faces' => [
            'x-' => ['electric' => ['kind' => 'current', 'current' => '-60 A']], 'x+' => ['electric' => ['kind' => 'ground']], 'bare' => ['heat' => ['kind' => 'film', 'coefficient' => 50, 'temperature' => 300]]]];
        $result = self::solve(['against' => 'current', 'table' => [[0, 0], ['50 A', '20 W'], ['100 A', '60 W']], 'of' => ['part' => 'bar', 'face' => 'x-']], [$bar], ['electric' => true]);
        self::assertEqualsWithDelta(28.5, $result['parts'][0]['power'], 1e-9);
    }

    public function testACopyOfAPhaseFollowsItsOwnCurrent(): void
    {
        $table = new LossTable(PropertyLaw::constant(1.0), ['part' => 'bar', 'face' => 'x-']);
        $parts = ['die' => 0, 'bar' => 1, 'die#2' => 2, 'bar#2' => 3, 'die#3' => 4];
        self::assertSame(['bar', 'bar#2', 'bar'], array_map(fn (string $copy): ?string => $table->ofCopy($copy, $parts)->current['part'] ?? null, ['', '#2', '#3']));
    }

    /** @param array<string, mixed> $losses */
    #[DataProvider('mistakes')]
    public function testSaysWhatIsWrong(array $losses, string $message): void
    {
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage($message);
        self::solve($losses);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function mistakes(): iterable
    {
        yield 'one pair' => [['table' => [[300, 1]]], 'a table of at least two pairs [temperature, watts] is expected'];
        yield 'falling' => [['table' => [[300, 1], [290, 2]]], 'the temperatures must rise'];
        yield 'amperes for kelvin' => [['table' => [['1 A', 1], ['2 A', 2]]], 'a temperature (e.g.'];
        yield 'no current named' => [['against' => 'current', 'table' => [[0, 1], [1, 2]]], '/losses/of'];
        yield 'no such part' => [['against' => 'current', 'table' => [[0, 1], [1, 2]], 'of' => ['part' => 'bar', 'face' => 'x-']], 'there is no part with the id "bar"'];
        yield 'no terminal' => [['against' => 'current', 'table' => [[0, 1], [1, 2]], 'of' => ['part' => 'die', 'face' => 'x-']], 'no current enters or leaves at face x- of "die"'];
    }

    /**
     * A block of 10 mm in the corner of a space, in air that takes 50 W/m2/K, with half a watt beside its losses.
     *
     * @param array<string, mixed> $losses
     * @param list<array<string, mixed>> $more parts
     * @param array<string, mixed> $physics
     * @return Result
     */
    private static function solve(array $losses, array $more = [], array $physics = []): array
    {
        return ResultBuilder::build((new SteadySolver(ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => $physics,
            'materials' => ['m' => ['conductivity' => 4000, 'resistivity' => 1.7e-8]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => null],
            'parts' => [['id' => 'die', 'name' => 'Die', 'shape' => ['kind' => 'block', 'size' => [0.01, 0.01, 0.01]], 'material' => 'm', 'power' => 0.5, 'losses' => $losses,
                'faces' => array_fill_keys(['bare', 'x-', 'y-', 'z-', 'z+'], ['heat' => ['kind' => 'film', 'coefficient' => 50, 'temperature' => 300]])], ...$more],
            'analysis' => ['grid' => ['cells' => [6, 6, 20]]],
        ])))->solve(), '');
    }
}
