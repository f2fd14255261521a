<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Foehn\Codec\ModelCodec;
use Foehn\Solve\LoopGain;
use Foehn\Solve\StableDrive;
use Foehn\Solve\SteadySolver;
use Foehn\Solve\ThermalRunaway;
use PHPUnit\Framework\TestCase;

/** Heat that follows the temperature comes to rest, or runs away. */
final class ThermalRunawayTest extends TestCase
{
    public function testALoopComesToRestSoonHoweverNearItsGainIsToOne(): void
    {
        foreach ([0.5, 0.9, 0.99] as $gain) {
            // A fast and a slow mode: T -> source + gain T.
            [$loop, $state, $passes] = [new LoopGain(), null, 0];
            do {
                $before = $state;
                $after = [100.0 + $gain * ($before[0] ?? 0.0), 50.0 + 0.1 * ($before[1] ?? 0.0)];
                $state = $loop->next($before, $after);
            } while (($before === null || abs($after[0] - $before[0]) > 1e-3) && ++$passes < 60);
            self::assertEqualsWithDelta(1.0, $after[0] * (1.0 - $gain) / 100.0, 1e-4, "gain $gain");
            self::assertLessThan(30, $passes, "gain $gain");
        }
    }

    public function testALoopThatRunsAwayIsNotBroughtToItsFalsePointOfRest(): void
    {
        [$loop, $state] = [new LoopGain(), null];
        for ($pass = 0; $pass < 12; $pass++) {
            $state = $loop->next($state, [100.0 + 1.05 * ($state[0] ?? 0.0)]);
        }
        self::assertGreaterThan(1e4, $state[0], 'the point of rest would be at -2000');
        self::assertEqualsWithDelta(1.05, $loop->latest(), 1e-6);
    }

    public function testTheLimitIsFoundWhereTheLawBendsToo(): void
    {
        $tried = 0;
        $share = StableDrive::share(3.0, function (float $share) use (&$tried): array {
            $tried++;

            return [$share < 0.3217, null];
        });
        self::assertEqualsWithDelta(0.3217, $share, 0.0033);
        self::assertLessThanOrEqual(14, $tried);
        self::assertSame(0.0, StableDrive::share(2.0, fn (float $share): array => [false, null]));
    }

    /** A lump of copper that a coefficient cools: R0 (1 + a T) I^2 = h A T has an answer up to I^2 = h A / (R0 a). */
    public function testALumpRunsAwayBeyondTheRootOfItsCoolingOverTheRiseOfItsResistance(): void
    {
        $limit = sqrt(20.0 * 4.2e-5 / (1.7e-8 * 0.01 / 1e-6 * 0.004));
        $share = null;
        $solve = fn (float $current) => (new SteadySolver(ModelCodec::fromDocument(self::lump($current))))->solve();
        try {
            $solve(2.0 * $limit);
        } catch (ThermalRunaway $e) {
            $share = $e->share;
            self::assertStringContainsString(sprintf('thermal runaway: steady up to %.4g A at face x- of "Lump"', $share * 2.0 * $limit), $e->getMessage());
        }
        self::assertEqualsWithDelta(0.5, $share, 0.005);

        $near = $solve(0.95 * $limit);
        self::assertTrue($near->outcome->converged);
        $gain = 0.95 ** 2;
        self::assertEqualsWithDelta(300.0 + $gain / (1.0 - $gain) / 0.004, max(0.0, ...$near->state->temperature), 1.0);
    }

    public function testMovingAirThatCannotCarryTheHeatSaysSoToo(): void
    {
        $model = self::lump(400.0, []);
        $model['physics'] = ['electric' => true, 'flow' => 'laminar'];
        $model['space'] = ['box' => ['min' => ['-10 mm', '-5 mm', '-5 mm'], 'max' => ['20 mm', '6 mm', '6 mm']], 'fluid' => 'air', 'sides' => ['x-' => ['kind' => 'inlet', 'speed' => '0.2 m/s'], 'x+' => ['kind' => 'outlet']]];
        $model['analysis'] = ['grid' => ['cells' => [9, 7, 7]]];
        $this->expectException(ThermalRunaway::class);
        (new SteadySolver(ModelCodec::fromDocument($model)))->solve();
    }

    /**
     * @param array<string, mixed> $faces that something cools
     * @return array<string, mixed>
     */
    private static function lump(float $current, array $faces = ['bare' => ['heat' => ['kind' => 'film', 'coefficient' => 20, 'temperature' => 300]]]): array
    {
        return [
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300], 'physics' => ['electric' => true],
            'materials' => ['m' => ['conductivity' => 4000, 'resistivity' => ['value' => 1.7e-8, 'at' => 300, 'coefficient' => 0.004]]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.01, 0.001, 0.001]], 'fluid' => null],
            'parts' => [['id' => 'lump', 'name' => 'Lump', 'shape' => ['kind' => 'block', 'size' => [0.01, 0.001, 0.001]], 'material' => 'm', 'faces' => [
                'x-' => ['electric' => ['kind' => 'current', 'current' => $current]], 'x+' => ['electric' => ['kind' => 'ground']], ...$faces]]],
            'analysis' => ['grid' => ['cells' => [10, 2, 2]]],
        ];
    }
}
