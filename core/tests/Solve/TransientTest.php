<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Closure;
use Foehn\Grid\Grid;
use Foehn\Observe\Readings;
use Foehn\Physics\PhysicsException;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Analysis;
use Foehn\Solve\Course;
use Foehn\Solve\CourseState;
use Foehn\Solve\KeepsCourses;
use Foehn\Solve\KeptTemperatures;
use Foehn\Solve\SilentListener;
use Foehn\Solve\Solution;
use Foehn\Solve\Start;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A lump of 20 J/K that loses 0.24 W/K to 20 degC: whatever it does follows from exponentials. */
final class TransientTest extends TestCase
{
    private const TAU = 20.0 / 0.24;

    private const CONDUCTANCE = 0.24;

    /**
     * @param mixed $power
     * @param array<string, mixed> $time
     * @param array<string, mixed> $changes
     */
    private static function lump(mixed $power, array $time, array $changes = [], ?Start $start = null): Solution
    {
        $bare = $changes['bare'] ?? ['kind' => 'film', 'coefficient' => 100, 'temperature' => '20 degC'];
        $more = array_intersect_key($changes, ['losses' => true]);
        unset($changes['bare'], $changes['losses']);

        return Analysis::solve([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 40000, 'density' => 2500, 'specificHeat' => 1000, 'emissivity' => 1.0]],
            'parts' => [['id' => 'lump', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.02]], 'material' => 'm', 'power' => $power, ...$more, 'faces' => ['bare' => ['heat' => $bare]]]],
            'watches' => [['id' => 'mean', 'of' => ['part' => 'lump']]],
            'analysis' => ['grid' => ['cells' => [2, 2, 2]], 'time' => ['kind' => 'transient', 'start' => ['uniform' => '20 degC'], ...$time]],
            ...$changes,
        ], start: $start);
    }

    private static function course(Solution $solution): Course
    {
        self::assertNotNull($solution->course);

        return $solution->course;
    }

    private static function rise(Course $course, float $time): float
    {
        return ($course->at('mean', $time) ?? NAN) - 293.15;
    }

    public function testErrorsOfGivenStepsFallWithTheirSquare(): void
    {
        $errors = [];
        foreach ([20.0, 10.0, 5.0] as $step) {
            $course = self::course(self::lump('12 W', ['end' => 100, 'step' => $step]));
            $errors[] = self::rise($course, 100.0) - 12.0 / self::CONDUCTANCE * (1.0 - exp(-100.0 / self::TAU));
        }

        self::assertEqualsWithDelta(4.0, $errors[0] / $errors[1], 0.4);
        self::assertEqualsWithDelta(4.0, $errors[1] / $errors[2], 0.2);
    }

    /** P = 12 W up to 30 degC, and 0.1 W/K more beyond, which leaves 0.14 W/K: losses that did not follow at first do so later, and in longer steps. */
    public function testLossesFollowTheTemperatureWhereTheyBeginTo(): void
    {
        $course = self::course(self::lump('0 W', ['end' => 3000], ['losses' => ['table' => [['30 degC', '12 W'], ['230 degC', '32 W']]]]));
        [$left, $first] = [self::CONDUCTANCE - 0.1, -self::TAU * log(1.0 - 10.0 * self::CONDUCTANCE / 12.0)];
        $end = 11.0 / $left;

        foreach ($course->times as $time) {
            $exact = $time < $first ? 12.0 / self::CONDUCTANCE * (1.0 - exp(-$time / self::TAU)) : $end - ($end - 10.0) * exp(-($time - $first) * $left / 20.0);
            self::assertEqualsWithDelta($exact, self::rise($course, $time), 0.1, "at $time s");
        }
        self::assertEqualsWithDelta($end, self::rise($course, 3000.0), 0.02);
    }

    public function testASmallerToleranceIsNearerAndTheHeatIsAllAccountedFor(): void
    {
        $exact = 12.0 / self::CONDUCTANCE * (1.0 - exp(-100.0 / self::TAU));
        $rough = self::course(self::lump('12 W', ['end' => 100, 'step' => ['tolerance' => '1 K']]));
        $fine = self::course(self::lump('12 W', ['end' => 100, 'step' => ['tolerance' => '0.01 K']]));

        self::assertLessThan(1.0, abs(self::rise($rough, 100.0) - $exact));
        self::assertLessThan(0.01, abs(self::rise($fine, 100.0) - $exact));
        self::assertGreaterThan(count($rough->times), count($fine->times));
        self::assertEqualsWithDelta(1200.0, $fine->in, 1e-6);
        self::assertEqualsWithDelta(20.0 * self::rise($fine, 100.0), $fine->stored, 1e-6);
        self::assertLessThan(1e-6, $fine->error());
    }

    public function testHeatThatHasNoWayOutIsStored(): void
    {
        $course = self::course(self::lump('12 W', ['end' => 50], ['bare' => ['kind' => 'adiabatic']]));

        self::assertEqualsWithDelta(30.0, self::rise($course, 50.0), 1e-6);
        self::assertEqualsWithDelta(0.0, $course->out, 1e-6);
    }

    public function testItLandsOnEdgesOfSchedulesAndOnWhatIsKept(): void
    {
        $course = self::course(self::lump(['schedule' => [[0, 12], [24, 0]], 'between' => 'steps', 'repeat' => 60], ['end' => 130, 'keep' => [7, 77]]));

        foreach ([7.0, 24.0, 60.0, 77.0, 84.0, 120.0, 130.0] as $moment) {
            self::assertContains($moment, $course->times);
        }
        self::assertSame([7.0, 77.0], array_column($course->frames, 'time'));
        self::assertEqualsWithDelta(12.0 * (24.0 + 24.0 + 10.0), $course->in, 1e-6);
    }

    public function testARampAndAFormulaOfTheTimeGiveTheSame(): void
    {
        $ramp = self::course(self::lump(['schedule' => [[0, 0], [100, 10]]], ['end' => 100]));
        $formula = self::course(self::lump('10 W * t / (100 s)', ['end' => 100]));
        $exact = 0.1 / self::CONDUCTANCE * (100.0 - self::TAU * (1.0 - exp(-100.0 / self::TAU)));

        self::assertEqualsWithDelta($exact, self::rise($ramp, 100.0), 0.02);
        self::assertEqualsWithDelta($exact, self::rise($formula, 100.0), 0.02);
        self::assertEqualsWithDelta(500.0, $formula->in, 0.01);
    }

    public function testTheSurroundingsMayFollowTheTime(): void
    {
        $course = self::course(self::lump('0 W', ['end' => 100], ['bare' => ['kind' => 'film', 'coefficient' => 100], 'surroundings' => ['temperature' => ['schedule' => [[0, '20 degC'], [10, '50 degC']], 'between' => 'steps']]]));

        self::assertEqualsWithDelta(0.0, self::rise($course, 10.0), 1e-6);
        self::assertEqualsWithDelta(30.0 * (1.0 - exp(-90.0 / self::TAU)), self::rise($course, 100.0), 0.05);
    }

    /** dT/dt = -eps sigma A (T^4 - 0) / C has the answer T = (T0^-3 + 3 eps sigma A t / C)^(-1/3). */
    public function testABlackLumpCoolsAgainstNothingByTheLawOfRadiation(): void
    {
        $course = self::course(self::lump('0 W', ['end' => 300, 'start' => ['uniform' => '800 K'], 'step' => ['tolerance' => '0.05 K']], [
            'bare' => ['kind' => 'adiabatic'], 'surroundings' => ['temperature' => '20 degC', 'radiantTemperature' => 0], 'physics' => ['radiation' => 'surroundings'],
            'space' => ['box' => ['min' => [-0.001, -0.001, -0.001], 'max' => [0.021, 0.021, 0.021]], 'fluid' => null],
            'analysis' => ['grid' => ['lines' => array_fill_keys(['x', 'y', 'z'], [-0.001, 0, 0.01, 0.02, 0.021])], 'time' => ['kind' => 'transient', 'end' => 300, 'start' => ['uniform' => '800 K']]],
        ]));
        $exact = (800.0 ** -3 + 3.0 * 5.670374419e-8 * 6.0 * 0.0004 * 300.0 / 20.0) ** (-1.0 / 3.0);

        self::assertEqualsWithDelta($exact, $course->at('mean', 300.0) ?? NAN, 0.3);
        self::assertLessThan(1e-6, $course->error());
    }

    public function testAJunctionIsOverItsPartByTheRisesOfItsNetwork(): void
    {
        $pairs = [[0.5, 2.0], [1.0, 20.0]];
        $with = fn (mixed $power): array => [
            'parts' => [['id' => 'lump', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.02]], 'material' => 'm', 'power' => $power, 'junction' => ['network' => $pairs], 'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 100]]]]],
            'watches' => [['id' => 'mean', 'of' => ['part' => 'lump'], 'reduce' => 'mean'], ['id' => 'junction', 'of' => ['part' => 'lump', 'node' => 'junction'], 'reduce' => 'mean']],
        ];
        $course = self::course(self::lump('0 W', ['end' => 60], $with(['schedule' => [[0, 12], [24, 0]], 'between' => 'steps'])));
        $over = fn (float $time): float => ($course->at('junction', $time) ?? NAN) - ($course->at('mean', $time) ?? NAN);
        $warm = fn (float $time): float => 12.0 * array_sum(array_map(fn (array $pair): float => $pair[0] * (1.0 - exp(-$time / $pair[1])), $pairs));

        self::assertEqualsWithDelta($warm(24.0), $over(24.0), 1e-6);
        self::assertEqualsWithDelta($warm(60.0) - $warm(36.0), $over(60.0), 1e-6);

        $ramp = self::course(self::lump('0 W', ['end' => 60], $with(['schedule' => [[0, 0], [60, 12]], 'between' => 'linear'])));
        $ramped = array_sum(array_map(fn (array $pair): float => 12.0 * $pair[0] * (1.0 - $pair[1] / 60.0 * (1.0 - exp(-60.0 / $pair[1]))), $pairs));
        self::assertEqualsWithDelta($ramped, ($ramp->at('junction', 60.0) ?? NAN) - ($ramp->at('mean', 60.0) ?? NAN), 1e-6);

        $steady = Analysis::solve(['format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'], 'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => null], 'materials' => ['m' => ['conductivity' => 40000]], 'analysis' => ['grid' => ['cells' => [2, 2, 2]]], ...$with(12)]);
        $readings = (new Readings($steady->state))->all();
        self::assertEqualsWithDelta(12.0 * 1.5, $readings['junction'] - $readings['mean'], 1e-9);
    }

    public function testAThermostatSwitchesWhenItsSensorIsThere(): void
    {
        $power = ['thermostat' => ['on' => '50 degC', 'off' => '55 degC', 'watts' => 30, 'sensor' => ['part' => 'lump']]];
        $course = self::course(self::lump($power, ['end' => 60, 'step' => ['tolerance' => '0.01 K']]));
        $off = -self::TAU * log(1.0 - 35.0 / 125.0);
        $on = $off + self::TAU * log(35.0 / 30.0);

        self::assertEqualsWithDelta($off, $course->switches[0][0][0], 0.01);
        self::assertFalse($course->switches[0][0][1]);
        self::assertEqualsWithDelta($on, $course->switches[0][1][0], 0.01);
        self::assertEqualsWithDelta(55.0, max([0.0, ...array_column($course->controls[0], 'reading')]) - 273.15, 0.002);
    }

    public function testLeastTimesKeepAThermostatFromSwitching(): void
    {
        $thermostat = ['on' => '50 degC', 'off' => '50.5 degC', 'watts' => 30, 'sensor' => ['part' => 'lump']];
        $free = self::course(self::lump(['thermostat' => $thermostat], ['end' => 120]));
        $held = self::course(self::lump(['thermostat' => [...$thermostat, 'leastOff' => '10 s']], ['end' => 120]));

        self::assertGreaterThan(2 * count($held->switches[0]), count($free->switches[0]));
        self::assertEqualsWithDelta(10.0, $held->switches[0][1][0] - $held->switches[0][0][0], 1e-6);
    }

    public function testWhatChattersIsTold(): void
    {
        $power = ['thermostat' => ['on' => 323.1499, 'off' => 323.15, 'watts' => 30, 'sensor' => ['part' => 'lump']]];
        $solution = self::lump($power, ['end' => 24]);

        self::assertStringContainsString('chatters', implode(' ', ResultBuilder::build($solution, '')['warnings']));
    }

    /** T' = (P(T) - G (T - T0)) / C with a proportional law is a faster exponential, and with an integral part it ends at the setpoint. */
    public function testControllersComeToRestWhereTheyMust(): void
    {
        $law = ['setpoint' => '60 degC', 'gain' => '2 W/K', 'atMost' => 500, 'atLeast' => -500, 'sensor' => ['part' => 'lump']];
        $proportional = self::course(self::lump(['controller' => $law], ['end' => 20]));
        $integral = self::course(self::lump(['controller' => [...$law, 'atMost' => 30, 'atLeast' => 0, 'integral' => '30 s']], ['end' => 600]));
        $rest = 2.0 * 40.0 / (2.0 + self::CONDUCTANCE);

        self::assertEqualsWithDelta($rest * (1.0 - exp(-20.0 * (2.0 + self::CONDUCTANCE) / 20.0)), self::rise($proportional, 20.0), 0.05);
        self::assertEqualsWithDelta(40.0, self::rise($integral, 600.0), 0.01);
        self::assertEqualsWithDelta(9.6, $integral->wattsNow(0), 0.01);
    }

    public function testTwoControlsFindTheirWattsTogether(): void
    {
        $curve = fn (string $sensor): array => ['curve' => [['40 degC', 10], ['60 degC', 0]], 'sensor' => ['part' => $sensor]];
        $half = fn (string $id, array $at, string $sensor): array => ['id' => $id, 'shape' => ['kind' => 'block', 'size' => [0.01, 0.02, 0.02]], 'at' => $at, 'material' => 'm', 'power' => $curve($sensor), 'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 100, 'temperature' => '20 degC']]]];
        $solution = self::lump('0 W', ['end' => 2000], ['parts' => [$half('lump', [0, 0, 0], 'other'), $half('other', [0.01, 0, 0], 'lump')]]);
        // 2 * 0.5 (60 - T) = 0.24 (T - 20)
        self::assertEqualsWithDelta((60.0 + 0.24 * 20.0) / 1.24 - 20.0, self::rise(self::course($solution), 2000.0), 0.02);
    }

    public function testTheSteadyStateOfACurveIsThatOfItsCourse(): void
    {
        $power = ['curve' => [['50 degC', '30 W'], ['70 degC', '0 W']], 'sensor' => ['part' => 'lump']];
        $steady = ResultBuilder::build(self::lump($power, [], ['analysis' => ['grid' => ['cells' => [2, 2, 2]]]]), '');

        self::assertTrue($steady['solver']['converged']);
        self::assertEqualsWithDelta(20.0 + 43.10345, ($steady['watches'][0]['value'] ?? NAN) - 273.15, 0.01);
        self::assertEqualsWithDelta(10.34483, $steady['parts'][0]['power'], 0.01);
    }

    /**
     * @param mixed $speed
     * @param array<string, mixed> $time
     */
    private static function inAir(mixed $speed, array $time): Solution
    {
        return Analysis::solve([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'], 'physics' => ['flow' => 'laminar', 'buoyancy' => false],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.02, 0.02]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => $speed], 'x+' => ['kind' => 'outlet']]],
            'parts' => [['id' => 'lump', 'shape' => ['kind' => 'block', 'size' => [0.03, 0.02, 0.005]], 'at' => [0.03, 0, 0], 'material' => 'aluminium-6061', 'power' => '1 W']],
            'watches' => [['id' => 'mean', 'of' => ['part' => 'lump']]],
            'analysis' => ['grid' => ['cells' => [20, 5, 8]], 'time' => $time],
        ]);
    }

    private static function steadyIn(string $speed): float
    {
        return ResultBuilder::build(self::inAir($speed, ['kind' => 'steady']), '')['watches'][0]['value'] ?? NAN;
    }

    public function testInAStreamItEndsAtTheSteadyStateOfThatStream(): void
    {
        $still = self::course(self::inAir('0.5 m/s', ['kind' => 'transient', 'end' => '10 h', 'start' => 'steady']));
        $faster = self::course(self::inAir(['schedule' => [[0, '0.5 m/s'], ['2 h', '1 m/s']], 'between' => 'steps'], ['kind' => 'transient', 'end' => '10 h', 'start' => ['uniform' => '20 degC']]));
        $steady = self::steadyIn('0.5 m/s');

        self::assertEqualsWithDelta($steady, $still->at('mean', 36000.0) ?? NAN, 0.02);
        self::assertEqualsWithDelta($steady, $faster->at('mean', 7200.0) ?? NAN, 0.1);
        self::assertEqualsWithDelta(self::steadyIn('1 m/s'), $faster->at('mean', 36000.0) ?? NAN, 0.1);
        self::assertLessThan(1e-6, $faster->error());
    }

    public function testAnInterruptedCourseGoesOnAndEndsTheSame(): void
    {
        $document = [
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.02, 0.02, 0.02]], 'fluid' => null],
            'materials' => ['m' => ['conductivity' => 40, 'density' => 2500, 'specificHeat' => 1000]],
            'parts' => [['id' => 'lump', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.02]], 'material' => 'm',
                'power' => ['thermostat' => ['on' => '50 degC', 'off' => '55 degC', 'watts' => 30, 'sensor' => ['part' => 'lump', 'lag' => 2, 'deadTime' => 1]]],
                'faces' => ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 100, 'temperature' => '20 degC']]]]],
            'watches' => [['id' => 'mean', 'of' => ['part' => 'lump']]],
            'analysis' => ['grid' => ['cells' => [4, 4, 4]], 'time' => ['kind' => 'transient', 'end' => 100, 'start' => ['uniform' => '20 degC'], 'keep' => [20, 90]]],
        ];
        $listener = new class () extends SilentListener implements KeepsCourses {
            public string $bytes = '';

            private int $steps = 0;

            public function keepCourse(Closure $state, bool $ends): void
            {
                $this->bytes = $ends ? $state()->toBytes() : '';
            }

            public function shouldStop(): bool
            {
                return ++$this->steps > 40;
            }
        };
        $whole = self::course(Analysis::solve($document));
        $stopped = Analysis::solve($document, listener: $listener);
        $rest = Analysis::solve($document, from: CourseState::fromBytes($listener->bytes));

        self::assertTrue($stopped->outcome->stopped);
        self::assertLessThan(100.0, self::course($stopped)->reached());
        self::assertTrue($rest->outcome->converged);
        self::assertSame($whole->times, self::course($rest)->times);
        self::assertSame($whole->switches, self::course($rest)->switches);
        self::assertEqualsWithDelta($whole->values['mean'], self::course($rest)->values['mean'], 1e-6);
        self::assertSame(array_column($whole->frames, 'time'), array_column(self::course($rest)->frames, 'time'));
        self::assertNull(CourseState::fromBytes('something else'));
    }

    public function testAResultTellsWhatLimitsDidOverTime(): void
    {
        $power = ['schedule' => [[0, 12], [50, 0]], 'between' => 'steps'];
        $result = ResultBuilder::build(self::lump($power, ['end' => 200], ['limits' => [['id' => 'hot', 'of' => ['part' => 'lump'], 'atMost' => '35 degC']]]), '');
        $limit = $result['limits'][0];
        $peak = 12.0 / self::CONDUCTANCE * (1.0 - exp(-50.0 / self::TAU));
        self::assertNotNull($limit['overTime']);

        self::assertSame('missed', $limit['verdict']);
        self::assertEqualsWithDelta(293.15 + $peak, $limit['value'] ?? NAN, 0.05);
        self::assertEqualsWithDelta(50.0, $limit['overTime']['maxAt'], 1e-9);
        self::assertEqualsWithDelta(-self::TAU * log(1.0 - 15.0 * self::CONDUCTANCE / 12.0), $limit['overTime']['reached'] ?? NAN, 0.3);
        self::assertEqualsWithDelta(50.0 + self::TAU * log($peak / 15.0), ($limit['overTime']['reached'] ?? NAN) + ($limit['overTime']['beyond'] ?? NAN), 0.6);
        self::assertEqualsWithDelta(50.0, $result['parts'][0]['peak']['at'] ?? NAN, 1e-9);
        $long = ResultBuilder::build(self::lump('12 W', ['end' => 2000]), '')['watches'][0]['overTime'] ?? null;
        self::assertEqualsWithDelta(-self::TAU * log(0.02), $long['settled'] ?? NAN, 30.0);
        self::assertEqualsWithDelta(0.0, $long['overshoot'] ?? NAN, 0.02);
    }

    public function testALimitMayBePassedForSomeTime(): void
    {
        $power = ['schedule' => [[0, 12], [50, 0]], 'between' => 'steps'];
        $verdict = function (string $atMost, string $time) use ($power): array {
            $limit = ['id' => 'hot', 'of' => ['part' => 'lump'], 'atMost' => $atMost, 'timeBeyond' => $time];

            return ResultBuilder::build(self::lump($power, ['end' => 200], ['limits' => [$limit]]), '')['limits'][0];
        };
        // Rises that are passed for 20 s: up to it while heated, then down to it again.
        $most = 12.0 / self::CONDUCTANCE;
        $peak = $most * (1.0 - exp(-50.0 / self::TAU));
        [$low, $high] = [0.0, $peak];
        while ($high - $low > 1e-9) {
            $middle = 0.5 * ($low + $high);
            50.0 + self::TAU * (log($peak / $middle) + log(1.0 - $middle / $most)) > 20.0 ? $low = $middle : $high = $middle;
        }
        $held = $low;

        self::assertEqualsWithDelta(293.15 + $held, $verdict('35 degC', '20 s')['value'] ?? NAN, 0.2);
        self::assertSame('met', $verdict(sprintf('%g K', 293.15 + $held + 0.5), '20 s')['verdict']);
        self::assertSame('missed', $verdict(sprintf('%g K', 293.15 + $held - 0.5), '20 s')['verdict']);
        self::assertSame('missed', $verdict(sprintf('%g K', 293.15 + $held + 0.5), '0 s')['verdict']);
    }

    /** @param array<string, mixed> $changes */
    #[DataProvider('impossible')]
    public function testWhatCannotBeIsSaid(mixed $power, array $changes, string $expected): void
    {
        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage($expected);
        self::lump($power, ['end' => 10], $changes);
    }

    /** @return iterable<string, array{mixed, array<string, mixed>, string}> */
    public static function impossible(): iterable
    {
        yield 'no heat capacity' => ['1 W', ['materials' => ['m' => ['conductivity' => 10]]], 'has no density and no specific heat'];
        yield 'a period that does not come back' => [['schedule' => [[0, 1], [5, 2]], 'between' => 'steps'], ['analysis' => ['grid' => ['cells' => [2, 2, 2]], 'time' => ['kind' => 'transient', 'end' => 10, 'start' => 'periodic']]], 'has other loads at its end'];
        yield 'a thermostat without time' => [['thermostat' => ['on' => '50 degC', 'off' => '55 degC', 'watts' => 30, 'sensor' => ['part' => 'lump']]], ['analysis' => ['grid' => ['cells' => [2, 2, 2]]]], 'has no steady state'];
        yield 'a sensor where nothing is' => [['curve' => [['50 degC', 30], ['70 degC', 0]], 'sensor' => ['point' => [0.05, 0.05, 0.05]]], ['space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.1, 0.1]], 'fluid' => null], 'analysis' => ['grid' => ['cells' => [10, 10, 10]], 'time' => ['kind' => 'transient', 'end' => 10, 'start' => ['uniform' => '20 degC']]]], 'sees nothing'];
    }

    public function testItBeginsWithTheTemperaturesOfARunOnAnotherGrid(): void
    {
        // Colder to the left of the middle, nothing computed behind it, and of a box half as wide.
        $kept = new KeptTemperatures(new Grid([[0.0, 0.005, 0.01], [0.0, 0.02], [0.0, 0.02]]), [1, 1], [300.0, 310.0]);
        $document = ['start' => ['run' => 7], 'end' => '1 ms', 'step' => '1 ms'];
        $course = self::course(self::lump('0 W', $document, start: new Start(temperatures: $kept)));

        self::assertEqualsWithDelta(0.5 * (305.0 + 310.0), $course->values['mean'][0] ?? NAN, 1e-9);
        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('the temperatures of run 7, which the course begins with, are not there');
        self::lump('0 W', $document);
    }
}
