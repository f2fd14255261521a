<?php

declare(strict_types=1);

namespace Foehn\Tests\Observe;

use Foehn\Model\Target;
use Foehn\Observe\FlowProbe;
use Foehn\Observe\LiveValues;
use Foehn\Observe\Readings;
use Foehn\Observe\State;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Domains;
use Foehn\Tests\Models;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/** What is read from a state whose answer is known: a bar between 300 and 400 K, and a stream that nothing holds. */
final class ReadingsTest extends TestCase
{
    private const LENGTH = 0.1;

    private const CONDUCTIVITY = 20.0;

    /** @param array{?string, ?string, ?string} $of part, face and side */
    #[DataProvider('readings')]
    public function testABarBetweenTwoTemperaturesIsReadExactly(array $of, string $quantity, string $reduce, float $expected): void
    {
        $readings = new Readings($this->bar());

        self::assertEqualsWithDelta($expected, $readings->value(new Target($of[0], $of[1], null, $of[2], null), $quantity, $reduce), 1e-6 * max(1.0, abs($expected)));
    }

    /** @return iterable<string, array{array{?string, ?string, ?string}, string, string, float}> */
    public static function readings(): iterable
    {
        // 100 K over 0.1 m: 20 kW/m2 from the hot end, 2 W through 1 cm2. Cells are 10 mm long.
        yield 'hottest cell' => [['bar', null, null], 'temperature', 'max', 395.0];
        yield 'coldest cell' => [['bar', null, null], 'temperature', 'min', 305.0];
        yield 'mean of the part' => [['bar', null, null], 'temperature', 'mean', 350.0];
        yield 'hot face' => [['bar', 'x+', null], 'temperature', 'mean', 400.0];
        yield 'coldest place of a long face' => [['bar', 'y+', null], 'temperature', 'min', 305.0];
        yield 'mean of a long face' => [['bar', 'y+', null], 'temperature', 'mean', 350.0];
        yield 'heat out of the cold face' => [['bar', 'x-', null], 'heat', 'total', 2.0];
        yield 'flux into the hot face' => [['bar', 'x+', null], 'heatFlux', 'mean', -20e3];
        yield 'heat out of the cold side' => [[null, null, 'x-'], 'heat', 'total', 2.0];
        yield 'nothing through a long face' => [['bar', 'z-', null], 'heat', 'total', 0.0];
    }

    public function testPointsAndLinesAreStraightBetweenCellsAndReachTheFaces(): void
    {
        $readings = new Readings($this->bar());
        foreach ([0.0, 0.0037, 0.05, 0.0999, 0.1] as $x) {
            self::assertEqualsWithDelta(300.0 + 1000.0 * $x, $readings->value(self::point([$x, 0.005, 0.005]), 'temperature', 'mean'), 1e-6, "at $x m");
        }
        $line = new Target(null, null, null, null, [0.02, 0.005, 0.005], null, [0.06, 0.005, 0.005]);
        foreach (['min' => 320.0, 'mean' => 340.0, 'max' => 360.0] as $reduce => $expected) {
            self::assertEqualsWithDelta($expected, $readings->value($line, 'temperature', $reduce), 1e-6);
        }
    }

    public function testWhatLeavesAPartIsToldByWhereItGoes(): void
    {
        $state = $this->bar();
        $readings = new Readings($state);

        self::assertEqualsWithDelta(['side x-' => 2.0, 'side x+' => -2.0], $readings->surfaces()->routes(0), 1e-6);
        $cold = $readings->surfaces()->interfaces(0)['side x-'];
        self::assertEqualsWithDelta(['area' => 1e-4, 'temperature' => 300.0, 'beyond' => 300.0], $cold, 1e-6);
        self::assertEqualsWithDelta(0.0, $state->balance()->in, 1e-12);
        self::assertTrue($state->balance()->holds());
        self::assertLessThan(1e-6, $state->balance()->error(), 'held against the 2 W that pass');
    }

    public function testABalanceThatIsOpenDoesNotHold(): void
    {
        $state = $this->bar();
        $off = new State($state->model, $state->voxels, $state->system, array_map(fn (float $t): float => $t + ($t > 390.0 ? 0.5 : 0.0), $state->temperature));

        // Half a kelvin at the hot end takes 0.02 W/K times ten away there: 0.2 of 2 W.
        self::assertFalse($off->balance()->holds());
        self::assertGreaterThan(0.02, $off->balance()->error());
    }

