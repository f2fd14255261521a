<?php

declare(strict_types=1);

namespace Foehn\Tests\Preflight;

use Foehn\Preflight\Finding;
use Foehn\Preflight\Preflight;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class PreflightTest extends TestCase
{
    public function testASoundModelHasNoFindings(): void
    {
        self::assertSame([], self::findings(Models::block()));
        self::assertSame([], self::findings(Models::demo()));
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $spoil */
    #[DataProvider('slips')]
    public function testFindsWhatIsMissing(callable $spoil, string $severity, string $stage, string $message): void
    {
        $found = array_map(fn (Finding $f) => "$f->severity, $f->stage: $f->message", self::findings($spoil(Models::block())));

        self::assertNotEmpty(preg_grep('/^' . preg_quote("$severity, $stage: ", '/') . '.*' . preg_quote($message, '/') . '/', $found), "found only:\n" . implode("\n", $found));
    }

    /** @return iterable<string, array{callable, string, string, string}> */
    public static function slips(): iterable
    {
        $air = ['physics' => ['flow' => 'auto', 'buoyancy' => true], 'space' => ['fluid' => 'air', 'box' => ['max' => ['60 mm', '60 mm', '60 mm']]]];
        $moving = fn (array $change) => fn (array $m): array => array_replace_recursive($m, $air, $change);
        $fan = ['id' => 'fan', 'name' => 'Fan', 'at' => ['40 mm', 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => ['20 mm', '20 mm'], 'curve' => [[0, 50], [0.001, 0]]]];
        yield 'no way out' => [fn (array $m) => array_replace($m, ['space' => ['box' => Nested::at($m, 'space', 'box'), 'fluid' => null]]), 'error', 'Load', 'no way out'];
        $housing = fn (array $change) => fn (array $m): array => array_replace_recursive($m, ['space' => ['sides' => ['z+' => ['heat' => ['coefficient' => '6 W/m^2/K']]]]], $change);
        // 10 W on 4 cm2 at 6 W/m2K: at a rise taken as 60 K radiation counts 6.7 W/m2K beside it.
        yield 'radiation left out' => [$housing([]), 'warning', 'Load', 'of a painted housing it would take about 5.3 of 10.0 W'];
        yield 'sun on what does not radiate' => [$housing(['surroundings' => ['sun' => ['direction' => [0, 0, 1], 'flux' => 900]]]), 'warning', 'Load', 'The sun shines, but radiation is not computed'];
        yield 'absorptivity without a sun' => [$housing(['physics' => ['radiation' => 'surroundings'], 'parts' => [['surface' => ['absorptivity' => 0.3]]]]), 'warning', 'Load', 'has an absorptivity of sunlight, but no sun shines'];
        yield 'sun at night' => [$housing(['physics' => ['radiation' => 'surroundings'], 'surroundings' => ['sun' => ['latitude' => '47 deg', 'date' => '2027-12-21', 'hour' => 2]]]), 'warning', 'Load', 'below the horizon'];
        yield 'radiation of nothing' => [$housing(['physics' => ['radiation' => 'surroundings'], 'parts' => [['material' => 'dull']], 'materials' => ['dull' => ['conductivity' => 100]]]), 'warning', 'Load', 'nothing radiates'];
        yield 'radiation without a finish' => [$housing(['physics' => ['radiation' => 'surroundings'], 'materials' => ['dull' => ['conductivity' => 100]],
            'parts' => [['surface' => ['emissivity' => 0.9]], ['id' => 'cap', 'name' => 'Cap', 'at' => [0, 0, '10 mm'], 'shape' => ['kind' => 'block', 'size' => ['20 mm', '20 mm', '10 mm']], 'material' => 'dull']]]), 'warning', 'Load', 'nothing is radiated by Cap'];
        yield 'no watts' => [fn (array $m) => array_replace_recursive($m, ['parts' => [['power' => 0]]]), 'warning', 'Load', 'no part has watts'];
        yield 'no material chosen' => [fn (array $m) => array_replace_recursive($m, ['parts' => [['material' => 'undecided']]]), 'warning', 'Build', '"Block" is still on the default material'];
        yield 'no limit' => [fn (array $m) => array_replace($m, ['limits' => []]), 'warning', 'Limit', 'no verdict'];
        yield 'limit below ambient' => [fn (array $m) => array_replace_recursive($m, ['limits' => [['atMost' => '15 degC']]]), 'warning', 'Limit', 'not above the ambient'];
        yield 'watts in a crumb' => [fn (array $m) => array_replace_recursive($m, ['parts' => [['power' => '200 W', 'shape' => ['size' => ['2 mm', '2 mm', '2 mm']]]]]), 'warning', 'Load', '200 W in 8 mm'];
        yield 'a board of 40 m' => [fn (array $m) => array_replace_recursive($m, ['space' => ['box' => ['max' => [40, 1, 1]]], 'parts' => [['shape' => ['size' => [40, 0.02, 0.02]]]]]), 'warning', 'Build', 'is a unit missing'];
        yield 'unused parameter' => [fn (array $m) => $m + ['parameters' => ['gap' => '2 mm']], 'warning', 'Build', '"gap" is not used'];
        yield 'no gravity' => [$moving(['surroundings' => ['gravity' => [0, 0, 0]]]), 'warning', 'Build', 'gravity is zero'];
        yield 'gravity sideways' => [$moving(['surroundings' => ['gravity' => [9.81, 0, 0]]]), 'warning', 'Build', 'sideways'];
        yield 'inlet without outlet' => [$moving(['space' => ['sides' => ['x-' => ['kind' => 'inlet', 'speed' => 1]]]]), 'error', 'Load', 'no outlet'];
        yield 'fan with one opening' => [$moving(['parts' => [1 => $fan], 'space' => ['sides' => ['x-' => ['kind' => 'open']]]]), 'warning', 'Load', 'one opening only'];
        yield 'fan in still air' => [fn (array $m) => array_replace_recursive($m, ['parts' => [1 => $fan], 'space' => ['fluid' => 'air', 'box' => ['max' => ['60 mm', '60 mm', '60 mm']]]]), 'warning', 'Load', 'no effect while the air is still'];
        yield 'two in one place' => [fn (array $m) => array_replace_recursive($m, ['parts' => [1 => [...Nested::list($m, 'parts', 0), 'id' => 'other', 'name' => 'Other', 'shape' => ['kind' => 'block', 'size' => ['5 mm', '5 mm', '5 mm']]]]]), 'warning', 'Build', '"Block" and "Other" overlap; "Other", later in the ledger'];
        yield 'fan against a wall' => [$moving(['parts' => [1 => [...$fan, 'at' => ['22 mm', 0, 0]]], 'space' => ['sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open']]]]), 'warning', 'Build', '"Fan" is 2 mm from "Block"'];
        yield 'watts twice' => [fn (array $m) => array_replace_recursive($m, ['parts' => [['source' => '1e6 W/m^3', 'faces' => ['x-' => ['heat' => ['kind' => 'flux', 'flux' => '100 W/m^2']]]]]]), 'warning', 'Load', '"Block" has watts and a source per volume and heat on a face; they add up'];
        yield 'a face on a side' => [fn (array $m): array => array_replace_recursive($m, ['parts' => [['faces' => ['z-' => ['heat' => ['kind' => 'film', 'coefficient' => '5 W/m^2/K']]]]],
            'space' => ['sides' => ['z-' => ['heat' => ['kind' => 'temperature', 'temperature' => '20 degC']]]]]), 'warning', 'Load', 'lies on a side of the space; its own film counts there'];
        yield 'no room above' => [function (array $m) {
            $m['physics'] = ['flow' => 'auto', 'buoyancy' => true];
            $m['space'] = ['fluid' => 'air', 'box' => ['min' => [0, 0, 0], 'max' => ['60 mm', '60 mm', '22 mm']], 'sides' => ['z+' => ['kind' => 'open']]];

            return $m;
        }, 'warning', 'Build', '2 mm above the product'];
    }

    public function testSaysWhatCouldBeDoneAndToWhat(): void
    {
        $document = array_replace_recursive(Models::block(), ['parameters' => ['gap' => '2 mm'], 'physics' => ['flow' => 'auto', 'buoyancy' => true], 'surroundings' => ['gravity' => [0, 0, 0]],
            'space' => ['fluid' => 'air', 'box' => ['max' => ['60 mm', '60 mm', '60 mm']], 'sides' => ['y+' => ['kind' => 'inlet', 'speed' => 1]]]]);
        $mends = array_column(array_map(fn (Finding $finding) => $finding->toArray(), self::findings($document)), 'subject', 'mend');

        self::assertSame('y-', $mends['outlet']);
        self::assertSame('gap', $mends['no parameter']);
        self::assertArrayHasKey('gravity', $mends);
        self::assertSame([], array_diff(array_filter(array_keys($mends)), Finding::MENDS));
    }

    /**
     * @param array<mixed> $document
     * @return list<Finding>
     */
    private static function findings(array $document): array
    {
        return Preflight::of(Models::read($document), $document);
    }
}
