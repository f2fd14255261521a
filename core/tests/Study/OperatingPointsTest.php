<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Model\ModelException;
use Foehn\Preflight\Preflight;
use Foehn\Solve\Progress;
use Foehn\Solve\SilentListener;
use Foehn\Solve\SteadySolver;
use Foehn\Study\OperatingPoints;
use Foehn\Study\SolvedPoint;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * @phpstan-import-type Document from Models
 */
final class OperatingPointsTest extends TestCase
{
    public function testEachHasTheAnswerOfTheModelWithItsValues(): void
    {
        $document = self::block([
            ['name' => 'Idle', 'values' => ['watts' => '1 W']],
            ['name' => 'Fault, warm day', 'values' => ['watts' => '2 * nominal', 'surroundings/temperature' => '40 degC']],
        ]);
        $points = self::solved($document);

        self::assertSame(['Idle', 'Fault, warm day'], array_map(fn (SolvedPoint $one): string => $one->point->name, $points));
        // 1 W / (100 W/m2K * 4 cm2) = 25 K at the face, and what the block itself keeps below it.
        self::assertEqualsWithDelta(20.0 + 25.0 + 0.15, self::hottest($points[0]), 0.01);
        self::assertEqualsWithDelta(40.0 + 500.0 + 3.0, self::hottest($points[1]), 0.1);
        self::assertStringContainsString('"40 degC"', $points[1]->model);
    }

    public function testAFlowStaysOnTheGridAndAnswersLikeARunOfItsOwn(): void
    {
        $changed = ['parameters' => ['watts' => '2 W'], 'operatingPoints' => [['name' => 'Full', 'values' => ['watts' => '4 W', 'parts/chip/power' => '3 W']]]];
        $duct = Duct::document(['block' => ['power' => 'watts']], $changed);
        $alone = Duct::document(['block' => ['power' => '4 W'], 'chip' => ['power' => '3 W']]);
        $base = (new SteadySolver(Models::read($duct)))->solve();
        $points = [...OperatingPoints::solve(json_encode($duct, JSON_THROW_ON_ERROR), $base, new SilentListener())];
        $own = (new SteadySolver(Models::read($alone)))->solve();

        self::assertNotNull($points[0]->solution, (string) $points[0]->refused);
        self::assertTrue($points[0]->solution->outcome->converged);
        self::assertEquals($base->state->grid->lines, $points[0]->solution->state->grid->lines);
        foreach ($own->onGrid()->values as $id => $value) {
            self::assertEqualsWithDelta($value, $points[0]->solution->onGrid()->values[$id], 0.05, $id);
        }
    }

    public function testOneThatCannotBeComputedSaysWhyAndTheOthersGoOn(): void
    {
        $points = self::solved(self::block([
            ['name' => 'Smaller', 'values' => ['wide' => '10 mm']],
            ['name' => 'No body', 'values' => ['wide' => '0 mm']],
            ['name' => 'Idle', 'values' => ['watts' => '1 W']],
        ]));

        self::assertNull($points[0]->solution);
        self::assertStringContainsString('"Smaller" change the shape or place of parts', (string) $points[0]->refused);
        self::assertStringContainsString('every size must be above 0', (string) $points[1]->refused);
        self::assertNotNull($points[2]->solution);
    }

    public function testPreflightTellsOfThemBefore(): void
    {
        $document = self::block([['name' => 'Smaller', 'values' => ['wide' => '10 mm']], ['name' => 'No body', 'values' => ['wide' => '0 mm']], ['name' => 'Idle', 'values' => ['watts' => '1 W']]]);
        $told = array_column(Preflight::of(Models::read($document), $document), 'message');

        self::assertContains('Operating point "Smaller" changes the shape or place of parts and will not be computed; make it a variant or a sweep.', $told);
        self::assertContains('Operating point "No body" cannot be computed: a size of 0 mm is given; every size must be above 0.', $told);
        self::assertSame([], array_filter($told, fn (string $message): bool => str_contains($message, 'Idle')));
    }

    public function testTheyEndWhenTheListenerAsksAndAreToldByName(): void
    {
        $listener = new class () extends SilentListener {
            /** @var list<?string> */
            public array $points = [];

            public bool $stops = false;

            public function report(Progress $progress): void
            {
                $this->points[] = $progress->point;
            }

            public function shouldStop(): bool
            {
                return $this->stops;
            }
        };
        $document = self::block([['name' => 'Idle', 'values' => ['watts' => '1 W']], ['name' => 'Full', 'values' => ['watts' => '9 W']]]);
        $base = (new SteadySolver(Models::read($document)))->solve();
        $found = [];
        foreach (OperatingPoints::solve(json_encode($document, JSON_THROW_ON_ERROR), $base, $listener) as $point) {
            $found[] = $point->point->name;
            $listener->stops = true;
        }

        self::assertSame(['Idle'], $found);
        self::assertContains('Idle', $listener->points);
    }

    /** @return iterable<string, array{mixed, string}> */
    public static function wrong(): iterable
    {
        yield 'no list' => [['name' => 'Idle'], 'a list [ ] of operating points is expected'];
        yield 'no values' => [[['name' => 'Idle']], 'an object { } of values by the names of parameters is expected'];
        yield 'unknown parameter' => [[['name' => 'Idle', 'values' => ['amps' => '1 A']]], '"amps" is given, but the model has no parameter of this name'];
        yield 'unknown part' => [[['name' => 'Idle', 'values' => ['parts/none/power' => '1 W']]], 'there is no part "none"'];
        yield 'other unit' => [[['name' => 'Idle', 'values' => ['watts' => '1 A']]], 'what stands in the model is'];
        yield 'no value' => [[['name' => 'Idle', 'values' => ['watts' => [1]]]], 'a value such as "15 A" is expected'];
        yield 'same name' => [[['name' => 'Idle', 'values' => ['watts' => '1 W']], ['name' => 'Idle', 'values' => ['watts' => '2 W']]], 'two operating points are called "Idle"'];
        yield 'unknown field' => [[['name' => 'Idle', 'values' => ['watts' => '1 W'], 'load' => 1]], 'unknown field "load"'];
    }

    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaid(mixed $points, string $message): void
    {
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage($message);
        Models::read(self::block($points));
    }

    public function testTheyAreNoPartOfACourseInTime(): void
    {
        $document = self::block([['name' => 'Idle', 'values' => ['watts' => '1 W']]]);
        $document['analysis']['time'] = ['kind' => 'transient', 'end' => '10 s'];
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage('operating points are steady states');
        Models::read($document);
    }

    /** @return Document */
    private static function block(mixed $points): array
    {
        $document = Models::block(['parameters' => ['watts' => '10 W', 'nominal' => '10 W', 'wide' => '20 mm'], 'operatingPoints' => $points]);
        $document['parts'][0] = ['id' => 'block', 'shape' => ['kind' => 'block', 'size' => ['wide', '20 mm', '20 mm']], 'material' => 'aluminium-6061', 'power' => 'watts'];

        return $document;
    }

    /**
     * @param Document $document
     * @return list<SolvedPoint>
     */
    private static function solved(array $document): array
    {
        $base = (new SteadySolver(Models::read($document)))->solve();

        return iterator_to_array(OperatingPoints::solve(json_encode($document, JSON_THROW_ON_ERROR), $base, new SilentListener()), false);
    }

    /** In degC. */
    private static function hottest(SolvedPoint $point): float
    {
        return ($point->solution?->onGrid()->values['l1'] ?? NAN) - 273.15;
    }
}
