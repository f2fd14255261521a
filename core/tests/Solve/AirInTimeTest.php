<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Closure;
use Foehn\Model\ModelException;
use Foehn\Observe\Readings;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Analysis;
use Foehn\Solve\Course;
use Foehn\Solve\CourseState;
use Foehn\Solve\KeepsCourses;
use Foehn\Solve\SilentListener;
use Foehn\Solve\Solution;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** A block of 13.5 J/K in a flat enclosure whose walls lose heat, with air that only its warmth moves. */
final class AirInTimeTest extends TestCase
{
    private const SWITCHED = ['start' => ['uniform' => '105 degC']];

    /**
     * @param ?array<string, mixed> $time null: the steady state
     * @return array<string, mixed>
     */
    private static function enclosure(?array $time, string $power = '0.5 W'): array
    {
        $wall = ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 10, 'temperature' => '20 degC']];
        $symmetry = ['kind' => 'symmetry'];

        return [
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC', 'gravity' => [0, '-9.81 m/s^2', 0]],
            'physics' => ['flow' => 'laminar', 'buoyancy' => true],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, 0.06, 0.01]], 'fluid' => 'air', 'sides' => ['x-' => $wall, 'x+' => $wall, 'y-' => $wall, 'y+' => $wall, 'z-' => $symmetry, 'z+' => $symmetry]],
            'materials' => ['m' => ['conductivity' => 200, 'density' => 2700, 'specificHeat' => 1000]],
            'parts' => [['id' => 'block', 'shape' => ['kind' => 'block', 'size' => [0.025, 0.02, 0.01]], 'at' => [0.02, 0.01, 0], 'material' => 'm', 'power' => $power]],
            'watches' => [['id' => 'block', 'of' => ['part' => 'block'], 'reduce' => 'mean'], ['id' => 'over', 'of' => ['point' => [0.0325, 0.05, 0.005]]]],
            'analysis' => ['grid' => ['cells' => [12, 12, 1]], ...($time === null ? [] : ['time' => ['kind' => 'transient', 'start' => ['uniform' => '20 degC'], ...$time]])],
        ];
    }

    private static function course(Solution $solution): Course
    {
        self::assertNotNull($solution->course);

        return $solution->course;
    }

    private static function at(Course $course, string $id, float $time): float
    {
        return ($course->at($id, $time) ?? NAN) - 293.15;
    }

    public function testAirThatFollowsEndsAtTheSteadyStateInFewSteps(): void
    {
        $steady = Analysis::solve(self::enclosure(null));
        $solution = Analysis::solve(self::enclosure(['end' => '6 h', 'air' => 'follows']));
        $course = self::course($solution);
        $rise = array_sum($steady->state->temperature) / count($steady->state->temperature) - 293.15;

        self::assertTrue($solution->outcome->converged);
        self::assertLessThan(80, count($course->times));
        self::assertEqualsWithDelta($rise, array_sum($solution->state->temperature) / count($solution->state->temperature) - 293.15, 0.01 * $rise);
        // What stores heat is the block alone.
        self::assertEqualsWithDelta(13.5 * self::at($course, 'block', 21600.0), $course->stored, 0.01 * $course->stored);
    }

    public function testAirThatFollowsAndAirInTimeAgreeOnASlowWarmUp(): void
    {
        $follows = self::course(Analysis::solve(self::enclosure(['end' => '60 s', 'air' => 'follows'])));
        $unsteady = self::course(Analysis::solve(self::enclosure(['end' => '60 s', 'air' => 'unsteady'])));

        self::assertLessThan(1e-6, $unsteady->error());
        self::assertEqualsWithDelta(self::at($unsteady, 'block', 60.0), self::at($follows, 'block', 60.0), 0.01 * self::at($unsteady, 'block', 60.0));
        self::assertEqualsWithDelta(self::at($unsteady, 'over', 60.0), self::at($follows, 'over', 60.0), 0.15 * self::at($unsteady, 'over', 60.0));
    }

    /** @return array<string, array{string, int}> */
    public static function airs(): array
    {
        return ['follows' => ['follows', 150], 'unsteady' => ['unsteady', 30]];
    }

    #[DataProvider('airs')]
    public function testAnInterruptedCourseGoesOnWithItsAir(string $air, int $most): void
    {
        $document = self::enclosure(['end' => $air === 'follows' ? '6 h' : '4 s', 'air' => $air]);
        $listener = new class ($most) extends SilentListener implements KeepsCourses {
            public string $bytes = '';

            private int $looks = 0;

            public function __construct(private readonly int $most)
            {
            }

            public function keepCourse(Closure $state, bool $ends): void
            {
                $this->bytes = $ends ? $state()->toBytes() : '';
            }

            public function shouldStop(): bool
            {
                return ++$this->looks > $this->most;
            }
        };
        $whole = self::course(Analysis::solve($document));
        $stopped = Analysis::solve($document, listener: $listener);
        $rest = Analysis::solve($document, from: CourseState::fromBytes($listener->bytes));

        self::assertTrue($stopped->outcome->stopped);
        self::assertGreaterThan(2, count(self::course($stopped)->times));
        self::assertTrue($rest->outcome->converged);
        self::assertEqualsWithDelta($whole->times, self::course($rest)->times, 1e-6 * $whole->reached());
        self::assertEqualsWithDelta($whole->values['block'], self::course($rest)->values['block'], 1e-4);
    }

    public function testWhatIsLetInMovesAllThatFlows(): void
    {
        $side = ['kind' => 'symmetry'];
        $document = [
            'format' => 'foehn-model', 'version' => 1, 'physics' => ['heat' => false, 'flow' => 'laminar'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.02, 0.02]], 'fluid' => 'air', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => ['schedule' => [['0 s', '0 m/s'], ['0.1 s', '0.2 m/s'], ['1 s', '0.2 m/s']]]], 'x+' => ['kind' => 'outlet'], 'z-' => $side, 'z+' => $side]],
            'watches' => [['id' => 'out', 'of' => ['side' => 'x+'], 'quantity' => 'volumeFlow']],
            'analysis' => ['grid' => ['cells' => [10, 6, 1]], 'time' => ['kind' => 'transient', 'end' => '0.2 s', 'air' => 'unsteady', 'start' => ['uniform' => '20 degC']]],
        ];
        $solution = Analysis::solve($document);
        $course = self::course($solution);

        self::assertTrue($solution->outcome->converged);
        self::assertEqualsWithDelta(0.1 * 4e-4, $course->at('out', 0.05) ?? NAN, 1e-3 * 4e-4);
        self::assertEqualsWithDelta(0.2 * 4e-4, $course->at('out', 0.2) ?? NAN, 1e-3 * 4e-4);
        self::assertSame([], $course->notes);
        $document['analysis']['time']['step'] = '0.05 s';
        self::assertStringContainsString('take shorter ones', implode(' ', self::course(Analysis::solve($document))->notes));
    }

    public function testWhatDoesNotGoTogetherIsRefused(): void
    {
        $time = ['end' => '10 s', 'start' => ['uniform' => '20 degC', 'velocity' => [1, 0, 0]]];
        try {
            Analysis::solve(self::enclosure($time));
            self::fail('velocities were taken for frozen air');
        } catch (ModelException $refused) {
            self::assertStringContainsString('"air": "unsteady", not "frozen"', $refused->getMessage());
        }
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage('the periodic state is computed on frozen air');
        Analysis::solve(self::enclosure(['end' => '10 s', 'air' => 'follows', 'start' => 'periodic']));
    }

    /**
     * @param array<string, mixed> $speed of the fan
     * @param ?array<string, mixed> $time null: steady
     * @return array<string, mixed> a block of 1 W behind a fan in a short duct
     */
    private static function duct(array $speed, ?array $time = self::SWITCHED): array
    {
        return [
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => '20 degC'], 'physics' => ['flow' => 'laminar'],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.1, 0.04, 0.04]], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'open'], 'x+' => ['kind' => 'open']]],
            'materials' => ['m' => ['conductivity' => 200, 'density' => 2700, 'specificHeat' => 1000]],
            'parts' => [
                ['id' => 'block', 'name' => 'Block', 'shape' => ['kind' => 'block', 'size' => [0.02, 0.02, 0.01]], 'at' => [0.06, 0.01, 0], 'material' => 'm', 'power' => '1 W'],
                ['id' => 'fan', 'name' => 'Fan', 'at' => [0.02, 0, 0], 'shape' => ['kind' => 'fan', 'direction' => 'x+', 'size' => [0.04, 0.04], 'curve' => [['0 l/s', '8 Pa'], ['3 l/s', '0 Pa']],
                    'speedFactor' => $speed]],
            ],
            'watches' => [['id' => 'block', 'of' => ['part' => 'block'], 'reduce' => 'mean']],
            'analysis' => ['grid' => ['cells' => [20, 8, 8]], ...($time === null ? [] : ['time' => ['kind' => 'transient', 'end' => '90 min', 'keep' => 1, ...$time]])],
        ];
    }

    public function testAThermostatSwitchesTheSpeedOfAFan(): void
    {
        $solution = Analysis::solve(self::duct(['thermostat' => ['on' => '112 degC', 'off' => '107 degC', 'speed' => 1, 'idle' => 0.1, 'sensor' => ['part' => 'block']]]));
        $course = self::course($solution);
        $switches = $course->switches[1];

        self::assertTrue($solution->outcome->converged);
        self::assertGreaterThan(2, count($switches));
        foreach ($switches as [$time, $isOn]) {
            self::assertEqualsWithDelta($isOn ? 92.0 : 87.0, self::at($course, 'block', $time), 0.02);
        }
        self::assertEqualsCanonicalizing([0.1, 1.0], array_unique(array_column($course->controls[1], 'speed')));
        self::assertStringContainsString('"speeds":[0.1,', json_encode(ResultBuilder::build($solution, '')['time'], JSON_THROW_ON_ERROR));
    }

    /**
     * @param array<string, mixed> $control
     * @param callable(float): float $asked speed at a temperature of the block in degC, below the bounds of the control
     */
    #[DataProvider('fanControls')]
    public function testTheSpeedOfAFanFollowsItsSensor(array $control, callable $asked): void
    {
        $steady = Analysis::solve(self::duct($control, null));
        $speed = $steady->state->flow->fans[0]['speed'] ?? NAN;
        $block = (new Readings($steady->state))->temperatures[0]['mean'] ?? NAN;

        self::assertTrue($steady->outcome->converged);
        self::assertGreaterThan(0.2, $speed);
        self::assertLessThan(0.95, $speed);
        self::assertEqualsWithDelta($asked($block - 273.15), $speed, 0.02);

        $course = self::course(Analysis::solve(self::duct($control, ['start' => ['uniform' => '20 degC'], 'air' => 'follows', 'step' => ['tolerance' => '1 K']])));
        $speeds = array_map(floatval(...), array_column($course->controls[1], 'speed'));
        self::assertSame(min([1.0, ...$speeds]), $speeds[0]);
        self::assertEqualsWithDelta($speed, $speeds[count($speeds) - 1], 0.04);
        self::assertEqualsWithDelta($block, $course->at('block', 5400.0) ?? NAN, 1.0);
    }

    /** @return iterable<string, array{array<string, mixed>, callable(float): float}> */
    public static function fanControls(): iterable
    {
        yield 'a curve' => [['curve' => [['60 degC', 0.1], ['120 degC', 1]], 'sensor' => ['part' => 'block']], fn (float $block): float => 0.1 + 0.9 * ($block - 60.0) / 60.0];
        yield 'in proportion' => [['controller' => ['setpoint' => '90 degC', 'gain' => 0.03, 'atLeast' => 0.1, 'sensor' => ['part' => 'block']]], fn (float $block): float => 0.03 * ($block - 90.0)];
    }

    public function testAnIntegralPartBringsTheSensorToItsSetpoint(): void
    {
        $steady = Analysis::solve(self::duct(['controller' => ['setpoint' => '105.5 degC', 'gain' => 0.05, 'integral' => '600 s', 'sensor' => ['part' => 'block']]], null));

        self::assertTrue($steady->outcome->converged);
        self::assertEqualsWithDelta(105.5, ((new Readings($steady->state))->temperatures[0]['mean'] ?? NAN) - 273.15, 0.1);
    }
}
