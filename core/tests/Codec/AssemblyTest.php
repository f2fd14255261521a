<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use Foehn\Geometry\Rotation;
use Foehn\Model\ModelException;
use Foehn\Shapes\Fan;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Parts of one group in axes of their own.
 *
 * @phpstan-import-type Document from Models
 */
final class AssemblyTest extends TestCase
{
    private const BARE = ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 12, 'temperature' => '20 degC']]];

    /**
     * Without gravity nothing in a module depends on how it stands.
     *
     * @param list<int|string> $turn
     */
    #[DataProvider('quarterTurns')]
    public function testAModuleIsAsWarmHoweverItStands(array $turn): void
    {
        [$flat, $stood] = array_map(self::temperatures(...), [self::module([0, 0, 0]), self::module($turn)]);

        self::assertGreaterThan(310.0, $flat['package junction']);
        self::assertEqualsWithDelta($flat, $stood, 1e-5);
    }

    /** @return iterable<string, array{list<int|string>}> */
    public static function quarterTurns(): iterable
    {
        yield 'about x' => [['90 deg', 0, 0]];
        yield 'about y' => [[0, '-90 deg', 0]];
        yield 'about z' => [[0, 0, '90 deg']];
        yield 'about x and z' => [['180 deg', 0, '270 deg']];
    }

    public function testCopiesOfAnAssemblyHoldTheCopiesInIt(): void
    {
        $document = self::module([0, 0, '90 deg']);
        $document['parts'][2]['repeat'] = [['count' => 3, 'step' => ['4 mm', 0, 0]]];
        $document['assemblies']['Module']['repeat'] = [['count' => 2, 'step' => [0, 0, '20 mm']]];
        $model = Models::read($document);
        $blocks = array_values(array_filter($model->parts, fn ($part) => $part->origin() === 'block'));

        self::assertSame(['block', 'block#2', 'block#3', 'block#4', 'block#5', 'block#6'], array_column($blocks, 'id'));
        [$first, $second, , $fourth] = array_map(fn ($part) => $part->shape->bounds()->min, $blocks);
        self::assertEqualsWithDelta([0.0, 0.004, 0.0], array_map(fn ($a, $b) => $b - $a, $first, $second), 1e-12, 'steps of parts turn with the assembly');
        self::assertEqualsWithDelta([0.0, 0.0, 0.02], array_map(fn ($a, $b) => $b - $a, $first, $fourth), 1e-12, 'steps of the assembly are along the axes of the space');
        self::assertCount(6, array_filter($model->limits, fn ($limit) => str_starts_with((string) $limit->of->part, 'block')));
    }

    public function testAFanBlowsWhereItsAssemblyTurnsIt(): void
    {
        $document = self::module([0, 0, '90 deg']);
        $document['parts'] = [['id' => 'fan', 'group' => 'Module', 'at' => ['2 mm', '4 mm', '6 mm'], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => ['10 mm', '14 mm'], 'curve' => [['0 l/s', '20 Pa'], ['1 l/s', '0 Pa']]]]];
        $document['limits'] = $document['watches'] = [];
        $fan = Models::read($document)->parts[0]->shape;

        self::assertInstanceOf(Fan::class, $fan);
        self::assertSame([1, 1], [$fan->axis, $fan->direction]);
        self::assertEqualsWithDelta([0.030 - 0.014, 0.032, 0.036], $fan->bounds()->min, 1e-12);
        self::assertEqualsWithDelta([0.010, 0.0, 0.014], array_map($fan->bounds()->size(...), [0, 1, 2]), 1e-12);
    }

    public function testAnglesOfARotationGiveItAgain(): void
    {
        foreach ([[0.3, -0.7, 2.0], [1.0, M_PI / 2, 0.4], [-2.0, -M_PI / 2, 1.0], [M_PI, 0.0, M_PI / 2]] as $angles) {
            $rotation = Rotation::about($angles);

            self::assertEqualsWithDelta($rotation->rows, Rotation::about($rotation->angles())->rows, 1e-9);
        }
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $spoil */
    #[DataProvider('mistakes')]
    public function testNamesWhatCannotBe(callable $spoil, string $pointer, string $says): void
    {
        try {
            Models::read($spoil(self::module([0, 0, 0])));
            self::fail('accepted');
        } catch (ModelException $e) {
            $found = array_filter($e->problems, fn ($p) => $p->pointer === $pointer && str_contains($p->message, $says));
            self::assertNotSame([], $found, $e->getMessage());
        }
    }

    /** @return iterable<string, array{callable, string, string}> */
    public static function mistakes(): iterable
    {
        $with = fn (array $fields) => fn (array $document): array => Nested::with($document, [...Nested::list($document, 'assemblies', 'Module'), ...$fields], 'assemblies', 'Module');
        yield 'a package askew' => [$with(['turn' => [0, 0, '30 deg']]), '/parts/1/turn', 'a package cannot be turned'];
        yield 'degrees without a unit' => [$with(['turn' => [0, 0, 90]]), '/assemblies/Module/turn/2', '90 deg'];
        yield 'an unknown field' => [$with(['angle' => 3]), '/assemblies/Module/angle', 'unknown field'];
        yield 'out of the space' => [$with(['at' => ['70 mm', 0, 0]]), '/parts/0', 'outside the space'];
        yield 'copies in one place' => [$with(['repeat' => [['count' => 2, 'step' => [0, 0, 0]]]]), '/assemblies/Module/repeat/0/step', 'all stand in one place'];
    }

    /**
     * @param list<int|string> $turn
     * @return Document
     */
    private static function module(array $turn): array
    {
        $part = fn (string $id, array $at, array $shape, array $more) => ['id' => $id, 'group' => 'Module', 'at' => $at, 'shape' => $shape, ...$more];

        return Models::block([
            'surroundings' => ['temperature' => '20 degC', 'gravity' => [0, 0, 0]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['60 mm', '60 mm', '60 mm']], 'fluid' => null],
            'assemblies' => ['Module' => ['at' => ['30 mm', '30 mm', '30 mm'], 'turn' => $turn]],
            'parts' => [
                $part('board', ['-12 mm', '-8 mm', 0], ['kind' => 'board', 'size' => ['24 mm', '16 mm'], 'layers' => [['thickness' => '70 um', 'copper' => 0.6], ['thickness' => '1.4 mm', 'copper' => 0], ['thickness' => '35 um', 'copper' => 0.9]]],
                    ['faces' => ['z-' => ['heat' => ['kind' => 'film', 'coefficient' => 200, 'temperature' => '20 degC']], ...self::BARE]]),
                $part('package', ['-10 mm', '-4 mm', '1.505 mm'], ['kind' => 'package', 'size' => ['6 mm', '8 mm', '2 mm'], 'junctionToCase' => '4 K/W', 'junctionToBoard' => '9 K/W'], ['power' => '0.8 W', 'faces' => self::BARE]),
                $part('block', [0, '-2 mm', '1.505 mm'], ['kind' => 'block', 'size' => ['3 mm', '5 mm', '4 mm']], ['material' => 'aluminium-6061', 'power' => '0.5 W', 'faces' => self::BARE, 'turn' => [0, 0, '90 deg']]),
                $part('can', ['5 mm', '-7 mm', '1.505 mm'], ['kind' => 'shell', 'size' => ['4 mm', '12 mm', '3 mm'], 'wall' => '0.5 mm'], ['material' => 'aluminium-6061', 'power' => '0.2 W', 'faces' => self::BARE]),
            ],
            'watches' => [['id' => 'below', 'of' => ['part' => 'board', 'face' => 'z-'], 'quantity' => 'heat']],
            'limits' => [['id' => 'l', 'of' => ['part' => 'block'], 'atMost' => '90 degC']],
            'analysis' => ['grid' => ['grade' => 'scout']],
        ]);
    }

    /**
     * @param array<string, mixed> $document
     * @return array<string, float> K, and W
     */
    private static function temperatures(array $document): array
    {
        $temperatures = [];
        $result = new Solved($document);
        foreach ($result->parts as $part) {
            $temperatures["$part[id] max"] = $part['temperature']['max'];
            foreach ($part['nodes'] ?? [] as $node => $kelvin) {
                $temperatures["$part[id] $node"] = $kelvin;
            }
        }

        return [...$temperatures, 'W below the board' => $result->watches[0]['value'] ?? NAN];
    }
}
