<?php

declare(strict_types=1);

namespace Foehn\Tests\Preflight;

use Foehn\Preflight\Preflight;
use Foehn\Tests\Models;
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
}
