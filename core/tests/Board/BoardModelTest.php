<?php

declare(strict_types=1);

namespace Foehn\Tests\Board;

use Foehn\Board\CopperLayer;
use Foehn\Board\CopperRaster;
use Foehn\Board\Paint;
use Foehn\Codec\ModelCodec;
use Foehn\Console\SolveFiles;
use Foehn\Exchange\Vtk;
use Foehn\FoehnException;
use Foehn\Geometry\Axes;
use Foehn\Observe\BoardReadings;
use Foehn\Observe\LimitPlaces;
use Foehn\Observe\Readings;
use Foehn\Observe\TraceChart;
use Foehn\Physics\Electric\BoardState;
use Foehn\Results\FieldFile;
use Foehn\Results\ResultBuilder;
use Foehn\Results\StoredPicture;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/**
 * Boards of a model whose copper is known.
 *
 * @phpstan-type Fields array<string, mixed>
 */
final class BoardModelTest extends TestCase
{
    /** Of copper foil at 20 degC, ohm m. */
    private const RESISTIVITY = 1.72e-8;

    public function testATrackHasItsResistanceAndAllOfItsHeatLeaves(): void
    {
        $ends = array_map(fn (array $terminal, string $x): array => [...$terminal, 'at' => [$x, '5 mm'], 'size' => ['0.2 mm', '1 mm']], self::terminals(), ['5.1 mm', '34.9 mm']);
        $strip = ['kind' => 'pour', 'points' => [['5 mm', '4.5 mm'], ['35 mm', '4.5 mm'], ['35 mm', '5.5 mm'], ['5 mm', '5.5 mm']], 'net' => 'OUT'];
        $solution = self::solve(['materials' => ['foil' => ['conductivity' => 390, 'resistivity' => '1.72e-8 ohm*m']]], ['pixel' => '0.1 mm', 'material' => 'foil', 'terminals' => $ends], [['thickness' => '1 mm'], ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [$strip]]]);
        $track = self::net(self::board($solution), 'OUT');

