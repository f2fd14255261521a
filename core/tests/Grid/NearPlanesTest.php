<?php

declare(strict_types=1);

namespace Foehn\Tests\Grid;

use Foehn\Codec\ModelCodec;
use Foehn\Grid\Grid;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\GridRules;
use Foehn\Grid\NearPlanes;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** Blocks along x in a space of 100 mm, and which of their ends become one when 2 mm count as near. */
final class NearPlanesTest extends TestCase
{
    /** @return iterable<string, array{list<array{float, float, float}>, list<float>}> from, to and the lower end along y of each block of 10 mm, mm, and the planes that stay */
    public static function blocks(): iterable
    {
        yield 'ends of two blocks beside each other' => [[[10, 40, 0], [11, 41.5, 20]], [0, 10, 40, 100]];
        yield 'a chain is no longer than what is near' => [[[10, 40, 0], [11.5, 50, 20], [13, 60, 40]], [0, 10, 13, 40, 50, 60, 100]];
        yield 'a gap between two that face each other' => [[[10, 40, 0], [41, 60, 0]], [0, 10, 40, 41, 60, 100]];
        yield 'the same gap where they pass each other' => [[[10, 40, 0], [41, 60, 10]], [0, 10, 40, 60, 100]];
        yield 'two that touch stay in touch' => [[[10, 40, 0], [40, 60, 0], [39, 70, 20]], [0, 10, 39, 60, 70, 100]];
        yield 'a thin block' => [[[10, 11, 0], [40, 60, 20]], [0, 10, 11, 40, 60, 100]];
        yield 'the end of a thin block and of another' => [[[10, 11, 0], [11.6, 60, 20]], [0, 10, 11, 11.6, 60, 100]];
        yield 'the end of the space' => [[[1, 40, 0], [50, 99, 20]], [0, 40, 50, 100]];
    }

    /**
     * @param list<array{float, float, float}> $blocks
     * @param list<float> $planes
     */
    #[DataProvider('blocks')]
    public function testWhatIsNearIsOneWhereNothingLiesBetween(array $blocks, array $planes): void
    {
        $model = self::model(array_map(fn (array $block): array => ['material' => 'copper', 'shape' => ['kind' => 'block', 'size' => [($block[1] - $block[0]) . ' mm', '10 mm', '10 mm']], 'at' => ["$block[0] mm", "$block[2] mm", '5 mm']], $blocks));
        $all = (new GridRules($model, 1.0))->planes(0);

        self::assertEqualsWithDelta($planes, array_map(fn (float $x): float => 1e3 * $x, NearPlanes::merged($model, 0, $all, 0.002)), 1e-6);
        self::assertSame($all, NearPlanes::merged($model, 0, $all, 0.0));
    }

    public function testAFanStaysWhereItIs(): void
    {
        $model = self::model([
            ['material' => 'copper', 'shape' => ['kind' => 'block', 'size' => ['30 mm', '10 mm', '10 mm']], 'at' => ['10 mm', 0, '5 mm']],
            ['shape' => ['kind' => 'fan', 'direction' => 'x+', 'diameter' => '10 mm', 'curve' => [['0 l/s', '10 Pa'], ['1 l/s', '0 Pa']]], 'at' => ['41 mm', '20 mm', '5 mm']],
        ]);

        self::assertEqualsWithDelta([0, 0.01, 0.041, 0.1], NearPlanes::merged($model, 0, (new GridRules($model, 1.0))->planes(0), 0.002), 1e-9);
    }

    public function testOnTheGridOfADemoNoPartIsLostAndNoneTouchesWhatItDidNot(): void
    {
        $model = ModelCodec::fromJson((string) file_get_contents(__DIR__ . '/../../../examples/ridge-radar-fan.json'))->withGrade('scout');
        $grid = GridBuilder::build($model);
        $planes = fn (float $near): array => [(new GridRules($model, 0.5, $near))->planes(0), (new GridRules($model, 0.5, $near))->planes(1), (new GridRules($model, 0.5, $near))->planes(2)];
        self::assertLessThan(count($planes(0.0)[0]), count($planes(0.01)[0]));
        $exact = Voxels::of($model, new Grid($planes(0.0)));
        $merged = Voxels::of($model, $grid);

        foreach ($exact->cellsOfPart as $part => $cells) {
            self::assertSame($cells > 0, $merged->cellsOfPart[$part] > 0, $model->parts[$part]->name);
        }
        self::assertEqualsCanonicalizing(self::touching($exact), self::touching($merged));
    }

    /** @return list<string> pairs of parts that share a face */
    private static function touching(Voxels $voxels): array
    {
        $pairs = [];
        foreach ($voxels->owner as $cell => $part) {
            foreach ([1, 3, 5] as $direction) {
                $other = $voxels->owner[$voxels->grid->neighbour($cell, $direction) ?? $cell];
                if ($other !== $part && $other >= 0 && $part >= 0) {
                    $pairs[min($part, $other) . ' ' . max($part, $other)] = true;
                }
            }
        }

        return array_keys($pairs);
    }

    /** @param list<array<string, mixed>> $parts */
    private static function model(array $parts): Model
    {
        $document = Models::block(['space' => ['box' => ['min' => [0, 0, 0], 'max' => ['100 mm', '60 mm', '20 mm']], 'fluid' => 'air'], 'physics' => ['flow' => 'laminar'], 'limits' => []]);
        $document['parts'] = array_map(fn (array $part, int $n): array => ['id' => "b$n", ...$part], $parts, array_keys($parts));

        return Models::read($document);
    }
}
