<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Observe\Readings;
use Foehn\Solve\Analysis;
use Foehn\Solve\Course;
use Foehn\Solve\SteadySolver;
use Foehn\Study\Sensitivities;
use LogicException;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Everything that heats or cools, beside everything that is asked of a model: a course that begins at the steady state stays there, one that begins
 * cold comes to it, and what would help says what a second computation does.
 *
 * @phpstan-type Fields array<string, mixed>
 */
final class SideBySideTest extends TestCase
{
    /** Losses, resistivities and controls follow the temperature, and are kept as they are for what would help. */
    private const KEPT = ['bar', 'copper', 'losses', 'control'];

    /** @return iterable<string, array{Fields, Fields}> a part of 20 x 10 mm under a film, and what else is said of the model */
    public static function mechanisms(): iterable
    {
        $ends = ['x-' => ['electric' => ['kind' => 'current', 'current' => '60 A']], 'x+' => ['electric' => ['kind' => 'ground']]];
        $sheet = ['kind' => 'pour', 'points' => [['0 mm', '0 mm'], ['20 mm', '0 mm'], ['20 mm', '10 mm'], ['0 mm', '10 mm']]];
        $pad = fn (string $name, string $at, array $electric): array => ['name' => $name, 'layer' => 'Top', 'at' => [$at, '5 mm'], 'size' => ['1 mm', '10 mm'], 'electric' => $electric];
        $electric = ['physics' => ['electric' => true]];

        yield 'watts' => [['power' => '0.5 W'], []];
        yield 'losses' => [['losses' => ['table' => [['30 degC', '0.3 W'], ['130 degC', '0.6 W']]]], []];
        yield 'control' => [['power' => ['curve' => [['20 degC', '1 W'], ['120 degC', '0 W']], 'sensor' => ['part' => 'p']]], []];
        yield 'bar' => [['faces' => $ends], $electric];
        yield 'copper' => [[
            'shape' => ['kind' => 'board', 'size' => ['20 mm', '10 mm'], 'layers' => [['thickness' => '0.9 mm'], ['name' => 'Top', 'thickness' => '100 um', 'drawn' => [$sheet]]]],
            'copper' => ['pixel' => '0.5 mm', 'terminals' => [$pad('In', '0.5 mm', ['kind' => 'current', 'current' => '20 A']), $pad('Out', '19.5 mm', ['kind' => 'ground'])]],
        ], $electric];
        yield 'radiation' => [['power' => '0.5 W', 'surface' => ['emissivity' => 0.9]], ['physics' => ['radiation' => 'surroundings']]];
        yield 'sun' => [['surface' => ['emissivity' => 0.9]], ['physics' => ['radiation' => 'surroundings'], 'surroundings' => ['temperature' => '20 degC', 'sun' => ['direction' => [0, 0, 1], 'flux' => '950 W/m^2']]]];
    }

    /** @return iterable<string, array{Fields, Fields}> what is under control is off until a course begins */
    public static function uncontrolled(): iterable
    {
        return array_diff_key(iterator_to_array(self::mechanisms()), ['control' => true]);
    }

    /**
     * @param Fields $part
     * @param Fields $more
     */
    #[DataProvider('uncontrolled')]
    public function testACourseThatBeginsAtTheSteadyStateStaysThere(array $part, array $more): void
    {
        $steady = self::mean(self::document($part, $more));

        foreach (self::course($part, $more, ['end' => 300, 'start' => 'steady'])->values['mean'] as $kelvin) {
            self::assertEqualsWithDelta($steady, $kelvin, 0.01);
        }
        self::assertGreaterThan(293.15 + 2.0, $steady);
    }

    /**
     * @param Fields $part
     * @param Fields $more
     */
    #[DataProvider('mechanisms')]
    public function testACourseThatBeginsColdComesToTheSteadyState(array $part, array $more): void
    {
        $values = self::course($part, $more, ['end' => 3000, 'start' => ['uniform' => '20 degC']])->values['mean'];

        self::assertEqualsWithDelta(self::mean(self::document($part, $more)), end($values), 0.1);
        self::assertEqualsWithDelta(293.15, $values[0], 1e-6);
    }

    /**
     * @param Fields $part
     * @param Fields $more
     */
    #[DataProvider('mechanisms')]
    public function testWhatWouldHelpIsWhatItDoes(array $part, array $more): void
    {
        $document = self::document($part, $more);
        $heat = (new SteadySolver(ModelCodec::fromDocument($document)))->linearised();
        $ambient = array_values(array_filter((new Sensitivities($heat))->of($heat->state->model->limits[0]), fn (array $help): bool => $help['kind'] === 'ambient'))[0];
        $colder = ModelCodec::fromDocument($document)->warmer(293.15, -0.5);
        $effect = 10.0 * (self::mean($colder) - self::mean($document));
        $expected = in_array($this->dataName(), self::KEPT, true) ? -5.0 : $effect;

        self::assertEqualsWithDelta($expected, $ambient['change'], 0.02 * abs($expected));
    }

    /**
     * @param Fields $part
     * @param Fields $more
     * @param Fields $time
     */
    private static function course(array $part, array $more, array $time): Course
    {
        return Analysis::solve(self::document($part, $more, ['time' => ['kind' => 'transient', ...$time]]))->course ?? throw new LogicException('a course was asked for');
    }

    /** @param Fields|Model $of K */
    private static function mean(array|Model $of): float
    {
        return (float) (new Readings((new SteadySolver($of instanceof Model ? $of : ModelCodec::fromDocument($of)))->solve()->state))->all()['mean'];
    }

    /**
     * @param Fields $part
     * @param Fields $more
     * @param Fields $analysis
     * @return Fields document
     */
    private static function document(array $part, array $more, array $analysis = []): array
    {
        $faces = is_array($part['faces'] ?? null) ? $part['faces'] : [];

        return [
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['20 mm', '10 mm', '1 mm']], 'fluid' => null],
            'parts' => [[
                'id' => 'p', 'shape' => ['kind' => 'block', 'size' => ['20 mm', '10 mm', '1 mm']], 'at' => [0, 0, 0],
                ...isset($part['copper']) ? [] : ['material' => 'brass'], ...$part, 'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 20]], ...$faces],
            ]],
            'watches' => [['id' => 'mean', 'of' => ['part' => 'p'], 'quantity' => 'temperature', 'reduce' => 'mean']],
            'limits' => [['id' => 'hot', 'of' => ['part' => 'p'], 'quantity' => 'temperature', 'reduce' => 'mean', 'atMost' => '100 degC']],
            ...$more,
            'analysis' => ['grid' => ['cells' => [10, 5, 2]], ...$analysis],
        ];
    }
}
