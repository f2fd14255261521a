<?php

declare(strict_types=1);

// Ten and two different enclosures, none tuned: steps, outcome, balances. With "times" instead: one box on grids from 10 000 to 250 000 cells. The yardstick of a row is the product of a 7-point matrix in the same process,
// before and after it: at 32 ns per cell, as on a quiet machine of two cores, the row would have taken the seconds under "quiet s". "us/step" is the time of the finest grid per cell and step.

require __DIR__ . '/../vendor/autoload.php';

use Foehn\Codec\ModelCodec;
use Foehn\Numerics\Stencil;
use Foehn\Physics\PhysicsException;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\SteadySolver;

const ROW = "%-26s %8s %6s %8s %8s %8s %-11s %9s %9s %9s\n";

/** ns per cell of a product with a 7-point matrix on a quiet machine. */
const QUIET = 32.0;

/** A box of length 1 (times $scale m) with a board, two hot blocks and what is added. */
function enclosure(array $change = [], float $scale = 0.2, array $cells = [40, 30, 16], array $powers = [6, 3]): array
{
    $m = fn (float ...$x) => array_map(fn (float $v) => $scale * $v, $x);
    $walls = array_fill_keys(['x-', 'x+', 'y-', 'y+', 'z-', 'z+'], ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 10, 'temperature' => 300]]);

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

function opening(float $scale, string $kind, float $low, float $high): array
{
    return ['min' => [$scale * $low, $scale * 0.1], 'max' => [$scale * $high, $scale * 0.3], 'kind' => $kind];
}

function fan(string $id, string $direction, float $scale, float $x, float $y): array
{
    return ['id' => $id, 'name' => "Fan $id", 'at' => [$scale * $x, $scale * $y, $scale * 0.1], 'shape' => [
        'kind' => 'fan', 'direction' => $direction, 'size' => [$scale * 0.2, $scale * 0.2], 'curve' => [[0, 50], [0.002, 30], [0.004, 0]]]];
}

function ventilated(array $change = [], float $scale = 0.2, array $cells = [40, 30, 16], array $powers = [6, 3]): array
{
    $document = enclosure([], $scale, $cells, $powers);
    $document['space']['sides']['x-']['patches'] = [opening($scale, 'open', 0.275, 0.475)];
    $document['space']['sides']['x+']['patches'] = [opening($scale, 'open', 0.2, 0.6)];
    $document['parts'][] = fan('inlet', 'x+', $scale, 0.05, 0.275);

    return array_replace_recursive($document, $change);
}

/** @return iterable<string, array<string, mixed>> */
function enclosures(): iterable
{
    yield 'sealed' => enclosure();
    $against = ventilated();
    $against['parts'][] = fan('other', 'x-', 0.2, 0.95, 0.275);
    yield 'two fans, face to face' => $against;
    $blocked = ventilated();
    unset($blocked['space']['sides']['x+']['patches']);
    yield 'fan, outlet blocked' => $blocked;
    yield 'gravity tilted' => enclosure(['surroundings' => ['gravity' => [3.0, -4.0, -8.4]]]);
    $fins = ventilated([], 0.2, [60, 60, 20]);
    $fins['parts'][] = ['id' => 'fins', 'name' => 'Fins', 'at' => [0.058, 0.05, 0.035], 'material' => 'aluminium-6063', 'shape' => [
        'kind' => 'plateFins', 'size' => ['36 mm', '41.1 mm'], 'base' => '2 mm', 'height' => '20 mm', 'count' => 18, 'thickness' => '0.3 mm', 'along' => 'x']];
    $fins['analysis']['grid'] = ['grade' => 'scout'];
    yield '0.3 mm fins' => $fins;
    $chip = ventilated();
    $chip['parts'][] = ['id' => 'die', 'name' => 'Die, 500 W/cm3', 'at' => [0.07, 0.07, 0.035], 'material' => 'silicon', 'power' => 10, 'shape' => ['kind' => 'block', 'size' => ['5 mm', '4 mm', '1 mm']]];
    $chip['analysis']['grid'] = ['grade' => 'scout'];
    yield 'die of 500 W/cm3' => $chip;
    yield 'very small, 20 mm' => enclosure([], 0.02, [40, 30, 16], [0.05, 0.03]);
    yield 'very large, 2 m' => enclosure([], 2.0, [40, 30, 16], [300, 150]);
    yield 'water' => ventilated(['space' => ['fluid' => 'water'], 'parts' => [1 => ['power' => 200]]]);
    yield 'gravity off, fan' => ventilated(['surroundings' => ['gravity' => [0, 0, 0]]]);
    yield 'cells 5 to 1' => ventilated([], 0.2, [20, 75, 16]);
    yield 'cells 50 to 1' => enclosure(['analysis' => ['grid' => ['cells' => [20, 15, 150]]]], 0.2);
}

/** ns per cell that a product with a 7-point matrix takes now. */
function product(): float
{
    static $stencil = null, $x = [];
    if ($stencil === null) {
        $cells = [60, 60, 60];
        $ones = array_map(fn (float $zero) => 1.0, $x = Stencil::zeros($cells));
        $stencil = new Stencil($cells, [$ones, $ones, $ones], $x);
        product();
    }
    $start = hrtime(true);
    for ($n = 0; $n < 20; $n++) {
        $stencil->times($x);
    }

    return (hrtime(true) - $start) / 20 / $stencil->size();
}

/** @param array<string, mixed> $document */
function row(string $name, array $document): void
{
    try {
        $before = product();
        $solution = (new SteadySolver(ModelCodec::fromDocument($document)))->solve();
        $result = ResultBuilder::build($solution, '');
        $seconds = array_sum(array_column($result['levels'], 'seconds'));
        printf(ROW, $name, $result['grid']['cells'], $solution->outcome->iterations, sprintf('%.1f', $seconds), sprintf('%.1f', $seconds * QUIET / (0.5 * ($before + product()))), sprintf('%.1f', 1e6 * $solution->outcome->seconds / $solution->outcome->iterations / $result['grid']['cells']), $solution->outcome->converged ? 'steady' : 'not steady',
            sprintf('%.1e', $result['flow']['balance']['error']), sprintf('%.1e', $result['balance']['error']), sprintf('%.1f', max(array_map(fn ($p) => $p['temperature']['max'] ?? 0.0, $result['parts'])) - 300.0));
    } catch (PhysicsException $e) {
        printf("%-26s %s\n", $name, $e->getMessage());
    }
}

ini_set('memory_limit', '-1');
printf(ROW, 'enclosure', 'cells', 'steps', 's', 'quiet s', 'us/step', 'outcome', 'mass', 'heat', 'rise K');
if (($argv[1] ?? '') === 'times') {
    foreach ([[28, 21, 16], [44, 33, 21], [66, 50, 31], [88, 66, 43]] as $cells) {
        $still = enclosure([], 0.2, $cells);
        row('sealed', $still);
        row('ventilated', ventilated([], 0.2, $cells));
    }
} else {
    foreach (enclosures() as $name => $document) {
        if (! isset($argv[1]) || str_contains($name, $argv[1])) {
            row($name, $document);
        }
    }
}
