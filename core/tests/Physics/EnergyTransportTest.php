<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Accuracy;
use Foehn\Physics\Flow\EnergyTransport;
use Foehn\Physics\Flow\FlowDomain;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Tests\Domains;
use Foehn\Tests\Values;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class EnergyTransportTest extends TestCase
{
    private const LENGTH = 0.1;

    private const HOT = ['kind' => 'temperature', 'temperature' => 310];

    private const COLD = ['kind' => 'temperature', 'temperature' => 300];

    /** @return iterable<string, array{float}> Peclet number of the whole length */
    public static function streams(): iterable
    {
        yield 'conduction rules' => [0.5];
        yield 'both count' => [5.0];
        yield 'against the gradient' => [-5.0];
    }

    #[DataProvider('streams')]
    public function testAStreamBetweenTwoTemperaturesFollowsTheExponential(float $peclet): void
    {
        // T = 310 - 10 (exp(Pe x / L) - 1) / (exp(Pe) - 1), for a stream through both ends.
        $exact = fn (float $x): float => 310.0 - 10.0 * expm1($peclet * $x / self::LENGTH) / expm1($peclet);
        $errors = [];
        foreach ([10, 20, 40] as $cells) {
            $model = Domains::model([self::LENGTH, 0.02, 0.02], [$cells, 1, 1], ['x-' => ['heat' => self::HOT], 'x+' => ['heat' => self::COLD]]);
            [$domain, $temperature] = self::settled($model, self::stream(Domains::domain($model), $peclet), 25);
            $errors[] = Values::greatest(array_map(fn (float $x, float $t): float => abs($t - $exact($x)), $domain->layout->grid->centres[0], $domain->layout->gather($temperature)));
        }

        self::assertLessThan(0.02, $errors[2]);
        // Upwind alone would halve the error from grid to grid; the correction makes it a third at least.
        self::assertLessThan($errors[0] / 3, $errors[1]);
        self::assertLessThan($errors[1] / 3, $errors[2]);
    }

    public function testWhatAStreamCarriesInComesOutAgain(): void
    {
        $model = Domains::model([self::LENGTH, 0.02, 0.02], [20, 4, 4], ['x-' => ['kind' => 'inlet', 'speed' => 0.1, 'temperature' => 320], 'x+' => ['kind' => 'outlet']]);
        $domain = Domains::domain($model);
        $level = Domains::level($domain);
        $level->velocity[0] = array_map(fn (float $area): float => $area > 0.0 ? 0.1 : 0.0, $domain->layout->faceAreas(0));
        [, $temperature] = self::settled($model, $level->fluxes(), 5);

        // Nothing heats or cools it on its way.
        self::assertEqualsWithDelta(320.0, Values::least($domain->layout->gather($temperature)), 1e-6);
        self::assertEqualsWithDelta(320.0, Values::greatest($domain->layout->gather($temperature)), 1e-6);
    }

    public function testTheCorrectionSharpensAFrontAndHardlyOvershoots(): void
    {
        // Two streams side by side at 45 degrees to the cells, hardly conducting.
        $model = Domains::model([self::LENGTH, self::LENGTH, 0.01], [20, 20, 1], ['x-' => ['kind' => 'inlet', 'velocity' => [1, 1, 0], 'temperature' => 320], 'y-' => ['kind' => 'inlet', 'velocity' => [1, 1, 0], 'temperature' => 300],
            'x+' => ['kind' => 'outlet'], 'y+' => ['kind' => 'outlet'], 'z-' => ['kind' => 'symmetry'], 'z+' => ['kind' => 'symmetry']]);
        $domain = Domains::domain($model);
        $level = Domains::level($domain);
        foreach ([0, 1] as $axis) {
            $level->velocity[$axis] = array_map(fn (float $area): float => $area > 0.0 ? 1.0 : 0.0, $domain->layout->faceAreas($axis));
        }
        $width = function (float $order) use ($model, $level, $domain): float {
            [, $temperature] = self::settled($model, $level->fluxes(), 30, $order);
            $cells = $domain->layout->gather($temperature);
            // Upwind values stay within those that make them; the limiter works along each axis alone, which lets a front across both overshoot a little.
            $beyond = 20.0 * ($order > 0.0 ? 0.05 : 1e-6);
            self::assertLessThan(320.0 + $beyond, Values::greatest($cells));
            self::assertGreaterThan(300.0 - $beyond, Values::least($cells));

            // Cells of the last column that are neither of the one nor of the other stream.
            return (float) count(array_filter(range(0, 19), fn (int $j): bool => $cells[19 + 20 * $j] > 302.0 && $cells[19 + 20 * $j] < 318.0));
        };

        self::assertLessThan(0.7 * $width(0.0), $width(1.0), 'the correction takes the smearing of upwind values away');
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} kg/s */
    private static function stream(FlowDomain $domain, float $peclet): array
    {
        $speed = $peclet * Domains::CONDUCTIVITY / (Domains::DENSITY * Domains::SPECIFIC_HEAT * self::LENGTH);
        $zeros = $domain->layout->zeros();

        return [array_map(fn (float $area): float => Domains::DENSITY * $speed * $area, array_values($domain->layout->faceAreas(0))), $zeros, $zeros];
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s
     * @return array{FlowDomain, array<int, float>} and the temperatures in the layout of the flow, K
     */
    private static function settled(Model $model, array $flux, int $passes, float $order = 1.0): array
    {
        $domain = Domains::domain($model);
        $heat = (new HeatEquation($model, Voxels::of($model, GridBuilder::build($model))))->at(null);
        $energy = new EnergyTransport($domain, $heat, Domains::SPECIFIC_HEAT);
        $temperature = array_fill(0, $domain->layout->length, 300.0);
        for ($pass = 0; $pass < $passes; $pass++) {
            $temperature = $energy->step($flux, $temperature, new Accuracy(1e-10, mostIterations: 40), $order);
        }

        return [$domain, $temperature];
    }
}
