<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use Foehn\Codec\ModelOutline;
use Foehn\Model\ModelException;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A part that stands several times: one entry of the document, as many parts of the computation.
 *
 * @phpstan-import-type Document from Models
 */
final class RepeatTest extends TestCase
{
    public function testCopiesStandInAFieldWithEverythingOnThem(): void
    {
        $model = Models::read(self::field());

        self::assertSame(['chip', 'chip#2', 'chip#3', 'chip#4', 'chip#5', 'chip#6'], array_column($model->parts, 'id'));
        self::assertSame('Chip 4', $model->parts[3]->name);
        self::assertEqualsWithDelta([0.0, 0.01, 0.0], $model->parts[3]->shape->bounds()->min, 1e-12);
        self::assertEqualsWithDelta([0.016, 0.01, 0.0], $model->parts[5]->shape->bounds()->min, 1e-12);
        self::assertSame(12.0, array_sum(array_column($model->parts, 'power')));
        self::assertSame(['l', 'l#2', 'l#3', 'l#4', 'l#5', 'l#6'], array_column($model->limits, 'id'));
        self::assertSame('chip#5', $model->limits[4]->of->part);
        self::assertSame([null, 'chip'], array_column(array_slice(Nested::list(ModelOutline::of($model), 'parts'), 0, 2), 'copyOf'));
    }

    /** Repeated chips are computed exactly as chips written one by one. */
    public function testCopiesAreComputedAsIfWrittenOneByOne(): void
    {
        $written = $repeated = self::field();
        $written['parts'] = [];
        foreach ([0, 1, 2, 3, 4, 5] as $n) {
            $chip = $repeated['parts'][0];
            unset($chip['repeat']);
            $written['parts'][] = [...$chip, 'id' => "c$n", 'at' => [8e-3 * ($n % 3), 10e-3 * intdiv($n, 3), 0]];
        }
        $written['limits'] = [];
        [$one, $other] = [new Solved($repeated), new Solved($written)];

        self::assertSame(array_column($other->parts, 'temperature'), array_column($one->parts, 'temperature'));
        self::assertSame(6, $one->verdict['limits']);
    }

    /** @param array<string, mixed> $change of the part */
    #[DataProvider('refused')]
    public function testRefusesWhatCannotBe(array $change, string $pointer, string $says): void
    {
        $document = self::field();
        $document['parts'][0] = [...$document['parts'][0], ...$change];
        $document['limits'] = [];
        try {
            Models::read($document);
            self::fail('accepted');
        } catch (ModelException $e) {
            self::assertSame([$pointer, 1], [$e->problems[0]->pointer, count($e->problems)]);
            self::assertStringContainsString($says, $e->problems[0]->message);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        yield 'no step' => [['repeat' => [['count' => 2, 'step' => [0, 0, 0]]]], '/parts/0/repeat/0/step', 'all stand in one place'];
        yield 'a million' => [['repeat' => [['count' => 1000, 'step' => ['1 mm', 0, 0]], ['count' => 1000, 'step' => [0, '1 mm', 0]]]], '/parts/0/repeat/1/count', '1000000 copies'];
        yield 'the sign of a copy in an id' => [['id' => 'chip#2', 'repeat' => []], '/parts/0/id', 'leave it out'];
        yield 'a mistake in the part, said once' => [['power' => '2 mm'], '/parts/0/power', 'a length'];
        yield 'a copy outside' => [['repeat' => [['count' => 2, 'step' => ['90 mm', 0, 0]]]], '/parts/0', 'outside the space'];
    }

    /** @return Document */
    private static function field(): array
    {
        return Models::block([
            'parts' => [['id' => 'chip', 'name' => 'Chip', 'shape' => ['kind' => 'block', 'size' => ['4 mm', '4 mm', '20 mm']], 'material' => 'silicon', 'power' => '2 W', 'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 20]]],
                'repeat' => [['count' => 3, 'step' => ['8 mm', 0, 0]], ['count' => 2, 'step' => [0, '10 mm', 0]]]]],
            'limits' => [['id' => 'l', 'of' => ['part' => 'chip'], 'atMost' => '90 degC']],
            'analysis' => ['grid' => ['grade' => 'scout']],
        ]);
    }
}
