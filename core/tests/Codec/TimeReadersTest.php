<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use Foehn\Codec\ModelInTime;
use Foehn\Model\ModelException;
use Foehn\Model\Schedule;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TimeReadersTest extends TestCase
{
    public function testStepsHoldAndLinesBendAndBothBeginAgain(): void
    {
        $steps = new Schedule([[0.0, 12.0], [24.0, 0.0]], true, 60.0);
        self::assertSame([12.0, 12.0, 0.0, 0.0, 12.0], [$steps->at(0.0), $steps->at(24.0, true), $steps->at(24.0), $steps->at(60.0, true), $steps->at(60.0)]);
        self::assertSame([24.0, 60.0, 84.0, 120.0], $steps->edges(130.0));

        $lines = new Schedule([[10.0, 1.0], [20.0, 3.0]], false);
        self::assertEqualsWithDelta([1.0, 2.0, 3.0], [$lines->at(0.0), $lines->at(15.0), $lines->at(99.0)], 1e-9);

        $pulses = Schedule::pulses(1.0, 5.0, 10.0, 0.4, 1.0);
        self::assertEqualsWithDelta([1.0, 3.0, 5.0, 3.0, 1.0, 3.0], [$pulses->at(0.0), $pulses->at(0.5), $pulses->at(3.0), $pulses->at(4.5), $pulses->at(7.0), $pulses->at(10.5)], 1e-6);
    }

    public function testADocumentIsReadAtAnyMoment(): void
    {
        $document = Models::block(['parameters' => ['most' => '8 W']]);
        $document['parts'][0]['power'] = ['schedule' => [['0 s', 'most'], ['1 min', '2 W']], 'between' => 'steps'];
        $document['surroundings'] = ['temperature' => '20 degC + 10 K * sin(t / (1 s))'];
        $model = new ModelInTime([...$document, 'analysis' => ['grid' => ['cells' => [2, 2, 2]], 'time' => ['kind' => 'transient', 'end' => '2 min']]]);

        self::assertSame([60.0], $model->edges);
        self::assertTrue($model->moves());
        self::assertEqualsWithDelta([8.0, 2.0], [$model->at(60.0, true)[0]->parts[0]->power, $model->at(60.0)[0]->parts[0]->power], 1e-12);
        self::assertEqualsWithDelta(293.15 + 10.0 * sin(30.0), $model->at(30.0)[0]->surroundings->temperature, 1e-9);
        self::assertNotSame($model->at(60.0, true)[1], $model->at(60.0)[1]);
        self::assertFalse((new ModelInTime(Models::block()))->moves());
    }

    public function testMeltingEndsAboveWhereItBegins(): void
    {
        $pad = fn (string $to): array => Models::block(['materials' => ['aluminium-6061' => ['conductivity' => 1, 'density' => 900, 'specificHeat' => 2000, 'phaseChange' => ['from' => '50 degC', 'to' => $to, 'latentHeat' => '200000 J/kg']]]]);
        self::assertEqualsWithDelta(2e5, Models::read($pad('51 degC'))->materials->get('aluminium-6061')->phaseChange->latentHeat ?? NAN, 1e-9);

        $this->expectException(ModelException::class);
        $this->expectExceptionMessage('melting ends above the 323.15 K at which it begins');
        Models::read($pad('50 degC'));
    }

    /** @param array<string, mixed> $time */
    #[DataProvider('wrong')]
    public function testSaysWhereAndWhat(mixed $power, array $time, string $pointer, string $expected): void
    {
        $document = Models::block(['analysis' => ['grid' => ['cells' => [2, 2, 2]], 'time' => ['kind' => 'transient', 'end' => '1 min', ...$time]]]);
        $document['parts'][0]['power'] = $power;
        try {
            new ModelInTime($document);
            self::fail('it was read');
        } catch (ModelException $e) {
            self::assertStringContainsString($pointer, $e->getMessage());
            self::assertStringContainsString($expected, $e->getMessage());
        }
    }

    /** @return iterable<string, array{mixed, array<string, mixed>, string, string}> */
    public static function wrong(): iterable
    {
        $sensor = ['part' => 'block'];
        yield 'end before the start' => ['1 W', ['end' => '-5 s'], '/analysis/time/end', 'must be above 0'];
        yield 'a step beyond the end' => ['1 W', ['step' => '2 min'], '/analysis/time/step', 'a step of 120 s is given, but the run ends at 60 s'];
        yield 'far too many steps' => ['1 W', ['step' => '1e-9 s'], '/analysis/time/step', 'are more than'];
        yield 'kept after the end' => ['1 W', ['keep' => ['70 s']], '/analysis/time/keep/0', 'not within the run'];
        yield 'a table that goes back' => [['schedule' => [[0, 1], [10, 2], [5, 3]]], [], '/parts/0/power/schedule/2', 'the times must rise'];
        yield 'watts that are kelvin' => [['schedule' => [[0, '1 K']]], [], '/parts/0/power/schedule/0/1', 'power'];
        yield 'a repeat within the table' => [['schedule' => [[0, 1], [10, 2]], 'repeat' => '5 s'], [], '/parts/0/power/repeat', 'goes on to 10 s'];
        yield 'more pulses than can be counted' => [['pulse' => ['high' => 1, 'period' => '1e-6 s']], [], '/parts/0/power', 'changes more than'];
        yield 'a duty of more than all' => [['pulse' => ['high' => 1, 'period' => 10, 'duty' => 1.5]], [], '/parts/0/power/pulse/duty', 'between 0 and 1'];
        yield 'no hysteresis' => [['thermostat' => ['on' => '50 degC', 'off' => '50 degC', 'watts' => 1, 'sensor' => $sensor]], [], '/parts/0/power/thermostat/off', 'give a hysteresis'];
        yield 'a sensor on nothing' => [['curve' => [[300, 1], [310, 0]], 'sensor' => ['part' => 'none']], [], '/parts/0/power', 'no part with the id "none"'];
        yield 'a face that is none' => [['curve' => [[300, 1], [310, 0]], 'sensor' => ['part' => 'block', 'face' => 'top']], [], '/parts/0/power', 'has no face "top"'];
        yield 'the time in a size' => ['1 W', ['end' => 't'], '/analysis/time/end', '"t"'];
    }
}
