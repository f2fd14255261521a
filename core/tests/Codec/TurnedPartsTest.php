<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Turned parts, profiles, paths and vias as the model document states them, and what they conduct.
 */
final class TurnedPartsTest extends TestCase
{
    /** A bar between 350 K and 300 K that stands askew conducts as the straight one does. */
    public function testATurnedBarConductsLikeAStraightOne(): void
    {
        $heat = fn (string $angle): float => self::heatThrough([
            'kind' => 'block', 'size' => ['60 mm', '10 mm', '4 mm'],
        ], ['20 mm', '45 mm', 0], ['turn' => [0, 0, $angle]]);

        $exact = 209.0 * 0.01 * 0.004 / 0.06 * 50.0;
        self::assertEqualsWithDelta($exact, $heat('0 deg'), 0.01 * $exact);
        self::assertEqualsWithDelta($exact, $heat('90 deg'), 0.01 * $exact);
        self::assertEqualsWithDelta($exact, $heat('30 deg'), 0.12 * $exact);
    }

    /** A strip of 13 + 8 squares and a corner of 0.56 (sharp; Hall, Thin Solid Films 1 (1968) 277), rounded a little more, between 350 K and 300 K. */
    public function testABentStripConductsFromItsStartToItsEnd(): void
    {
        $heat = self::heatThrough(
            ['kind' => 'path', 'points' => [[0, 0, 0], ['54 mm', 0, 0], ['54 mm', '34 mm', 0]], 'width' => '4 mm', 'thickness' => '1 mm'], ['20 mm', '30 mm', '5 mm'], [], 'start', 'end',
        );

        $exact = 209.0 * 0.001 * 50.0 / (13 + 8 + 0.58);
        self::assertEqualsWithDelta($exact, $heat, 0.01 * $exact);
    }

    /** A film over a plate askew takes what the plate's own area lets it, not the area of the steps. */
    public function testAFilmCountsTheAreaOfTheFaceAndNotOfItsSteps(): void
    {
        $document = self::document();
        $document['parts'] = [['id' => 'plate', 'at' => ['20 mm', '30 mm', '5 mm'], 'turn' => [0, 0, '45 deg'], 'power' => 2, 'material' => 'metal',
            'shape' => ['kind' => 'block', 'size' => ['50 mm', '40 mm', '5 mm']], 'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 5, 'temperature' => 300]]]]];
        $result = new Solved($document);

        $area = 2 * (0.05 * 0.04 + 0.05 * 0.005 + 0.04 * 0.005);
        self::assertEqualsWithDelta(2.0 / (5.0 * $area), $result->parts[0]['temperature']['mean'] - 300.0, 0.02 * 2.0 / (5.0 * $area));
    }

    public function testAProfileConductsByItsSection(): void
    {
        $points = [[0, 0], ['20 mm', 0], ['20 mm', '4 mm'], ['4 mm', '4 mm'], ['4 mm', '20 mm'], [0, '20 mm']];
        $heat = self::heatThrough(['kind' => 'profile', 'axis' => 'x', 'points' => $points, 'length' => '60 mm'], ['20 mm', '40 mm', '2 mm'], [], 'start', 'end');

        self::assertEqualsWithDelta(209.0 * 144e-6 / 0.06 * 50.0, $heat, 0.01 * $heat);
    }

    public function testViasConductThroughABoard(): void
    {
        $document = self::document();
        $document['parts'] = [
            ['id' => 'board', 'at' => [0, 0, 0], 'shape' => ['kind' => 'board', 'size' => ['100 mm', '100 mm'], 'layers' => [['thickness' => '1.6 mm']]]],
            ['id' => 'vias', 'at' => ['40 mm', '40 mm', 0], 'shape' => ['kind' => 'vias', 'board' => 'board', 'size' => ['10 mm', '10 mm'], 'thickness' => '1.6 mm', 'drill' => '0.3 mm', 'plating' => '25 um', 'count' => 100]],
        ];
        $vias = ModelCodec::fromDocument($document)->materials->get('vias:vias');
        // 100 barrels of 21.6e-9 m2 in 1e-4 m2 carry the heat of copper (386 to 400 W/m/K).
        self::assertEqualsWithDelta(8.8, $vias?->conductivity[2]->at(300.0), 0.3);
        self::assertEqualsWithDelta(0.3, $vias?->conductivity[0]->at(300.0), 0.1);
    }

    /**
     * @param array<string, mixed> $change
     */
    #[DataProvider('refused')]
    public function testRefusesWhatCannotBe(array $change, string $pointer, string $says): void
    {
        $document = self::document();
        $document['parts'] = [['id' => 'p', 'at' => ['10 mm', '10 mm', 0], 'material' => 'aluminium-6063', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '10 mm', '4 mm']], ...$change]];
        try {
            ModelCodec::fromDocument($document);
            self::fail('accepted');
        } catch (ModelException $e) {
            $problem = $e->problems[0];
            self::assertSame($pointer, $problem->pointer);
            self::assertStringContainsString($says, $problem->message);
        }
    }

