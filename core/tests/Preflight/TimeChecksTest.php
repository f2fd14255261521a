<?php

declare(strict_types=1);

namespace Foehn\Tests\Preflight;

use Foehn\Preflight\AirChecks;
use Foehn\Preflight\Preflight;
use Foehn\Tests\Models;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class TimeChecksTest extends TestCase
{
    /**
     * @param array<string, mixed> $time
     * @param array<string, mixed> $changes
     */
    #[DataProvider('doubtful')]
    public function testTellsWhatDoesNotFit(mixed $power, array $time, array $changes, string $expected): void
    {
        $document = Models::block(['analysis' => ['grid' => ['cells' => [2, 2, 2]], ...($time === [] ? [] : ['time' => ['kind' => 'transient', ...$time]])], ...$changes]);
        $document['parts'][0]['power'] = $power;
        $found = implode("\n", array_column(Preflight::of(Models::read($document), $document), 'message'));

        self::assertStringContainsString($expected, $found);
    }

    /**
     * The block stores 19.35 J/K and loses 0.04 W/K.
     *
     * @return iterable<string, array{mixed, array<string, mixed>, array<string, mixed>, string}>
     */
    public static function doubtful(): iterable
    {
        yield 'an end long before it is warm' => ['1 W', ['end' => '10 s'], [], 'It takes about 24.2 min to warm up; the course ends at 10 s.'];
        yield 'a step that shows nothing' => ['1 W', ['end' => '1 h', 'step' => '5 min'], [], 'A step of 5 min is long'];
        yield 'a step longer than a pulse' => [['pulse' => ['high' => 5, 'period' => 10]], ['end' => '20 min', 'step' => '20 s'], [], 'longer than the shortest part of a schedule, 5 s'];
        yield 'loads over time in a steady model' => [['pulse' => ['high' => 5, 'period' => 10]], [], [], 'it has what they are at 0 s'];
        yield 'nothing that stores heat' => ['1 W', ['end' => '1 h'], ['materials' => ['aluminium-6061' => ['conductivity' => 160]]], 'stores no heat'];
    }

    public function testACourseThatFitsHasNothingToTell(): void
    {
        $document = Models::block(['analysis' => ['grid' => ['cells' => [2, 2, 2]], 'time' => ['kind' => 'transient', 'end' => '1 h']]]);

        self::assertSame([], Preflight::of(Models::read($document), $document));
    }

    /**
     * @param array<string, mixed> $space
     * @param array<string, mixed> $time
     */
    #[DataProvider('airs')]
    public function testTellsWhereTheAirDoesNotFit(string $fluid, array $space, array $time, ?string $expected): void
    {
        $document = Models::block([
            'physics' => ['flow' => 'laminar', 'buoyancy' => true],
            'analysis' => ['grid' => ['cells' => [8, 8, 8]], 'time' => ['kind' => 'transient', ...$time]],
        ]);
        $document['space'] = ['box' => ['min' => [-0.06, -0.06, -0.06], 'max' => [0.06, 0.06, 0.06]], 'fluid' => $fluid, ...$space];
        $found = implode("\n", array_column(AirChecks::of(Models::read($document), Models::read($document)->time ?? throw new LogicException('no time')), 'message'));

        $expected === null ? self::assertSame('', $found) : self::assertStringContainsString($expected, $found);
    }

    /** @return iterable<string, array{string, array<string, mixed>, array<string, mixed>, ?string}> */
    public static function airs(): iterable
    {
        $driven = ['sides' => ['x-' => ['kind' => 'inlet', 'speed' => '2 m/s'], 'x+' => ['kind' => 'outlet']]];
        yield 'frozen air that only buoyancy moves' => ['air', [], ['end' => '1 h', 'air' => 'frozen'], 'Only buoyancy moves the air, but it is frozen'];
        yield 'frozen air that is blown' => ['air', $driven, ['end' => '1 h', 'air' => 'frozen'], null];
        yield 'air that follows' => ['air', [], ['end' => '1 h', 'air' => 'follows'], null];
        yield 'water that follows' => ['water', [], ['end' => '1 h', 'air' => 'follows'], 'What flows stores more than the heat that the parts store'];
        yield 'unsteady air for hours' => ['air', $driven, ['end' => '1 h', 'air' => 'unsteady'], 'The air passes the space in about 0.06 s, so that its motion takes some 1 500 000 steps'];
        yield 'unsteady air for seconds' => ['air', $driven, ['end' => '5 s', 'air' => 'unsteady'], null];
    }
}
