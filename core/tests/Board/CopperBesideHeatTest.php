<?php

declare(strict_types=1);

namespace Foehn\Tests\Board;

use Foehn\Codec\ModelCodec;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Physics\Electric\BoardState;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Analysis;
use Foehn\Solve\Course;
use Foehn\Solve\LinearHeat;
use Foehn\Solve\Solution;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Study\Sensitivities;
use Foehn\Study\Tolerances;
use LogicException;
use PHPUnit\Framework\TestCase;

/** The copper of a board heats over time, and in what a run tells of other designs: a board of 40 x 10 mm that is copper all over, with a current along it. */
final class CopperBesideHeatTest extends TestCase
{
    private const COEFFICIENT = 0.004;

    /** Nothing leaves a board that is switched on at 20 degC: it warms at I V, and V rises as the resistivity does. */
    public function testABoardWarmsByItsCurrentAndDropsMoreAsItDoes(): void
    {
        $course = self::course(['end' => 12], '30 A');
        [$drops, $rises] = [array_map(floatval(...), $course->values['drop']), array_map(fn (?float $kelvin): float => ($kelvin ?? NAN) - 293.15, $course->values['mean'])];
        $joules = 0.0;
        foreach ($course->times as $n => $time) {
            self::assertEqualsWithDelta($drops[0] * (1.0 + self::COEFFICIENT * $rises[$n]), $drops[$n], 2e-3 * $drops[0], "at $time s");
            $joules += $n === 0 ? 0.0 : 0.5 * 30.0 * ($drops[$n] + $drops[$n - 1]) * ($time - $course->times[$n - 1]);
        }

        self::assertGreaterThan(40.0, end($rises));
        self::assertEqualsWithDelta($joules, $course->in, 5e-3 * $joules);
        self::assertEqualsWithDelta($course->in, $course->stored, 1e-6 * $joules);
        // C dT/dt = I^2 R (1 + a T): what a linear rise would not show.
        $capacity = $joules / end($rises);
        $rate = self::COEFFICIENT * 30.0 * $drops[0] / $capacity;
        self::assertEqualsWithDelta(expm1($rate * 12.0) / self::COEFFICIENT, end($rises), 0.01 * end($rises));
    }

    public function testACurrentThatIsSwitchedOffHeatsNoMore(): void
    {
        $solution = self::solved(['end' => 12], ['pulse' => ['high' => '30 A', 'low' => '0 A', 'period' => '12 s', 'duty' => 0.5]]);
        $course = $solution->course ?? throw new LogicException('a course was asked for');
        $given = $course->in;
        $over = array_column(ResultBuilder::build($solution, '')['watches'], 'overTime', 'id')['drop'] ?? [];

        self::assertEqualsWithDelta($course->at('mean', 6.0), $course->at('mean', 12.0), 1e-3);
        self::assertEqualsWithDelta(0.0, $course->at('drop', 9.0), 1e-9);
        self::assertEqualsWithDelta(0.0, $over['min'] ?? NAN, 1e-9, 'what jumps with a load has no vertex beside the jump');
        self::assertEqualsWithDelta(self::course(['end' => 6], '30 A')->in, $given, 2e-3 * $given);
    }

