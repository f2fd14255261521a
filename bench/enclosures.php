<?php

declare(strict_types=1);

// Ten and two different enclosures, on which the thresholds of the flow solver were set: steps, outcome, balances. With "apart" six others, different in kind, which nothing was set on. With "times" one box on grids from 10 000 to 250 000 cells. The yardstick of a row is the product of a 7-point matrix in the same process,
// before and after it: at 32 ns per cell, as on a quiet machine of two cores, the row would have taken the seconds under "quiet s". "us/step" is the time of the finest grid per cell and step.

require __DIR__ . '/../vendor/autoload.php';
require __DIR__ . '/product.php';

use Foehn\Codec\ModelCodec;
use Foehn\Physics\PhysicsException;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;

const ROW = "%-26s %8s %6s %8s %8s %8s %-11s %9s %9s %9s\n";

/**
 * Enclosures for the benchmark of the flow.
 *
 * @phpstan-import-type Document from Models
 */
final class BenchEnclosures
{
    /**
     * A box of length 1 (times $scale m) with a board, two hot blocks and what is added.
     *
     * @param array<string, mixed> $change
     * @param list<int> $cells
     * @param array{float, float} $powers W
     * @return Document
     */
    public static function enclosure(array $change = [], float $scale = 0.2, array $cells = [40, 30, 16], array $powers = [6, 3]): array
    {
        $m = fn (float ...$x) => array_map(fn (float $v) => $scale * $v, $x);
        $walls = array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 10, 'temperature' => 300]]);

        /** @var Document */
        return array_replace_recursive([
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Enclosure',
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, -9.81]],
            'physics' => ['heat' => true, 'flow' => 'auto', 'buoyancy' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => $m(1, 0.75, 0.4)], 'fluid' => 'air', 'sides' => $walls],
            'parts' => [
                ['id' => 'board', 'name' => 'Board', 'shape' => ['kind' => 'block', 'size' => $m(0.8, 0.55, 0.025)], 'at' => $m(0.1, 0.1, 0.1), 'material' => 'glass-epoxy'],
                ['id' => 'hot', 'name' => 'Hot block', 'shape' => ['kind' => 'block', 'size' => $m(0.15, 0.15, 0.05)], 'at' => $m(0.3, 0.3, 0.125), 'material' => 'aluminium-6063', 'power' => $powers[0]],
                ['id' => 'warm', 'name' => 'Warm block', 'shape' => ['kind' => 'block', 'size' => $m(0.1, 0.1, 0.1)], 'at' => $m(0.65, 0.2, 0.125), 'material' => 'alumina', 'power' => $powers[1]],
            ],
            'analysis' => ['grid' => ['cells' => $cells]],
        ], $change);
    }

    /** @return array<string, mixed> */
    private static function opening(float $scale, string $kind, float $low, float $high): array
    {
        return ['min' => [$scale * $low, $scale * 0.1], 'max' => [$scale * $high, $scale * 0.3], 'kind' => $kind];
    }

    /** @return array{id: string, shape: array<string, mixed>, ...<string, mixed>} */
    private static function fan(string $id, string $direction, float $scale, float $x, float $y): array
    {
        return ['id' => $id, 'name' => "Fan $id", 'at' => [$scale * $x, $scale * $y, $scale * 0.1], 'shape' => [
            'kind' => 'fan', 'direction' => $direction, 'size' => [$scale * 0.2, $scale * 0.2], 'curve' => [[0, 50], [0.002, 30], [0.004, 0]]]];
    }

    /**
     * With a fan and two openings.
     *
     * @param array<string, mixed> $change
     * @param list<int> $cells
     * @param array{float, float} $powers W
     * @return Document
     */
    public static function ventilated(array $change = [], float $scale = 0.2, array $cells = [40, 30, 16], array $powers = [6, 3]): array
    {
        $document = self::enclosure([], $scale, $cells, $powers);
        $document['space']['sides']['x-']['patches'] = [self::opening($scale, 'open', 0.275, 0.475)];
        $document['space']['sides']['x+']['patches'] = [self::opening($scale, 'open', 0.2, 0.6)];
        $document['parts'][] = self::fan('inlet', 'x+', $scale, 0.05, 0.275);

        /** @var Document */
        return array_replace_recursive($document, $change);
    }

    /** @return iterable<string, array<mixed>> */
    public static function enclosures(): iterable
    {
        yield 'sealed' => self::enclosure();
        $against = self::ventilated();
        $against['parts'][] = self::fan('other', 'x-', 0.2, 0.95, 0.275);
        yield 'two fans, face to face' => $against;
        $blocked = self::ventilated();
        unset($blocked['space']['sides']['x+']['patches']);
        yield 'fan, outlet blocked' => $blocked;
        yield 'gravity tilted' => self::enclosure(['surroundings' => ['gravity' => [3.0, -4.0, -8.4]]]);
        $fins = self::ventilated([], 0.2, [60, 60, 20]);
        $fins['parts'][] = ['id' => 'fins', 'name' => 'Fins', 'at' => [0.058, 0.05, 0.035], 'material' => 'aluminium-6063', 'shape' => [
            'kind' => 'plateFins', 'size' => ['36 mm', '41.1 mm'], 'base' => '2 mm', 'height' => '20 mm', 'count' => 18, 'thickness' => '0.3 mm', 'along' => 'x']];
        $fins['analysis']['grid'] = ['grade' => 'scout'];
        yield '0.3 mm fins' => $fins;
        $chip = self::ventilated();
        $chip['parts'][] = ['id' => 'die', 'name' => 'Die, 500 W/cm3', 'at' => [0.07, 0.07, 0.035], 'material' => 'silicon', 'power' => 10, 'shape' => ['kind' => 'block', 'size' => ['5 mm', '4 mm', '1 mm']]];
        $chip['analysis']['grid'] = ['grade' => 'scout'];
        yield 'die of 500 W/cm3' => $chip;
        yield 'very small, 20 mm' => self::enclosure([], 0.02, [40, 30, 16], [0.05, 0.03]);
        yield 'very large, 2 m' => self::enclosure([], 2.0, [40, 30, 16], [300, 150]);
        yield 'water' => self::ventilated(['space' => ['fluid' => 'water'], 'parts' => [1 => ['power' => 200]]]);
        yield 'gravity off, fan' => self::ventilated(['surroundings' => ['gravity' => [0, 0, 0]]]);
        yield 'cells 5 to 1' => self::ventilated([], 0.2, [20, 75, 16]);
        yield 'cells 50 to 1' => self::enclosure(['analysis' => ['grid' => ['cells' => [20, 15, 150]]]], 0.2);
    }

    /**
     * Kept apart: different in kind from the others, and looked at only after the thresholds were set.
     *
     * @return iterable<string, array<mixed>>
     */
    public static function apart(): iterable
    {
        $walls = array_fill_keys(['x-', 'x+', 'y-', 'y+'], ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 8, 'temperature' => 300]]);
        $base = ['format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => ['flow' => 'auto'], 'limits' => []];
        $block = fn (string $id, array $size, array $at, string $material, float $power): array => ['id' => $id, 'name' => $id, 'shape' => ['kind' => 'block', 'size' => $size], 'at' => $at, 'material' => $material, 'power' => $power];

        // A chimney: nothing but warm air moves air through it.
        yield 'chimney, open both ends' => [...$base, 'name' => 'Chimney',
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.08, 0.06, 0.4]], 'fluid' => 'air', 'sides' => [...$walls, 'z-' => ['kind' => 'open'], 'z+' => ['kind' => 'open']]],
            'parts' => [$block('plate', [0.05, 0.004, 0.15], [0.015, 0.028, 0.08], 'aluminium-6063', 12)],
            'analysis' => ['grid' => ['cells' => [16, 30, 40]]]];

        // A bluff body in a stream that is given, with its wake.
        yield 'cylinder in a stream' => [...$base, 'name' => 'Cylinder',
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.1, 0.02]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => 1.5], 'x+' => ['kind' => 'outlet'],
                'y-' => ['kind' => 'symmetry'], 'y+' => ['kind' => 'symmetry'], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]],
            'parts' => [['id' => 'rod', 'name' => 'Rod', 'shape' => ['kind' => 'cylinder', 'axis' => 'z', 'radius' => 0.01, 'length' => 0.02], 'at' => [0.06, 0.05, 0], 'material' => 'copper', 'power' => 4]],
            'analysis' => ['grid' => ['cells' => [90, 60, 4]]]];

        // A rack of boards that share what a fan moves.
        $boards = [];
        foreach (range(0, 4) as $n) {
            $boards[] = $block("board$n", [0.12, 0.002, 0.08], [0.05, 0.01 + 0.02 * $n, 0.005], 'glass-epoxy', 2);
            $boards[] = $block("chip$n", [0.02, 0.004, 0.02], [0.09, 0.012 + 0.02 * $n, 0.035], 'silicon', 3 + $n);
        }
        yield 'rack of five boards, fan' => [...$base, 'name' => 'Rack',
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.22, 0.11, 0.09]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open'], ...array_fill_keys(['y-', 'y+', 'z-', 'z+'], ['kind' => 'wall'])]],
            'parts' => [...$boards, ['id' => 'fan', 'name' => 'Fan', 'at' => [0.2, 0.015, 0.005], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'diameter' => 0.08, 'hub' => 0.4, 'curve' => [[0, 45], [0.008, 25], [0.014, 0]]]]],
            'analysis' => ['grid' => ['cells' => [32, 44, 18]]]];

        // A liquid a thousand times as viscous as water, warm from below.
        yield 'oil over a warm plate' => [...$base, 'name' => 'Oil',
            'materials' => ['oil' => ['fluid' => true, 'density' => 870, 'viscosity' => ['table' => [[280, 1.5], [300, 0.5], [320, 0.2], [360, 0.05]]], 'conductivity' => 0.14, 'specificHeat' => 1900, 'expansion' => 7e-4]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.08, 0.06]], 'fluid' => 'oil', 'sides' => [...array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-'], ['kind' => 'wall']), 'z+' => ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 200, 'temperature' => 300]]]],
            'parts' => [$block('heater', [0.05, 0.04, 0.005], [0.025, 0.02, 0], 'copper', 25)],
            'analysis' => ['grid' => ['cells' => [28, 24, 24]]]];

        // Two given streams that meet, a screen before the way out, and a wall in between.
        yield 'two streams that meet' => [...$base, 'name' => 'Streams',
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.2, 0.12, 0.06]], 'fluid' => 'air', 'sides' => [
                'x-' => ['kind' => 'wall', 'patches' => [['min' => [0.01, 0.01], 'max' => [0.05, 0.05], 'kind' => 'inlet', 'volumeFlow' => 0.002, 'temperature' => 320]]],
                'y-' => ['kind' => 'wall', 'patches' => [['min' => [0.05, 0.01], 'max' => [0.08, 0.05], 'kind' => 'inlet', 'volumeFlow' => 0.003]]],
                'x+' => ['kind' => 'outlet'], 'y+' => ['kind' => 'wall'], 'z-' => ['kind' => 'wall'], 'z+' => ['kind' => 'wall']]],
            'parts' => [$block('wall', [0.004, 0.08, 0.06], [0.1, 0, 0], 'steel-carbon', 0), $block('load', [0.03, 0.03, 0.01], [0.13, 0.03, 0], 'aluminium-6063', 8),
                ['id' => 'screen', 'name' => 'Screen', 'at' => [0.185, 0, 0], 'shape' => ['kind' => 'screen', 'normal' => 'x', 'size' => [0.12, 0.06], 'freeArea' => 0.4]]],
            'analysis' => ['grid' => ['cells' => [40, 30, 15]]]];

        // Thin air at 5000 m: a weak fan and buoyancy of the same strength against each other.
        yield 'fan against buoyancy, 5000 m' => [...$base, 'name' => 'Thin air', 'surroundings' => ['temperature' => 290, 'altitude' => 5000],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.12, 0.1, 0.25]], 'fluid' => 'air', 'sides' => [...$walls, 'z-' => ['kind' => 'open'], 'z+' => ['kind' => 'open']]],
            'parts' => [$block('hot', [0.06, 0.05, 0.02], [0.03, 0.025, 0.1], 'aluminium-6063', 30),
                ['id' => 'fan', 'name' => 'Fan', 'at' => [0.03, 0.02, 0.2], 'shape' => ['kind' => 'fan', 'direction' => 'z-', 'size' => [0.06, 0.06], 'curve' => [[0, 0.6], [0.002, 0.3], [0.004, 0]]]]],
            'analysis' => ['grid' => ['cells' => [24, 20, 40]]]];
    }
}

