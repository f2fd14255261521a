<?php

declare(strict_types=1);

namespace Foehn\Tests\Codec;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class ModelCodecTest extends TestCase
{
    public function testEvaluatesParametersUnitsAndMaterials(): void
    {
        $model = Models::read(Models::demo());

        self::assertCount(15, $model->parts);
        self::assertEqualsWithDelta(318.15, $model->surroundings->temperature, 1e-9);
        self::assertEqualsWithDelta(0.025, $model->parts[14]->shape->bounds()->size(2), 1e-12, 'base 3 mm and parameter fin_height 22 mm');
        self::assertEqualsWithDelta(28.0, array_sum(array_map(fn ($p) => $p->power, $model->parts)), 1e-12);
    }

    public function testLayersWithoutADensityMakeABoardWithoutASpecificHeat(): void
    {
        $document = Models::block(['materials' => ['core' => ['conductivity' => 0.3]]]);
        $document['parts'][0] = ['id' => 'block', 'shape' => ['kind' => 'board', 'size' => ['20 mm', '20 mm'], 'layers' => [['thickness' => '1 mm', 'material' => 'core']]]];
        $board = Models::read($document)->materials->get('laminate:block');

        self::assertNotNull($board);
        self::assertNull($board->specificHeat);
        self::assertEqualsWithDelta(0.3, $board->conductivity[2]->at(300.0), 1e-12);
    }

    /** @param callable(array<string, mixed>): array<string, mixed> $spoil */
    #[DataProvider('mistakes')]
    public function testSaysWhereAndWhat(callable $spoil, string $pointer, string $message): void
    {
        try {
            Models::read($spoil(Models::block()));
            self::fail('was accepted');
        } catch (ModelException $e) {
            $found = array_filter($e->problems, fn ($p) => $p->pointer === $pointer && str_contains($p->message, $message));
            self::assertNotEmpty($found, $e->getMessage());
        }
    }