    /** @return iterable<string, array{array<string, mixed>, string, string}> */
    public static function refused(): iterable
    {
        yield 'degrees without a unit' => [['turn' => [0, 0, 30]], '/parts/0/turn/2', 'write degrees as "30 deg"'];
        yield 'a turned shell' => [['turn' => [0, 0, 1], 'shape' => ['kind' => 'shell', 'size' => ['20 mm', '10 mm', '8 mm'], 'wall' => '1 mm']], '/parts/0/turn', 'turn what is in the box'];
        yield 'a sheet of graphite askew' => [['turn' => [0, '30 deg', 0], 'material' => 'graphite-sheet'], '/parts/0/turn', 'would not after this turn'];
        yield 'two corners' => [['shape' => ['kind' => 'profile', 'points' => [[0, 0], [1, 1]], 'length' => '1 mm']], '/parts/0/shape/points', 'at least three corners, 2 are given'];
        yield 'corners on a line' => [['shape' => ['kind' => 'profile', 'points' => [[0, 0], ['1 mm', '1 mm'], ['2 mm', '2 mm']], 'length' => '1 mm']], '/parts/0/shape/points', 'enclose no area'];
        yield 'a strip out of its plane' => [['shape' => ['kind' => 'path', 'points' => [[0, 0, 0], [0, 0, '9 mm']], 'width' => '1 mm', 'thickness' => '1 mm']], '/parts/0/shape/points', 'must have the same z'];
        yield 'a wire that stands still' => [['shape' => ['kind' => 'path', 'points' => [[0, 0, 0], ['1 mm', 0, 0], ['1 mm', 0, 0]], 'diameter' => '1 mm']], '/parts/0/shape/points', 'points 2 and 3 are the same'];
        yield 'vias in nothing' => [['material' => null, 'shape' => ['kind' => 'vias', 'board' => 'b', 'size' => ['5 mm', '5 mm'], 'thickness' => '1 mm', 'drill' => '0.3 mm', 'count' => 4]], '/parts/0/shape/board', '"b" is no board'];
    }

    /**
     * @param array<string, mixed> $shape
     * @param list<string|int> $at
     * @param array<string, mixed> $more
     */
    private static function heatThrough(array $shape, array $at, array $more, string $hot = 'x-', string $cold = 'x+'): float
    {
        $document = self::document();
        $document['parts'] = [['id' => 'bar', 'at' => $at, 'shape' => $shape, 'material' => 'metal', ...$more, 'faces' => [
            $hot => ['heat' => ['kind' => 'temperature', 'temperature' => 350]], $cold => ['heat' => ['kind' => 'temperature', 'temperature' => 300]]]]];
        $result = new Solved($document);

        return $result->parts[0]['faces'][$cold]['heat'];
    }

    /** @return array<string, mixed> */
    private static function document(): array
    {
        return [
            'format' => 'foehn-model', 'version' => 1,
            'materials' => ['metal' => ['conductivity' => 209, 'density' => 2700, 'specificHeat' => 900]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['100 mm', '100 mm', '30 mm']], 'fluid' => null],
            'analysis' => ['grid' => ['grade' => 'working']],
        ];
    }
}
