<?php

declare(strict_types=1);

namespace Foehn\Tests\Study;

use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Numerics\NonNegative;
use Foehn\Study\Impedance;
use Foehn\Tests\Models;
use Foehn\Tests\Nested;
use PHPUnit\Framework\TestCase;
use stdClass;

final class ImpedanceTest extends TestCase
{
    public function testLeastSquaresWithoutNegativeValuesKeepWhatTheyMust(): void
    {
        $columns = [[1.0, 0.0, 1.0], [0.0, 1.0, 1.0], [1.0, 1.0, 0.0]];
        self::assertEqualsWithDelta([2.0, 3.0, 0.0], NonNegative::solve($columns, [2.0, 3.0, 5.0]), 1e-9);
        // Without the bound the second would be -1.
        self::assertEqualsWithDelta([1.0, 0.0], NonNegative::solve([[1.0, 0.0], [0.0, 1.0]], [1.0, -1.0]), 1e-9);
    }

    public function testANetworkIsFoundAgainFromItsCurve(): void
    {
        $pairs = [['resistance' => 0.1, 'tau' => 0.01], ['resistance' => 0.5, 'tau' => 1.0], ['resistance' => 2.0, 'tau' => 100.0]];
        $curve = [];
        for ($n = 0; $n <= 120; $n++) {
            $time = 1e-3 * 10.0 ** ($n / 20.0);
            $curve[] = [$time, Impedance::at($pairs, $time)];
        }
        $found = Impedance::fitted($curve);

        self::assertLessThan(0.02, $found->difference);
        self::assertCount(3, $found->pairs);
        foreach ($pairs as $n => $pair) {
            self::assertEqualsWithDelta($pair['resistance'], $found->pairs[$n]['resistance'], 0.05 * $pair['resistance']);
            self::assertEqualsWithDelta(log($pair['tau']), log($found->pairs[$n]['tau']), 0.2);
        }
    }

    /** The block has 19.35 J/K and loses 0.04 W/K at its top: nearly one pair of 25 K/W. */
    public function testABlockIsOnePairAndItsSource(): void
    {
        $document = Models::block(['watches' => [['id' => 'mean', 'of' => ['part' => 'block']]], 'analysis' => ['grid' => ['cells' => [2, 2, 4]]]]);
        $impedance = Impedance::of(json_encode($document, JSON_THROW_ON_ERROR), 'block', 'mean', 3000.0);

        self::assertEqualsWithDelta(25.0, Impedance::at($impedance->pairs, 1e5), 0.3);
        self::assertEqualsWithDelta(25.0 * (1.0 - exp(-1.0)), Impedance::at($impedance->pairs, 19.35 / 0.04), 0.4);
        self::assertLessThan(0.3, $impedance->difference);
    }

    /** A block on a plate of 80 degC, with a flux into one face, takes as much for a watt as one in surroundings of its own. */
    public function testWhatElseHeatsOrCoolsIsLeftOut(): void
    {
        $at = function (array $top, array $side): float {
            $faces = ['z+' => ['heat' => ['kind' => 'film', 'coefficient' => 100, ...$top]], 'x+' => ['heat' => $side]];
            $document = Models::block(['watches' => [['id' => 'mean', 'of' => ['part' => 'block']]], 'analysis' => ['grid' => ['cells' => [2, 2, 4]]]]);
            $document = Nested::with($document, $faces, 'parts', 0, 'faces');

            return Impedance::at(Impedance::of(json_encode($document, JSON_THROW_ON_ERROR), 'block', 'mean', 600.0)->pairs, 600.0);
        };
        $alone = $at([], ['kind' => 'adiabatic']);

        self::assertGreaterThan(5.0, $alone);
        self::assertEqualsWithDelta($alone, $at(['temperature' => '80 degC'], ['kind' => 'flux', 'flux' => 5000]), 1e-6 * $alone);
        self::assertLessThan(0.5 * $alone, $at([], ['kind' => 'temperature', 'temperature' => '60 degC']), 'what is held at a temperature still takes heat');
    }

    public function testItIsReadFromTheCourseOfOneSourceAlone(): void
    {
        $document = Models::block(['watches' => [['id' => 'mean', 'of' => ['part' => 'block']]], 'analysis' => ['grid' => ['cells' => [2, 2, 4]]]]);
        $stepped = Impedance::stepped(json_encode([...$document, 'parameters' => new stdClass()], JSON_THROW_ON_ERROR), 'block', 60.0);
        [$model, $source] = Impedance::heated($stepped);

        self::assertSame('block', $source->id);
        self::assertSame([[0.0, 0.0], [30.0, 2.0 / $source->power], [60.0, 3.0 / $source->power]], Impedance::ofCourse([$model, $source], 'mean', [0.0, 30.0, 60.0], [300.0, 302.0, 303.0])->curve);
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage('here it begins otherwise');
        Impedance::heated(json_encode($document, JSON_THROW_ON_ERROR));
    }

    public function testASourceThatIsNoneIsSaid(): void
    {
        $this->expectException(ModelException::class);
        $this->expectExceptionMessage('there is no part with the id "none" to heat');
        Impedance::of(json_encode(Models::block(), JSON_THROW_ON_ERROR), 'none', 'l1', 10.0);
    }

    public function testPulsesTellNone(): void
    {
        $stepped = Nested::with(ModelCodec::parse(Impedance::stepped(json_encode(Models::block(), JSON_THROW_ON_ERROR), 'block', 60.0)), ['pulse' => ['high' => 5, 'period' => 10, 'duty' => 0.5]], 'parts', 0, 'power');

        $this->expectException(ModelException::class);
        $this->expectExceptionMessage('here loads follow the time');
        Impedance::heated(json_encode($stepped, JSON_THROW_ON_ERROR));
    }
}