/** @param array<mixed> $document */
function row(string $name, array $document): void
{
    try {
        $before = product();
        $solution = (new SteadySolver(ModelCodec::fromDocument($document)))->solve();
        $result = ResultBuilder::build($solution, '');
        $seconds = array_sum(array_column($result['levels'], 'seconds'));
        printf(ROW, $name, $result['grid']['cells'], $solution->outcome->iterations, sprintf('%.1f', $seconds), sprintf('%.1f', $seconds * quiet($before)), sprintf('%.1f', 1e6 * $solution->outcome->seconds / $solution->outcome->iterations / $result['grid']['cells']), $solution->outcome->converged ? 'steady' : 'not steady',
            sprintf('%.1e', $result['flow']['balance']['error'] ?? NAN), sprintf('%.1e', $result['balance']['error']), sprintf('%.1f', max([0.0, ...array_map(fn ($p) => $p['temperature']['max'] ?? 0.0, $result['parts'])]) - 300.0));
    } catch (PhysicsException $e) {
        printf("%-26s %s\n", $name, $e->getMessage());
    }
}

ini_set('memory_limit', '-1');
printf(ROW, 'enclosure', 'cells', 'steps', 's', 'quiet s', 'us/step', 'outcome', 'mass', 'heat', 'rise K');
if (($argv[1] ?? '') === 'times') {
    foreach ([[28, 21, 16], [44, 33, 21], [66, 50, 31], [88, 66, 43]] as $cells) {
        $still = BenchEnclosures::enclosure([], 0.2, $cells);
        row('sealed', $still);
        row('ventilated', BenchEnclosures::ventilated([], 0.2, $cells));
    }
} else {
    foreach (($argv[1] ?? '') === 'apart' ? BenchEnclosures::apart() : BenchEnclosures::enclosures() as $name => $document) {
        if (in_array($argv[1] ?? 'apart', ['apart'], true) || str_contains($name, $argv[1])) {
            row($name, $document);
        }
    }
}
