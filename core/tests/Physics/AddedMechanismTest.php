<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Codec\ModelCodec;
use Foehn\Codec\ParametersReader;
use Foehn\Codec\Problems;
use Foehn\Codec\Reader;
use Foehn\Grid\GridBuilder;
use Foehn\Grid\Voxels;
use Foehn\Numerics\Accuracy;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\StencilSolver;
use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Units\Dimension;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * A mechanism that the core does not have, added from outside: a loss to a given temperature in proportion to the volume, as a linear
 * law of radiation into a grey medium would have it. It takes a class of its own, a reader of its own and one line of registration.
 */
final class AddedMechanismTest extends TestCase
{
    private const LENGTH = 0.05;

    private const CONDUCTIVITY = 4.0;

    /** @return iterable<string, array{string, float}> */
    public static function losses(): iterable
    {
        yield 'weak' => ['2000 W/m^3/K', 2000.0];
        yield 'strong' => ['20 kW/m^3/K', 20000.0];
        yield 'with a formula' => ['4 * 1500 W/m^3/K', 6000.0];
    }

    #[DataProvider('losses')]
    public function testABarThatLosesHeatAllAlongFollowsTheFinEquation(string $given, float $coefficient): void
    {
        $problems = new Problems();
        $loss = VolumetricLossReader::read(new Reader(['coefficient' => $given, 'temperature' => '300 K'], '/loss', $problems, ParametersReader::read([], $problems)));
        $problems->throwIfAny();
        $model = ModelCodec::fromDocument([
            'format' => 'foehn-model', 'version' => 1, 'name' => 'Bar', 'surroundings' => ['temperature' => 300],
            'materials' => ['m' => ['conductivity' => self::CONDUCTIVITY]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [self::LENGTH, 0.01, 0.01]], 'fluid' => null, 'sides' => ['x-' => ['heat' => ['kind' => 'temperature', 'temperature' => 400]]]],
            'parts' => [['id' => 'bar', 'name' => 'Bar', 'shape' => ['kind' => 'block', 'size' => [self::LENGTH, 0.01, 0.01]], 'material' => 'm']],
            'analysis' => ['grid' => ['cells' => [200, 1, 1]]],
        ]);
        $voxels = Voxels::of($model, GridBuilder::build($model));
        $equation = new HeatEquation($model, $voxels);
        $equation->add($loss);
        $system = $equation->at(null);
        $temperature = $system->temperatures((new StencilSolver($system->stencil))->solve($system->source, Stencil::zeros($voxels->grid->cells), new Accuracy(1e-13))->x);

        $m = sqrt($coefficient / self::CONDUCTIVITY);
        foreach ([0, 40, 120, 199] as $n) {
            $x = $voxels->grid->centres[0][$n];
            self::assertEqualsWithDelta(300.0 + 100.0 * cosh($m * (self::LENGTH - $x)) / cosh($m * self::LENGTH), $temperature[$n], 0.02);
        }
        // What goes in at the hot end is what the volume loses.
        $into = -$system->surfaces->heatOut((int) array_search(0, $system->surfaces->elements->cell, true), $temperature);
        $lost = $coefficient * 1e-4 * self::LENGTH / 200 * array_sum(array_map(fn (float $t): float => $t - 300.0, $temperature));
        self::assertEqualsWithDelta($lost, $into, 1e-9 * $lost);
    }

    public function testItsReaderTellsWhatIsWrong(): void
    {
        $problems = new Problems();
        VolumetricLossReader::read(new Reader(['coefficient' => '5 W', 'tempe' => 300], '/loss', $problems, ParametersReader::read([], $problems)));

        $this->expectExceptionMessageMatches('/coefficient.*"5 W" is a heat flow.*\n.*unknown field "tempe"/s');
        $problems->throwIfAny();
    }
}

/** s = c V (T0 - T) in every cell. */
final readonly class VolumetricLoss implements Contribution
{
    /**
     * @param float $coefficient W/m3/K
     * @param float $temperature K
     */
    public function __construct(private float $coefficient, private float $temperature)
    {
    }

    public function addTo(Equation $equation): void
    {
        for ($cell = 0, $count = $equation->grid->count(); $cell < $count; $cell++) {
            $conductance = $this->coefficient * $equation->grid->volume($cell);
            $equation->toGiven[$equation->pad + $cell] += $conductance;
            $equation->source[$equation->pad + $cell] += $conductance * ($this->temperature - $equation->reference);
        }
    }
}

final class VolumetricLossReader
{
    public static function read(Reader $reader): VolumetricLoss
    {
        $loss = new VolumetricLoss($reader->quantity('coefficient', Dimension::of(m: -1, kg: 1, s: -3, K: -1), null, 0.0), $reader->temperature('temperature', 293.15));
        $reader->close();

        return $loss;
    }
}