        // Between the middles of both ends; the copper is held at 20 degC.
        $ohm = self::RESISTIVITY * 29.8e-3 / (1e-3 * 70e-6);
        self::assertEqualsWithDelta($ohm, $track['resistance'], 0.005 * $ohm);
        self::assertEqualsWithDelta(100.0 * $ohm, $track['heat'], 0.005 * 100.0 * $ohm);
        self::assertEqualsWithDelta($track['heat'], $solution->state->balance()->toArray()['out'], 1e-6);
        self::assertTrue($solution->outcome->converged);
    }

    public function testVoltageDropAndViaCurrentAreLimits(): void
    {
        $solution = self::solve(['limits' => [
            ['id' => 'drop', 'of' => ['part' => 'b', 'net' => 'OUT'], 'quantity' => 'voltageDrop', 'atMost' => '1 V'],
            ['id' => 'vias', 'of' => ['part' => 'b'], 'quantity' => 'viaCurrent', 'vias' => [['0.6 mm', '4 A'], ['0.3 mm', '2 A']]],
            ['id' => 'barrels', 'of' => ['part' => 'b', 'copper' => 'barrels'], 'quantity' => 'currentDensity', 'atMost' => '1 A/mm^2'],
        ]], ['vias' => [['at' => ['20 mm', '5 mm'], 'drill' => '0.3 mm', 'columns' => 2, 'pitch' => '1 mm', 'joins' => ['Top', 'Bottom']]]], self::crossing());
        $values = $solution->onGrid()->values;
        [$one, $other] = array_column((new BoardReadings(self::board($solution)))->vias(), 'current') + [0.0, 0.0];

        self::assertEqualsWithDelta(10.0, $one + $other, 1e-4);
        // 2 A of a hole of 0.3 mm stand beside 4 A of the one that the limit is told for.
        self::assertEqualsWithDelta(2.0 * max($one, $other), $values['vias'], 1e-9);
        self::assertEqualsWithDelta(max($one, $other) / (M_PI * 0.25 * (0.3e-3 ** 2 - 0.25e-3 ** 2)), $values['barrels'], 1.0);
        self::assertEqualsWithDelta(self::net(self::board($solution), 'OUT')['drop'], $values['drop'], 1e-12);

        $places = array_map((new LimitPlaces($solution->state, new Readings($solution->state)))->of(...), array_column($solution->state->model->limits, null, 'id'));
        $lower = self::board($solution)->copper->artwork->lower;
        $via = $one >= $other ? 20e-3 : 21e-3;
        foreach (['vias', 'barrels'] as $limit) {
            self::assertEqualsWithDelta($lower[0] + $via, $places[$limit][0] ?? null, 0.6e-3, "$limit: the via with more current");
            self::assertEqualsWithDelta($lower[1] + 5e-3, $places[$limit][1] ?? null, 1e-6);
        }
        self::assertNotNull($places['drop'], 'where the net is highest');
    }

    public function testTheChartOfATraceCountsTheSectionThatHeats(): void
    {
        $strip = ['kind' => 'pour', 'points' => [['5 mm', '4.5 mm'], ['35 mm', '4.5 mm'], ['35 mm', '5.5 mm'], ['5 mm', '5.5 mm']], 'net' => 'OUT'];
        $ends = array_map(fn (array $terminal, string $x): array => [...$terminal, 'at' => [$x, '5 mm'], 'size' => ['0.2 mm', '1 mm']], self::terminals(), ['5.1 mm', '34.9 mm']);
        $net = self::net(self::board(self::solve([], ['pixel' => '0.1 mm', 'terminals' => $ends], [['thickness' => '1 mm'], ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [$strip]]])), 'OUT');

        self::assertEqualsWithDelta(1e-3 * 70e-6, $net['section'], 0.01 * 70e-9);
        self::assertSame(TraceChart::rise(10.0, $net['section'] ?? 0.0), $net['charted']);
    }

    public function testViasPassLayersThatTheyDoNotJoin(): void
    {
        $inner = ['name' => 'Inner', 'thickness' => '70 um', 'drawn' => [['kind' => 'pour', 'points' => [['0 mm', '0 mm'], ['40 mm', '0 mm'], ['40 mm', '10 mm'], ['0 mm', '10 mm']], 'net' => 'PLANE']]];
        $vias = ['at' => ['20 mm', '5 mm'], 'drill' => '0.6 mm', 'clearance' => '0.4 mm'];
        $layers = [self::crossing()[0], ['thickness' => '0.5 mm'], $inner, ['thickness' => '0.5 mm'], self::crossing()[2]];

        $passing = self::board(self::solve([], ['vias' => [[...$vias, 'joins' => ['Top', 'Bottom']]]], $layers));
        $joining = self::board(self::solve([], ['vias' => [[...$vias, 'joins' => ['Top', 'Inner', 'Bottom']]]], $layers));

        self::assertSame([], $passing->drawn->nets()->joined);
        self::assertContains('PLANE', $passing->drawn->nets()->names);
        self::assertSame([['OUT', 'PLANE']], $joining->drawn->nets()->joined);
    }

    public function testPixelsAreAThirdOfTheNarrowestPieceOrAHundredthOfTheBoard(): void
    {
        $plane = new Paint(true, [[true, Paint::rectangle(30e-3, 20e-3, 60e-3, 40e-3)]]);
        // A bend: two strokes of 1 mm, whose bounds together are wide.
        $bend = new Paint(false, [[true, Paint::rectangle(30e-3, 10e-3, 20e-3, 1e-3)], [true, Paint::rectangle(40e-3, 20e-3, 1e-3, 20e-3)]]);
        $columns = fn (Paint ...$paints): int => CopperRaster::of([0.0, 60e-3, 0.0, 40e-3], [new CopperLayer('Top', array_values($paints), 35e-6, 0.0)], [], [], null)->pixels[0];

        self::assertSame(100, $columns($plane));
        self::assertSame(180, $columns($plane, $bend));
    }

    /** What stands on thin copper reaches it, also on a grid that does not resolve the copper. */
    #[TestWith([true])]
    #[TestWith([false])]
    public function testHeatOnThinCopperSpreadsOnCoarseCellsAsOnFineOnes(bool $isAbove): void
    {
        $foil = ['name' => 'Foil', 'thickness' => '70 um', 'drawn' => [['kind' => 'pour', 'points' => [['0 mm', '0 mm'], ['40 mm', '0 mm'], ['40 mm', '10 mm'], ['0 mm', '10 mm']]]]];
        $core = ['thickness' => '0.98 mm'];
        $ends = ['heat' => ['kind' => 'temperature', 'temperature' => '20 degC']];
        $rise = fn (int $across): float => (new SteadySolver(ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['40 mm', '10 mm', '2.1 mm']], 'fluid' => null],
            'parts' => [
                ['id' => 'b', 'at' => [0, 0, $isAbove ? 0 : '1.05 mm'], 'shape' => ['kind' => 'board', 'size' => ['40 mm', '10 mm'], 'layers' => $isAbove ? [$core, $foil] : [$foil, $core]], 'faces' => ['x-' => $ends, 'x+' => $ends]],
                ['id' => 'chip', 'at' => ['18 mm', '2 mm', $isAbove ? '1.05 mm' : 0], 'shape' => ['kind' => 'block', 'size' => ['4 mm', '6 mm', '1.05 mm']], 'material' => 'copper', 'power' => '1 W'],
            ],
            'watches' => [['id' => 'chip', 'of' => ['part' => 'chip'], 'quantity' => 'temperature', 'reduce' => 'mean']],
            'analysis' => ['grid' => ['cells' => [40, 10, $across]]],
        ])))->solve()->onGrid()->values['chip'] - 293.15;

        $fine = $rise(30);
        self::assertEqualsWithDelta($fine, $rise(6), 0.03 * $fine, 'three cells across the board instead of fifteen, one of which is the copper');
        self::assertEqualsWithDelta($fine, $rise(4), 0.05 * $fine);
    }

    public function testABoardConductsAlongItsTracksAndNotAcross(): void
    {
        // A sheet of copper on half of the board, hot at one end: it spreads the heat as copper of its share would, the bare half as laminate.
        $heat = [];
        foreach ([['0 mm', '0 mm', '40 mm', '5 mm'], ['0 mm', '0 mm', '20 mm', '10 mm']] as [$x0, $y0, $x1, $y1]) {
            $layer = ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [['kind' => 'pour', 'points' => [[$x0, $y0], [$x1, $y0], [$x1, $y1], [$x0, $y1]]]]];
            $solution = self::solve(['watches' => [['id' => 'end', 'of' => ['part' => 'b', 'face' => 'x+'], 'quantity' => 'heat']]], ['terminals' => []], [['thickness' => '1 mm'], $layer], [
                'x-' => ['heat' => ['kind' => 'temperature', 'temperature' => '60 degC']], 'x+' => ['heat' => ['kind' => 'temperature', 'temperature' => '20 degC']],
            ], false);
            $heat[] = (float) $solution->onGrid()->values['end'];
        }
        $laminate = 0.3 * 1.07e-3 * 10e-3;
        $copper = 70e-6 * 5e-3 * 390.0;
        $along = 40.0 / 40e-3 * ($copper + $laminate);
        $across = 40.0 / (20e-3 / (70e-6 * 10e-3 * 390.0 + $laminate) + 20e-3 / $laminate);

        self::assertEqualsWithDelta($along, $heat[0], 0.03 * $along);
        self::assertEqualsWithDelta($across, $heat[1], 0.05 * $across);
    }

    /**
     * Points of a raster lie in the space as pixels do, whichever way the board stands.
     *
     * @param list<int> $counts of points along x, y and z
     */
    #[TestWith([2, [40, 10, 2]])]
    #[TestWith([1, [40, 2, 10]])]
    #[TestWith([0, [2, 40, 10]])]
    public function testCopperIsWrittenForOtherProgramsWhereItIs(int $normal, array $counts): void
    {
        $upright = Axes::place($normal, 1.07e-3, 40e-3, 10e-3);
        $solution = self::solve([
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => $upright], 'fluid' => null],
            'parts' => [[
                'id' => 'b', 'at' => [0, 0, 0], 'shape' => ['kind' => 'board', 'normal' => 'xyz'[$normal], 'size' => ['40 mm', '10 mm'], 'layers' => [
                    ['name' => 'Foot', 'thickness' => '70 um', 'drawn' => [['kind' => 'pad', 'at' => ['20 mm', '5 mm'], 'size' => ['4 mm', '4 mm']]]], ['thickness' => '0.93 mm'],
                    ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [['kind' => 'track', 'points' => [['6 mm', '5 mm'], ['34 mm', '5 mm']], 'width' => '4 mm']]],
                ]],
                'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => '1e6 W/m^2/K', 'temperature' => '20 degC']]],
                'copper' => ['pixel' => '1 mm', 'terminals' => self::terminals()],
            ]],
            'analysis' => ['grid' => ['cells' => array_map(fn (float $extent): int => $extent < 2e-3 ? 4 : (int) round(1e3 * $extent), $upright)]],
        ]);
        $folder = sys_get_temp_dir() . '/foehn-copper-' . bin2hex(random_bytes(6));
        SolveFiles::write($folder, ['result.json' => (string) json_encode(ResultBuilder::build($solution, '')), ...FieldFile::of($solution->state)]);
        $arrays = [];
        $written = simplexml_load_string(Vtk::copper(new StoredPicture($folder), 0)) ?: throw new \LogicException('no XML');
        foreach ($written->xpath('//DataArray') ?: [] as $array) {
            $arrays[(string) $array['Name']] = array_values((array) unpack((string) $array['type'] === 'Float64' ? 'e*' : 'g*', substr((string) base64_decode((string) $array, true), 8)));
        }
        array_map(unlink(...), glob("$folder/*") ?: []);
        rmdir($folder);

        self::assertSame($counts, array_map(fn (string $axis): int => count($arrays[$axis]), ['x', 'y', 'z']));
        [$a, $b] = Axes::across($normal);
        self::assertEqualsWithDelta(0.5e-3, $arrays['xyz'[$a]][0], 1e-12);
        self::assertEqualsWithDelta([0.035e-3, 1.035e-3], $arrays['xyz'[$normal]], 1e-12, 'the middles of the copper');
        $strides = [1, $counts[0], $counts[0] * $counts[1]];
        foreach (self::board($solution)->currents->density as $at => $density) {
            $point = $at % 40 * $strides[$a] + intdiv($at, 40) % 10 * $strides[$b] + intdiv($at, 400) * $strides[$normal];
            $value = $arrays['currentDensity [A/m2]'][$point];
            self::assertEqualsWithDelta($density, is_float($value) && ! is_nan($value) ? $value : 0.0, 1e-6 * 4e7);
        }
    }

    public function testAListOfNetsNamesWhatTheArtworkDoesNot(): void
    {
        $list = "P  UNITS CUST 1\nP  NNAME1 A_LONG_NAME_OF_A_NET\n327NNAME1              R1    -1          PA01X+010000Y+005000X0500Y0500R000S0\n327N/C                 R1    -2          PA01X+030000Y+005000X0500Y0500R000S0\n999\n";
        $track = ['kind' => 'track', 'points' => [['7.5 mm', '5 mm'], ['32.5 mm', '5 mm']], 'width' => '4 mm'];
        $board = self::board(self::solve([], ['netList' => base64_encode((string) gzencode($list))], [['thickness' => '1 mm'], ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [$track]]]));

        self::assertSame(['A_LONG_NAME_OF_A_NET'], $board->drawn->nets()->names);
    }

    /** @return iterable<string, array{array<string, mixed>, string}> */
    public static function wrong(): iterable
    {
        $terminal = fn (array $fields): array => ['terminals' => [self::terminals()[0], [...self::terminals()[1], ...$fields]]];
        yield 'terminal on laminate' => [$terminal(['at' => ['38 mm', '1 mm'], 'size' => ['1 mm', '1 mm']]), '"Load" lies on no copper of layer "Top"; move it onto a pad or a track'];
        yield 'no way back' => [$terminal(['electric' => ['kind' => 'current', 'current' => '-10 A']]), 'the current at "Source" has no way back'];
        yield 'layer that is not there' => [$terminal(['layer' => 'Topp']), '"Topp" is no layer of copper of this board; they are "Top"'];
        yield 'via in one layer' => [['vias' => [['at' => ['20 mm', '5 mm'], 'drill' => '0.3 mm', 'joins' => ['Top']]]], 'a via joins at least two layers of copper'];
        yield 'artwork that is none' => [['drills' => [['name' => 'x.drl', 'file' => 'nothing']]], 'a file packed with gzip and written in base64 is expected'];
        yield 'drill file of something else' => [['drills' => [['name' => 'x.drl', 'file' => base64_encode((string) gzencode('hello'))]]], '"x.drl": this is no drill file in Excellon format'];
        yield 'list of nets that is none' => [['netList' => base64_encode((string) gzencode('hello'))], 'this is no list of nets in IPC-D-356 format'];
        yield 'holes beyond the board' => [['drills' => [['name' => 'x.drl', 'file' => base64_encode((string) gzencode("M48\nINCH\nT1C0.3\n%\nT1\nX20.0Y5.0\nM30\n"))]]], 'a hole lies at (508, 127) mm, beyond the board'];
        yield 'two voltages shorted by copper' => [['terminals' => [[...self::terminals()[0], 'electric' => ['kind' => 'voltage', 'voltage' => '12 V']], self::terminals()[1]], 'material' => 'copper-foil'], 'nets "OUT" and "PAD" are one piece of copper between "Source" at 12 V and "Load" at 0 V: a short, or a gap narrower than a pixel of 0.2 mm'];
        yield 'a metal that is none' => [['material' => 'glass-epoxy'], 'has no resistivity; choose a metal'];
    }

    /** @param array<string, mixed> $copper */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaid(array $copper, string $sentence): void
    {
        $this->expectException(FoehnException::class);
        $this->expectExceptionMessage($sentence);
        self::solve([], $copper);
    }

    /** @return list<array<string, mixed>> a source and a ground on pads at the ends of a track */
    private static function terminals(): array
    {
        return [
            ['name' => 'Source', 'layer' => 'Top', 'at' => ['7.5 mm', '5 mm'], 'size' => ['5 mm', '4 mm'], 'electric' => ['kind' => 'current', 'current' => '10 A']],
            ['name' => 'Load', 'layer' => 'Top', 'at' => ['32.5 mm', '5 mm'], 'size' => ['5 mm', '4 mm'], 'electric' => ['kind' => 'ground']],
        ];
    }

    /** @return list<array<string, mixed>> half of the track below and half of it above */
    private static function crossing(): array
    {
        $half = fn (string $from, string $to): array => [['kind' => 'track', 'points' => [[$from, '5 mm'], [$to, '5 mm']], 'width' => '3 mm', 'net' => 'OUT']];

        return [
            ['name' => 'Bottom', 'thickness' => '70 um', 'drawn' => [...$half('19 mm', '32.5 mm')]], ['thickness' => '1 mm'],
            ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [...$half('7.5 mm', '21 mm'), ['kind' => 'pad', 'at' => ['32.5 mm', '5 mm'], 'size' => ['5 mm', '4 mm']], ...$half('31 mm', '34 mm')]],
        ];
    }

    /**
     * A board of 40 x 10 mm with a track of 1 mm between two pads, held at 20 degC.
     *
     * @param array<string, mixed> $document
     * @param array<string, mixed> $copper
     * @param ?list<array<string, mixed>> $layers with thicknesses in mm, or of 70 um
     * @param ?array<string, mixed> $faces
     */
    private static function solve(array $document, array $copper = [], ?array $layers = null, ?array $faces = null, bool $electric = true): Solution
    {
        $track = [
            ['kind' => 'track', 'points' => [['7.5 mm', '5 mm'], ['32.5 mm', '5 mm']], 'width' => '1 mm', 'net' => 'OUT'],
            ['kind' => 'pad', 'at' => ['7.5 mm', '5 mm'], 'size' => ['5 mm', '4 mm']], ['kind' => 'pad', 'at' => ['32.5 mm', '5 mm'], 'size' => ['5 mm', '4 mm'], 'net' => 'PAD'],
        ];
        $layers ??= [['thickness' => '1 mm'], ['name' => 'Top', 'thickness' => '70 um', 'drawn' => $track]];
        if (in_array('Bottom', array_column($layers, 'name'), true)) {
            // The load stands below, where the track ends.
            $copper['terminals'] = [self::terminals()[0], [...self::terminals()[1], 'layer' => 'Bottom', 'size' => ['2 mm', '2 mm'], 'at' => ['31 mm', '5 mm']]];
        }
        $height = array_sum(array_map(fn (array $layer): float => $layer['thickness'] === '70 um' ? 0.07 : (is_string($layer['thickness']) ? (float) $layer['thickness'] : NAN), $layers));

        return (new SteadySolver(ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'], 'physics' => ['electric' => $electric],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['40 mm', '10 mm', "$height mm"]], 'fluid' => null, 'sides' => []],
            'parts' => [[
                'id' => 'b', 'name' => 'Board', 'at' => [0, 0, 0], 'shape' => ['kind' => 'board', 'size' => ['40 mm', '10 mm'], 'layers' => $layers],
                'faces' => $faces ?? ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => '1e6 W/m^2/K', 'temperature' => '20 degC']]],
                'copper' => ['pixel' => '0.2 mm', 'terminals' => self::terminals(), ...$copper],
            ]],
            'analysis' => ['grid' => ['cells' => [40, 10, 4]]],
            ...$document,
        ])))->solve();
    }

    private static function board(Solution $solution): BoardState
    {
        return $solution->state->boards[0];
    }

    /** @return array{name: string, current: float, drop: float, resistance: ?float, heat: float, temperature: float, section: ?float, charted: ?float} */
    private static function net(BoardState $board, string $name): array
    {
        $found = array_values(array_filter((new BoardReadings($board))->nets(), fn (array $net): bool => $net['name'] === $name));
        self::assertCount(1, $found);

        return $found[0];
    }
}
