<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Physics\PhysicsException;
use Foehn\Preflight\Preflight;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Currents in parts of metal, and the heat they make.
 *
 * @phpstan-import-type Document from Models
 */
final class CurrentTest extends TestCase
{
    public function testPartsInSeriesShareTheHeatByTheirResistances(): void
    {
        $result = self::solve(self::bars());
        // 100 A through 1.7e-8 ohm m: 50 mm of 20 mm2 before 50 mm of 10 mm2.
        $first = 1e4 * 1.7e-8 * 0.05 / 20e-6;
        self::assertEqualsWithDelta([$first, 2.0 * $first], [$result->current(0)['heat'], $result->current(1)['heat']], 0.07 * $first, 'and where it narrows a little more');
        self::assertEqualsWithDelta(1e7, $result->current(1)['density'], 2e6);
        self::assertNull($result->parts[2]['current'], 'what nothing leads to carries no current');
        $terminals = $result->electric()['terminals'];
        self::assertEqualsWithDelta([100.0, -100.0], array_column($terminals, 'current'), 1e-6);
        self::assertEqualsWithDelta(100.0 * $terminals[0]['voltage'], $result->electric()['power'], 1e-9);
        self::assertEqualsWithDelta($result->electric()['power'], $result->balance['in'], 1e-9);
        self::assertLessThan(1e-6, $result->balance['error']);
    }

    public function testLimitsSeeDensityCurrentAndVoltage(): void
    {
        $limit = fn (string $quantity, array $of, string $atMost): array => ['id' => $quantity, 'name' => $quantity, 'of' => $of, 'quantity' => $quantity, 'atMost' => $atMost];
        $bar = self::bars();
        $result = self::solve(['limits' => [
            $limit('currentDensity', ['part' => 'wide'], '4 A/mm^2'), $limit('current', ['part' => 'wide', 'face' => 'x-'], '120 A'), $limit('voltage', ['part' => 'wide', 'face' => 'x-'], '20 mV'),
        ]] + $bar);
        [$density, $current, $voltage] = $result->limits;
        self::assertEqualsWithDelta($result->current(0)['density'], $density['value'], 1e-6);
        self::assertSame('missed', $density['verdict']);
        self::assertEqualsWithDelta(100.0, $current['value'], 1e-6);
        self::assertSame('met', $current['verdict']);
        self::assertEqualsWithDelta($result->electric()['terminals'][0]['voltage'], $voltage['value'], 1e-12);
    }

    public function testALimitAtTheMeltingPointTakesItFromTheMaterial(): void
    {
        $limit = fn (string $material): float => ModelCodec::fromDocument(Nested::list(['limits' => [['id' => 'l', 'of' => ['part' => 'wide'], 'atMost' => 'melting']],
            'materials' => ['m' => ['conductivity' => 400, 'resistivity' => 1.7e-8, 'melting' => '660 degC']]] + array_replace_recursive(self::bars(), ['parts' => [['material' => $material]]])))->limits[0]->atMost ?? NAN;
        self::assertEqualsWithDelta(933.15, $limit('m'), 1e-9);
        self::assertSame(1358.0, $limit('copper'));
    }