    /** @return iterable<string, array{callable, string, string}> */
    public static function mistakes(): iterable
    {
        $part = fn (array $fields) => fn (array $m): array => array_replace_recursive($m, ['parts' => [$fields]]);
        yield 'unknown field' => [$part(['powr' => '3 W']), '/parts/0/powr', 'unknown field "powr"; known here'];
        yield 'wrong dimension' => [$part(['shape' => ['size' => ['12 W', '20 mm', '20 mm']]]), '/parts/0/shape/size/0', '"12 W" is a heat flow (e.g. "12 W"), but here a length'];
        yield 'zero thickness' => [$part(['shape' => ['size' => [0, '20 mm', '20 mm']]]), '/parts/0/shape/size/0', 'must be above 0'];
        yield 'outside the space' => [$part(['at' => ['5 mm', 0, 0]]), '/parts/0', 'reaches outside the space: along x it goes from 5 mm to 25 mm'];
        yield 'unknown material' => [$part(['material' => 'aluminium-606']), '/parts/0/material', 'unknown material "aluminium-606"; did you mean aluminium'];
        yield 'turned by degrees without a unit' => [$part(['turn' => [0, 0, 30]]), '/parts/0/turn/2', 'write degrees'];
        yield 'emissivity of nothing' => [$part(['surface' => ['emissivity' => 0]]), '/parts/0/surface/emissivity', '0 is given; an emissivity is above 0 and at most 1'];
        yield 'emissivity above black' => [$part(['faces' => ['z+' => ['surface' => ['emissivity' => 1.2]]]]), '/parts/0/faces/z+/surface/emissivity', '1.2 is given'];
        yield 'finish and emissivity' => [$part(['surface' => ['finish' => 'solder-mask', 'emissivity' => 0.5]]), '/parts/0/surface/emissivity', 'the finish "solder-mask" has an emissivity of 0.9'];
        yield 'unknown finish' => [$part(['surface' => ['finish' => 'anodized-black']]), '/parts/0/surface/finish', 'did you mean anodised-black'];
        yield 'radiant temperature below absolute zero' => [fn (array $m) => array_replace_recursive($m, ['surroundings' => ['radiantTemperature' => '-300 degC']]), '/surroundings/radiantTemperature', 'absolute zero'];
        yield 'sun without a flux' => [fn (array $m) => array_replace_recursive($m, ['surroundings' => ['sun' => ['direction' => [0, 0, 1]]]]), '/surroundings/sun/flux', 'the flux of the sun is missing'];
        yield 'sun twice' => [fn (array $m) => array_replace_recursive($m, ['surroundings' => ['sun' => ['direction' => [0, 0, 1], 'flux' => 900, 'hour' => 12]]]), '/surroundings/sun/hour', '"direction" and "hour" are given'];
        yield 'no such day' => [fn (array $m) => array_replace_recursive($m, ['surroundings' => ['sun' => ['latitude' => '47 deg', 'date' => '2027-02-30', 'hour' => 12]]]), '/surroundings/sun/date', '"2027-02-30" is no date'];
        yield 'glass brighter than none' => [fn (array $m) => array_replace_recursive($m, ['space' => ['sides' => ['x-' => ['transmittance' => 1.5]]]]), '/space/sides/x-/transmittance', 'between 0 and 1'];
        yield 'unknown face' => [$part(['faces' => ['top' => []]]), '/parts/0/faces/top', 'unknown field "top"; known here: x-'];
        yield 'negative film' => [$part(['faces' => ['z+' => ['heat' => ['kind' => 'film', 'coefficient' => -3]]]]), '/parts/0/faces/z+/heat/coefficient', 'must be at least 0'];
        yield 'formula cycle' => [fn (array $m) => $m + ['parameters' => ['a' => 'b', 'b' => 'a']], '/parameters/a', 'in a circle'];
        yield 'parameter like a unit' => [fn (array $m) => $m + ['parameters' => ['mm' => 3]], '/parameters/mm', 'is a unit'];
        yield 'flow' => [fn (array $m) => $m + ['physics' => ['flow' => 'auto']], '/space/fluid', 'the space has no fluid'];
        yield 'no such fluid' => [fn (array $m) => array_replace_recursive($m, ['space' => ['fluid' => 'airr']]), '/space/fluid', '"airr" is not a fluid of the library or of this model; did you mean air'];
        yield 'a solid as fluid' => [fn (array $m) => array_replace_recursive($m, ['space' => ['fluid' => 'copper']]), '/space/fluid', '"copper" is not a fluid'];
        yield 'inlet' => [fn (array $m) => array_replace_recursive($m, ['space' => ['sides' => ['x-' => ['kind' => 'inlet']]]]), '/space/sides/x-/kind', 'needs moving fluid'];
        yield 'empty space' => [fn (array $m) => array_replace_recursive($m, ['space' => ['box' => ['max' => [0, 1, 1]]]]), '/space/box/max', 'no extent along x'];
        yield 'limit on nothing' => [fn (array $m) => array_replace($m, ['limits' => [['id' => 'l', 'of' => ['part' => 'chip'], 'atMost' => '90 degC']]]), '/limits/0/of/part', 'no part with the id "chip"'];
        yield 'a junction without a time constant' => [fn (array $m) => array_replace_recursive($m, ['parts' => [['junction' => ['network' => [['0.5 K/W', '0 s']]]]]]), '/parts/0/junction/network/0', 'a time constant more than 0'];
        yield 'a speed below 0' => [fn (array $m) => array_replace($m, ['parts' => [...Nested::list($m, 'parts'), ['id' => 'f', 'at' => [0, 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.01, 0.01], 'curve' => [[0, 1], [1, 0]], 'speedFactor' => ['curve' => [[300, 1], [350, -1]], 'sensor' => ['part' => 'block']]]]]]), '/parts/1/shape/speedFactor/curve', 'a share of full speed is 0 or more'];
        yield 'junction of a block' => [fn (array $m) => array_replace($m, ['limits' => [['id' => 'l', 'of' => ['part' => 'block', 'node' => 'junction'], 'atMost' => '90 degC']]]), '/limits/0/of/node', 'only a package, or a part with a network for its junction, has a junction'];
        yield 'altitude beyond the standard atmosphere' => [fn (array $m) => array_replace_recursive($m, ['surroundings' => ['altitude' => '50 km']]), '/surroundings/altitude', 'holds here from -2000 m to 11000 m'];
        yield 'lines that end early' => [fn (array $m) => array_replace($m, ['analysis' => ['grid' => ['lines' => ['x' => [0, '5 mm', '10 mm']]]]]), '/analysis/grid/lines/x', 'go from 0 mm to 10 mm, the space from 0 mm to 20 mm'];
        yield 'id twice' => [fn (array $m) => array_replace($m, ['parts' => [Nested::at($m, 'parts', 0), Nested::at($m, 'parts', 0)]]), '/parts/1/id', 'used twice'];
        yield 'too many parts' => [fn (array $m) => array_replace($m, ['parts' => array_fill(0, 10_000, Nested::at($m, 'parts', 0))]), '/parts', '10000 parts are given; at most 4000'];
        yield 'parts as object' => [fn (array $m) => array_replace($m, ['parts' => ['a' => 1]]), '/parts', 'a list [ ] of parts'];
        yield 'wrong format' => [fn (array $m) => array_replace($m, ['format' => 'text']), '/format', '"foehn-model"'];
        yield 'fins that do not fit' => [fn (array $m) => array_replace($m, ['parts' => [['id' => 'f', 'material' => 'copper', 'shape' => ['kind' => 'plateFins', 'size' => ['10 mm', '10 mm'], 'base' => '2 mm', 'height' => '5 mm', 'count' => 20, 'thickness' => '1 mm']]]]), '/parts/0/shape/count', '20 fins of 1 mm do not fit into 10 mm'];
        yield 'package with material' => [fn (array $m) => array_replace($m, ['parts' => [['id' => 'p', 'material' => 'copper', 'shape' => ['kind' => 'package', 'size' => ['10 mm', '10 mm', '2 mm'], 'junctionToCase' => 1, 'junctionToBoard' => 2]]]]), '/parts/0/material', 'has no material'];
        yield 'wall too thick' => [$part(['shape' => ['kind' => 'shell', 'wall' => '10 mm']]), '/parts/0/shape/wall', 'leave no room'];
    }

    #[DataProvider('notDocuments')]
    public function testRefusesWhatIsNoDocument(string $text): void
    {
        $this->expectException(ModelException::class);
        ModelCodec::fromJson($text);
    }

    /** @return iterable<array{string}> */
    public static function notDocuments(): iterable
    {
        yield [''];
        yield ['{"format": "foehn-model",'];
        yield ['<html></html>'];
        yield ['[1, 2]'];
        yield ['7'];
        yield [str_repeat(' ', ModelCodec::MOST_BYTES + 1)];
    }

    public function testReportsEveryMistakeAtOnce(): void
    {
        try {
            Models::read(Models::block(['typo' => 1, 'parts' => [['id' => 'a', 'shape' => ['kind' => 'ball']]]]));
            self::fail('was accepted');
        } catch (ModelException $e) {
            self::assertGreaterThanOrEqual(3, count($e->problems));
        }
    }
}