    /** A board that something else keeps at 80 degC: what drops, and heats, is that of copper so warm, though its currents flow as at 20 degC. */
    public function testCopperThatIsWarmAllOverDropsAsItsResistivity(): void
    {
        $at = fn (string $celsius): State => (new SteadySolver(ModelCodec::fromDocument(self::board('5 A', self::COEFFICIENT, ['faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 1e6, 'temperature' => $celsius]]]], []))))->solve()->state;
        [$cool, $warm] = [$at('20 degC'), $at('80 degC')];
        $drop = fn (State $state): float => (float) (new Readings($state))->all()['drop'];
        $times = 1.0 + 60.0 * self::COEFFICIENT;

        self::assertEqualsWithDelta($times * $drop($cool), $drop($warm), 1e-4 * $drop($warm));
        self::assertEqualsWithDelta(5.0 * $drop($warm), $warm->balance()->in, 1e-4 * $warm->balance()->in);
        self::assertEqualsWithDelta($warm->boards[0]->currents->power, array_sum($warm->boards[0]->currents->heat), 1e-5 * $warm->boards[0]->currents->power);
    }

    /** The first currents are solved roughly, for their heat; they do not stand where nothing warms. */
    public function testCopperThatStaysColdIsBalancedAsWell(): void
    {
        $grid = ['analysis' => ['grid' => ['grade' => 'scout', 'maxCells' => 3000]]];
        $cold = (new SteadySolver(ModelCodec::fromDocument(self::board('10 mA', self::COEFFICIENT, ['faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 1e6, 'temperature' => '20 degC']]]], $grid))))->solve()->state;
        $currents = $cold->boards[0]->currents;

        self::assertLessThan(1e-6, $currents->imbalance());
        self::assertEqualsWithDelta($currents->power, array_sum($currents->heat), 1e-6 * $currents->power);
    }

    /** Currents that only go through warmer copper are right to the square of what is not alike in it. */
    public function testCurrentsThatAreNotSolvedAgainAreWrongByASquare(): void
    {
        $model = ModelCodec::fromDocument(self::board('5 A', self::COEFFICIENT, [], []));
        [$copper, $law] = [$model->parts[0]->copper, $model->materials->get('foil')?->resistivity];
        self::assertNotNull($copper);
        self::assertNotNull($law);
        $cool = BoardState::at('b', $copper, $law, 293.15);
        $errors = [];
        foreach ([20.0, 40.0] as $warmer) {
            // One half of the width, so that currents move to the other.
            $temperature = array_map(fn (int $pixel): float => 313.15 + (intdiv($pixel, 80) < 10 ? $warmer : 0.0), array_keys($cool->temperature));
            $solved = BoardState::at('b', $copper, $law, $temperature)->currents;
            $errors[] = $cool->warmed($law, $temperature)->currents->power / $solved->power - 1.0;
        }

        self::assertGreaterThan(1e-5, $errors[0]);
        self::assertLessThan(2e-3, $errors[0]);
        self::assertEqualsWithDelta(4.0, $errors[1] / $errors[0], 0.6);
    }

    /** What would help: a board in colder air is as much colder, and its heat is none of a change. */
    public function testTheHeatOfCopperStaysWhereSomethingElseChanges(): void
    {
        $film = ['faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 20, 'temperature' => '20 degC']]]];
        $model = ModelCodec::fromDocument(self::board('5 A', 0.0, $film, ['limits' => [['id' => 'hot', 'of' => ['part' => 'b'], 'quantity' => 'temperature', 'reduce' => 'max', 'atMost' => '100 degC']]]));
        $state = (new SteadySolver($model))->solve()->state;
        $helps = (new Sensitivities(LinearHeat::ofSolid($state)))->of($model->limits[0]);
        $of = fn (string $kind): array => array_values(array_filter($helps, fn (array $help): bool => $help['kind'] === $kind))[0];
        $rise = max([0.0, ...$state->temperature]) - 293.15;

        self::assertGreaterThan(1.0, $rise);
        self::assertEqualsWithDelta($of('ambient')['step'], $of('ambient')['change'], 1e-3);
        self::assertEqualsWithDelta(-$of('convectionCoefficient')['step'] * $rise, $of('convectionCoefficient')['change'], 0.02 * $rise);
    }

    /** The same in a stream, whose last temperatures and currents are only about in balance: what they lack is no change. */
    public function testABoardInAColderStreamIsAsMuchColder(): void
    {
        $space = ['box' => ['min' => [0, 0, 0], 'max' => ['80 mm', '10 mm', '10.17 mm']], 'fluid' => 'air', 'sides' => [
            'x-' => ['kind' => 'inlet', 'velocity' => ['1 m/s', 0, 0]], 'x+' => ['kind' => 'outlet'], 'y-' => ['kind' => 'symmetry'], 'y+' => ['kind' => 'symmetry'],
        ]];
        $model = ModelCodec::fromDocument(self::board('20 A', self::COEFFICIENT, ['at' => ['20 mm', 0, 0]], [
            'space' => $space, 'physics' => ['electric' => true, 'flow' => 'laminar'], 'analysis' => ['grid' => ['grade' => 'scout', 'maxCells' => 3000]],
            'limits' => [['id' => 'hot', 'of' => ['part' => 'b'], 'quantity' => 'temperature', 'reduce' => 'max', 'atMost' => '100 degC']],
        ]));
        $solution = (new SteadySolver($model))->solve();
        $heat = (new SteadySolver($model, start: new Start($solution->checkpoint, frozen: true)))->linearised();
        $ambient = array_values(array_filter((new Sensitivities($heat))->of($model->limits[0]), fn (array $help): bool => $help['kind'] === 'ambient'))[0];

        self::assertGreaterThan(10.0, max([0.0, ...$solution->state->temperature]) - 293.15);
        self::assertEqualsWithDelta(-5.0, $ambient['change'], 5e-3);
    }

    /** Tolerances of currents, and of losses that follow them, ask for computed builds; they do not count for nothing. */
    public function testAToleranceOfACurrentIsNotKnownFromOneRun(): void
    {
        $losses = ['table' => [['20 degC', '0 W'], ['120 degC', 'loss']]];
        $document = self::board('amps', 0.0, ['losses' => $losses, 'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 'film', 'temperature' => '20 degC']]]], [
            'parameters' => ['amps' => ['value' => '5 A'], 'film' => ['value' => '20 W/m^2/K'], 'loss' => ['value' => '0.1 W']],
            'limits' => [['id' => 'hot', 'of' => ['part' => 'b'], 'quantity' => 'temperature', 'reduce' => 'max', 'atMost' => '100 degC']],
            'tolerances' => [['of' => 'amps', 'by' => '1 A'], ['of' => 'loss', 'by' => '10 %'], ['of' => 'film', 'by' => '10 %']],
        ]);
        $state = (new SteadySolver(ModelCodec::fromDocument($document)))->solve()->state;
        $rows = (new Tolerances(LinearHeat::ofSolid($state), $document))->found()['rows'];

        self::assertNull($rows[0]['changes']);
        self::assertNull($rows[1]['changes']);
        self::assertGreaterThan(0.0, $rows[2]['changes']['hot'] ?? NAN);
    }

    /** @param array<string, mixed> $time */
    private static function course(array $time, mixed $current): Course
    {
        return self::solved($time, $current)->course ?? throw new LogicException('a course was asked for');
    }

    /** @param array<string, mixed> $time */
    private static function solved(array $time, mixed $current): Solution
    {
        return Analysis::solve(self::board($current, self::COEFFICIENT, [], ['analysis' => ['grid' => ['cells' => [20, 5, 2]], 'time' => ['kind' => 'transient', 'start' => ['uniform' => '20 degC'], ...$time]]]));
    }

    /**
     * @param array<string, mixed> $part what else is said of the board
     * @param array<string, mixed> $more what else is said of the model
     * @return array<string, mixed> document
     */
    private static function board(mixed $current, float $coefficient, array $part, array $more): array
    {
        $sheet = ['kind' => 'pour', 'points' => [['0 mm', '0 mm'], ['40 mm', '0 mm'], ['40 mm', '10 mm'], ['0 mm', '10 mm']], 'net' => 'OUT'];
        $terminal = fn (string $name, string $at, array $electric): array => ['name' => $name, 'layer' => 'Top', 'at' => [$at, '5 mm'], 'size' => ['1 mm', '10 mm'], 'electric' => $electric];

        return [
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'], 'physics' => ['electric' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => ['40 mm', '10 mm', '0.17 mm']], 'fluid' => null],
            'materials' => ['foil' => ['conductivity' => 390, 'density' => 8960, 'specificHeat' => 385, 'resistivity' => ['value' => '1.72e-8 ohm*m', 'at' => '20 degC', 'coefficient' => $coefficient]]],
            'parts' => [[
                'id' => 'b', 'name' => 'Board', 'at' => [0, 0, 0], ...$part,
                'shape' => ['kind' => 'board', 'size' => ['40 mm', '10 mm'], 'layers' => [['thickness' => '0.1 mm'], ['name' => 'Top', 'thickness' => '70 um', 'drawn' => [$sheet]]]],
                'copper' => ['pixel' => '0.5 mm', 'material' => 'foil', 'terminals' => [$terminal('Source', '0.5 mm', ['kind' => 'current', 'current' => $current]), $terminal('Ground', '39.5 mm', ['kind' => 'ground'])]],
            ]],
            'watches' => [['id' => 'mean', 'of' => ['part' => 'b'], 'quantity' => 'temperature', 'reduce' => 'mean'], ['id' => 'drop', 'of' => ['part' => 'b', 'net' => 'OUT'], 'quantity' => 'voltageDrop']],
            'analysis' => ['grid' => ['cells' => [20, 5, 2]]],
            ...$more,
        ];
    }
}