    public function testLimitsOfPartsAreToldWhileARunGoesOn(): void
    {
        $state = $this->bar([['id' => 'l', 'of' => ['part' => 'bar'], 'atMost' => 380], ['id' => 'face', 'of' => ['part' => 'bar', 'face' => 'x+'], 'atMost' => 500]]);
        $live = LiveValues::of($state->model, $state->voxels, $state->system, $state->temperature);

        self::assertEqualsWithDelta(['l' => 395.0], $live->values, 1e-6, 'faces are told at the end');
        self::assertEqualsWithDelta(-15.0, $live->worstMargin(), 1e-6);
        $none = $this->bar();
        self::assertNull(LiveValues::of($none->model, $none->voxels, $none->system, $none->temperature)->worstMargin());
    }

    public function testThePressureGoesOnStraightToTheEndsOfAChannel(): void
    {
        $model = Domains::model([0.1, 0.01, 0.01], [20, 8, 1], ['x-' => ['kind' => 'inlet', 'speed' => 0.05, 'profile' => 'developed', 'temperature' => 300], 'x+' => ['kind' => 'outlet'], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]);
        $state = (new SteadySolver($model))->solve()->state;
        self::assertNotNull($state->flow);
        $probe = new FlowProbe($state->flow);
        $at = fn (float $x): float => (float) $probe->pressure([$x, 0.005, 0.005]);
        $gradient = ($at(0.03) - $at(0.07)) / 0.04;

        self::assertGreaterThan(0.0, $gradient);
        self::assertEqualsWithDelta(0.1 * $gradient, $at(0.0) - $at(0.1), 0.002 * $gradient, 'half a cell at each end is a twentieth of the whole');
        self::assertEqualsWithDelta(0.0, $probe->velocity(0, [0.05, 0.0, 0.005]), 1e-12, 'the fluid sticks to the wall');
        self::assertEqualsWithDelta(0.0, $probe->velocity(0, [0.05, 0.0, 0.0]), 1e-12, 'and in its edge with a plane of symmetry');
    }

    public function testAStreamThatNothingHoldsIsReadAlikeEverywhere(): void
    {
        $slip = ['kind' => 'symmetry'];
        $model = Domains::model([0.1, 0.02, 0.02], [10, 4, 4], ['x-' => ['kind' => 'inlet', 'speed' => 0.4, 'temperature' => 300], 'x+' => ['kind' => 'outlet'], 'y-' => $slip, 'y+' => $slip, 'z-' => $slip, 'z+' => $slip]);
        $state = (new SteadySolver($model))->solve()->state;
        $readings = new Readings($state);
        $volume = 0.4 * 4e-4;

        foreach (['x+' => 1.0, 'x-' => -1.0] as $side => $outward) {
            $target = new Target(null, null, null, $side, null);
            self::assertEqualsWithDelta($outward * $volume, $readings->value($target, 'volumeFlow', 'total'), 1e-5 * $volume);
            self::assertEqualsWithDelta($outward * Domains::DENSITY * $volume, $readings->value($target, 'massFlow', 'total'), 1e-5 * $volume);
        }
        self::assertEqualsWithDelta(300.0, $readings->value(new Target(null, null, null, 'x+', null), 'outflowTemperature', 'mean'), 1e-4);
        self::assertNull($readings->value(new Target(null, null, null, 'y+', null), 'massFlow', 'total'), 'nothing opens there');
        self::assertNotNull($state->flow);
        $probe = new FlowProbe($state->flow);
        foreach ([[0.0, 0.011, 0.004], [0.033, 0.0, 0.004], [0.1, 0.011, 0.02], [0.033, 0.0, 0.0], [0.05, 0.02, 0.02]] as $place) {
            self::assertEqualsWithDelta(0.4, $probe->speed($place), 1e-5);
            self::assertEqualsWithDelta([0.4, 0.0], [$probe->value('velocityX', $place), $probe->value('velocityY', $place)], 1e-5);
            self::assertEqualsWithDelta(0.0, $probe->pressure($place), 1e-4, 'nothing holds it back');
        }
    }

    /** @param list<array<string, mixed>> $limits */
    private function bar(array $limits = []): State
    {
        return (new SteadySolver(Models::read([
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Bar', 'surroundings' => ['temperature' => 300], 'materials' => ['m' => ['conductivity' => self::CONDUCTIVITY]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, 0.01, 0.01]], 'fluid' => null, 'sides' => [
                'x-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 300]], 'x+' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 400]]]],
            'parts' => [['id' => 'bar', 'name' => 'Bar', 'shape' => ['kind' => 'block', 'size' => [self::LENGTH, 0.01, 0.01]], 'material' => 'm']],
            'limits' => $limits, 'analysis' => ['grid' => ['cells' => [10, 2, 2]]],
        ])))->solve()->state;
    }

    /** @param array{float, float, float} $place */
    private static function point(array $place): Target
    {
        return new Target(null, null, null, null, $place);
    }
}