    /** A plate is fed through all of an end, or through two rectangles that make it up: no difference. Through one of them the current spreads, and the grid has its edge. */
    public function testCurrentEntersThroughRectanglesOfAFace(): void
    {
        $plate = fn (array $terminals): Solved => self::solve([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => ['electric' => true],
            'materials' => ['m' => ['conductivity' => 400, 'resistivity' => 1.7e-8]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.05, 0.01]], 'fluid' => null],
            'parts' => [['id' => 'plate', 'shape' => ['kind' => 'block', 'size' => [0.08, 0.04, 0.002]], 'at' => [0.01, 0.005, 0.004], 'material' => 'm', 'faces' => [
                'x-' => ['electric' => $terminals, 'heat' => ['kind' => 'temperature', 'temperature' => 300]], 'x+' => ['electric' => ['kind' => 'ground']]]]],
            'analysis' => ['grid' => ['grade' => 'scout']],
        ]);
        $volt = ['kind' => 'voltage', 'voltage' => 0.001];
        $whole = $plate($volt)->electric();
        $both = $plate([$volt + ['min' => [0, 0], 'max' => ['13 mm', '2 mm']], $volt + ['min' => ['13 mm', 0], 'max' => ['40 mm', '2 mm']]])->electric();
        $one = $plate([$volt + ['min' => [0, 0], 'max' => ['13 mm', '2 mm']]]);
        $resistance = 1.7e-8 * 0.08 / (0.04 * 0.002);
        self::assertEqualsWithDelta(0.001 / $resistance, $whole['terminals'][0]['current'], 1e-6 * 0.001 / $resistance);
        self::assertEqualsWithDelta($whole['terminals'][0]['current'], $both['terminals'][0]['current'] + $both['terminals'][1]['current'], 1e-6 * 0.001 / $resistance);
        self::assertGreaterThan(1.1 * $resistance, 0.001 / $one->electric()['terminals'][0]['current']);
        self::assertLessThan(2.0 * $resistance, 0.001 / $one->electric()['terminals'][0]['current']);
        self::assertContains(0.018, array_map(fn (float $line): float => round($line, 9), $one->grid['lines'][1]), 'the edge at 5 mm + 13 mm');
    }

    /** A round wire of four cells has their section, 4/pi times its own, and yet its own resistance, heat and rise I^2 R L / 2kA. */
    public function testAWireOfFewCellsHasItsOwnSection(): void
    {
        [$length, $section] = [0.1, M_PI * 0.001 ** 2];
        $resistance = 1.7e-8 * $length / $section;
        $result = self::solve([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => ['electric' => true],
            'materials' => ['m' => ['conductivity' => ['table' => [[300, 400], [301, 400]]], 'resistivity' => 1.7e-8]],
            'space' => ['box' => ['min' => [0, -0.001, -0.001], 'max' => [$length, 0.001, 0.001]], 'fluid' => null],
            'parts' => [['id' => 'wire', 'shape' => ['kind' => 'path', 'points' => [[0, 0, 0], [$length, 0, 0]], 'diameter' => 0.002], 'material' => 'm', 'faces' => [
                'start' => ['electric' => ['kind' => 'current', 'current' => 20], 'heat' => ['kind' => 'temperature', 'temperature' => 300]], 'end' => ['electric' => ['kind' => 'ground']]]]],
            'analysis' => ['grid' => ['cells' => [50, 2, 2]]],
        ]);

        self::assertEqualsWithDelta(20 * $resistance, $result->electric()['terminals'][0]['voltage'], 1e-8);
        self::assertEqualsWithDelta(20 / $section, $result->current(0)['density'], 10.0);
        self::assertEqualsWithDelta(300 + 400 * $resistance * $length / 2 / (400 * $section), $result->parts[0]['temperature']['max'], 0.01);
    }

    public function testMovingAirCarriesAwayWhatACurrentHeats(): void
    {
        $model = self::bars();
        $model['physics']['flow'] = 'laminar';
        $model['space'] = ['box' => ['min' => [0, '-15 mm', '-15 mm'], 'max' => ['100 mm', '30 mm', '25 mm']], 'fluid' => 'air', 'sides' => ['y-' => ['kind' => 'inlet', 'speed' => '0.2 m/s'], 'y+' => ['kind' => 'outlet']]];
        unset($model['parts'][0]['faces']['bare']);
        $model['analysis'] = ['grid' => ['cells' => [20, 18, 16]]];
        $constant = self::solve($model)->electric()['power'];
        $model['materials']['m']['resistivity'] = ['value' => '1.7e-8 ohm*m', 'at' => '20 degC', 'coefficient' => '0.004/K'];
        $result = self::solve($model);
        $power = $result->electric()['power'];
        self::assertEqualsWithDelta($power, $result->balance['out'], 1e-3 * $power);
        // Warm copper resists more; both bars lie between the temperatures of the coldest and hottest place.
        $least = min($result->parts[0]['temperature']['min'], $result->parts[1]['temperature']['min']) - 293.15;
        $greatest = max($result->parts[0]['temperature']['max'], $result->parts[1]['temperature']['max']) - 293.15;
        self::assertGreaterThan((1.0 + 0.004 * $least) * $constant, $power);
        self::assertLessThan((1.0 + 0.004 * $greatest) * $constant, $power);
        self::assertGreaterThan(1.0, $least);
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $spoil */
    #[DataProvider('mistakes')]
    public function testSaysWhatIsMissing(callable $spoil, string $message): void
    {
        try {
            self::solve($spoil(self::bars()));
            self::fail('was computed');
        } catch (ModelException|PhysicsException $e) {
            self::assertStringContainsString($message, $e->getMessage());
        }
    }

    /** @return iterable<string, array{callable, string}> */
    public static function mistakes(): iterable
    {
        yield 'no way back' => [fn (array $m): array => Nested::without($m, 'parts', 1, 'faces', 'x+'), 'the current at face x- of "Wide" has no way back'];
        yield 'a gap' => [fn (array $m) => array_replace_recursive($m, ['parts' => [1 => ['at' => ['54 mm', 0, 0], 'shape' => ['size' => ['46 mm']]]]]), 'has no way back'];
        yield 'no terminal' => [fn (array $m): array => Nested::without(Nested::without($m, 'parts', 0, 'faces', 'x-'), 'parts', 1, 'faces'), 'no face of a part has a current'];
        yield 'an insulator' => [fn (array $m) => array_replace_recursive($m, ['parts' => [['material' => 'alumina']]]), 'the material has no resistivity'];
        $limit = fn (string $quantity, array $of, string $atMost): callable => fn (array $m): array => ['limits' => [['id' => 'l', 'of' => $of, 'quantity' => $quantity, 'atMost' => $atMost]]] + $m;
        yield 'a density of a face' => [$limit('currentDensity', ['part' => 'wide', 'face' => 'x-'], '5 A/mm^2'), '"currentDensity" is watched in a part as a whole'];
        yield 'a current where none is' => [$limit('current', ['part' => 'wide', 'face' => 'y-'], '5 A'), 'no current enters or leaves at face y- of "Wide"; it does at x-'];
        yield 'a density in amperes' => [$limit('currentDensity', ['part' => 'wide'], '5 A'), 'a current density (e.g.'];
        yield 'watts for amperes' => [fn (array $m) => array_replace_recursive($m, ['parts' => [['faces' => ['x-' => ['electric' => ['current' => '5 W']]]]]]), 'a current (e.g.'];
        $face = fn (array $electric): callable => fn (array $m) => array_replace_recursive($m, ['parts' => [1 => ['faces' => ['x+' => ['electric' => $electric]]]]]);
        yield 'a contact in metres' => [$face(['kind' => 'contact', 'resistance' => '1e-9 ohm*m']), 'an electrical resistance times area (e.g.'];
        yield 'a load without its voltage' => [$face(['kind' => 'power', 'power' => '5 W']), 'voltage'];
        yield 'a resistor of nothing' => [$face(['kind' => 'resistance', 'resistance' => '0 ohm']), 'resistance'];
        yield 'a load and no source' => [fn (array $m): array => $face(['kind' => 'power', 'power' => '5 W', 'voltage' => '5 V'])(Nested::without($m, 'parts', 0, 'faces', 'x-')), 'has no way back'];
        $melts = fn (array $of, string $material): callable => fn (array $m): array => ['limits' => [['id' => 'l', 'of' => $of, 'atMost' => 'melting']]] + array_replace_recursive($m, ['parts' => [['material' => $material]]]);
        yield 'melting of what has no such temperature' => [$melts(['part' => 'wide'], 'm'), 'has no melting temperature; give the material one'];
        yield 'melting of a side' => [$melts(['side' => 'x-'], 'copper'), '"melting" bounds the temperature of a part'];
        yield 'currents without heat' => [fn (array $m) => array_replace_recursive($m, ['physics' => ['heat' => false, 'flow' => 'laminar']]), 'currents are computed together with the heat'];
    }

    public function testPreflightAsksForWhatCurrentNeeds(): void
    {
        $messages = function (callable $change): string {
            $document = Nested::list($change(self::bars()));

            return implode("\n", array_map(fn ($finding) => "$finding->severity: $finding->message", Preflight::of(ModelCodec::fromDocument($document), $document)));
        };
        self::assertStringNotContainsStringIgnoringCase('current', $messages(fn (array $m) => $m));
        self::assertStringNotContainsString('Nothing heats', $messages(fn (array $m) => $m));
        self::assertStringContainsString('warning: Currents are given, but they are not computed', $messages(fn (array $m) => array_replace($m, ['physics' => []])));
        self::assertStringContainsString('error: Current has no way back', $messages(fn (array $m): array => Nested::without($m, 'parts', 1, 'faces')));
        self::assertStringContainsString('error: Currents are to be computed, but no part has one', $messages(fn (array $m): array => Nested::without(Nested::without($m, 'parts', 0, 'faces', 'x-'), 'parts', 1, 'faces')));
    }

    /** @param array<string, mixed> $document */
    private static function solve(array $document): Solved
    {
        return new Solved($document);
    }

    /** @return Document a wide and a narrow bar in series, and a piece that touches neither */
    private static function bars(): array
    {
        $block = fn (string $id, string $name, array $size, array $at, array $faces): array => ['id' => $id, 'name' => $name, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => 'm', 'faces' => $faces];

        /** @var Document */
        return [
            'format' => 'foehn-model', 'version' => 1, 'physics' => ['electric' => true], 'surroundings' => ['temperature' => '20 degC'],
            'materials' => ['m' => ['conductivity' => 390, 'resistivity' => '1.7e-8 ohm*m']],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['100 mm', '10 mm', '4 mm']], 'fluid' => null],
            'parts' => [
                $block('wide', 'Wide', ['50 mm', '10 mm', '2 mm'], [0, 0, 0], ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => '50 W/m^2/K']], 'x-' => ['electric' => ['kind' => 'current', 'current' => '100 A']]]),
                $block('narrow', 'Narrow', ['50 mm', '5 mm', '2 mm'], ['50 mm', 0, 0], ['x+' => ['electric' => ['kind' => 'ground']]]),
                $block('apart', 'Apart', ['10 mm', '10 mm', '1 mm'], [0, 0, '3 mm'], ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => '50 W/m^2/K']]]),
            ],
            'analysis' => ['grid' => ['cells' => [50, 10, 4]]],
        ];
    }
}
