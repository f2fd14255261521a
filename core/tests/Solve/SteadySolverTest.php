<?php

declare(strict_types=1);

namespace Foehn\Tests\Solve;

use Closure;
use Foehn\Model\Model;
use Foehn\Observe\Fields;
use Foehn\Physics\PhysicsException;
use Foehn\Results\FieldFile;
use Foehn\Results\StoredField;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;
use Foehn\Tests\Models;
use Foehn\Tests\Solved;
use PHPUnit\Framework\TestCase;

final class SteadySolverTest extends TestCase
{
    public function testAHeatedBlockUnderAFilm(): void
    {
        $result = self::solved(Models::block());

        self::assertEqualsWithDelta(293.15 + 250.0, $result->side('z+')['temperature'], 1e-4);
        self::assertEqualsWithDelta(10.0, $result->side('z+')['heat'], 1e-6);
        self::assertLessThan(1e-6, $result->balance['error']);
        self::assertSame(1, $result->verdict['missed']);
        // The mean of a uniform source above the top face: q L^2 / (3 k), q = 10 W / 8e-6 m3.
        self::assertEqualsWithDelta(250.0 + 10 / 8e-6 * 4e-4 / 3 / 167, $result->parts[0]['temperature']['mean'] - 293.15, 0.01);
    }

    public function testEveryConditionGivesTheSameHeat(): void
    {
        $heats = [
            ['kind' => 'flux', 'flux' => '25000 W/m^2'],
            ['kind' => 'power', 'power' => '10 W'],
        ];
        foreach ($heats as $heat) {
            $document = Models::block();
            unset($document['parts'][0]['power']);
            $document['space']['sides']['z-'] = ['kind' => 'wall', 'heat' => $heat];
            $result = self::solved($document);

            self::assertEqualsWithDelta(10.0, $result->balance['out'], 1e-6, $heat['kind']);
            self::assertEqualsWithDelta(543.15 + 25000 * 0.02 / 167, $result->side('z-')['temperature'], 1e-4, $heat['kind']);
        }
    }

    public function testASymmetricModelHasASymmetricAnswer(): void
    {
        $document = Models::block(['analysis' => ['grid' => ['cells' => [8, 8, 8]]]]);
        $film = ['kind' => 'wall', 'heat' => ['kind' => 'film', 'coefficient' => 60]];
        $document['space']['sides'] = ['x-' => $film, 'x+' => $film, 'y-' => $film, 'y+' => $film];
        $result = self::solved($document);

        foreach (['x+', 'y-', 'y+'] as $side) {
            self::assertEqualsWithDelta($result->side('x-')['heat'], $result->side($side)['heat'], 1e-7);
        }
    }

    public function testConductivityFollowsTheTemperature(): void
    {
        // k = k0 (1 + b (T - T0)): the Kirchhoff transform gives k0 (d + b d^2 / 2) = q L for the drop d over a slab.
        $document = Models::block(['materials' => ['m' => ['conductivity' => ['table' => [[300, 10], [500, 20]]]]]]);
        unset($document['parts'][0]['power']);
        $document['parts'][0]['material'] = 'm';
        $document['space']['sides'] = ['z-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 300]], 'z+' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 500]]];
        $document['analysis'] = ['grid' => ['cells' => [1, 1, 200]]];
        $result = self::solved($document);
        $expected = 4e-4 * (10 * 200 + 0.5 * 0.05 * 200 ** 2) / 0.02;

        self::assertEqualsWithDelta($expected, $result->side('z-')['heat'], 1e-3 * $expected);
        self::assertGreaterThan(1, $result->solver['passes']);
    }

    public function testAFilmOnAFaceWashesOnlyWhatIsBare(): void
    {
        // Two blocks, one on the other; the film on top of the lower one leaves their contact alone.
        $document = Models::block();
        $document['space']['box']['max'] = ['20 mm', '20 mm', '30 mm'];
        $document['parts'][0]['faces'] = ['z+' => ['heat' => ['kind' => 'film', 'coefficient' => '100 W/m^2/K']]];
        $document['parts'][] = ['id' => 'top', 'name' => 'Top', 'shape' => ['kind' => 'block', 'size' => ['10 mm', '20 mm', '10 mm']], 'at' => [0, 0, '20 mm'], 'material' => 'aluminium-6061'];
        $document['analysis'] = ['grid' => ['cells' => [8, 4, 24]]];
        $result = self::solved($document);
        $heat = array_column(array_map(fn (array $part) => ['id' => $part['id'], 'top' => ((array) $part['faces'])['z+']['heat']], $result->parts), 'top', 'id');

        // Nearly isothermal: half of the heat leaves through each of the two equal films.
        self::assertEqualsWithDelta(5.0, $heat['top'], 0.1);
        self::assertEqualsWithDelta(10.0, $heat['block'], 1e-3);
    }

    public function testAContactTowardsASideCounts(): void
    {
        $document = Models::block();
        $document['parts'][0]['faces'] = ['z+' => ['heat' => ['kind' => 'contact', 'resistance' => '0.01 m^2*K/W']]];
        $document['space']['sides']['z+'] = ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => '20 degC']];

        self::assertEqualsWithDelta(293.15 + 25000 * 0.01, self::solved($document)->side('z+')['temperature'], 1e-3);
    }

    public function testSaysWhenHeatHasNoWayOut(): void
    {
        $document = Models::block();
        $document['space'] = ['box' => $document['space']['box'], 'fluid' => null];

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('heat has no way out of this model');
        self::solved($document);
    }

    public function testSaysWhichPartFloats(): void
    {
        $document = Models::block();
        $document['space']['box']['max'] = ['50 mm', '20 mm', '20 mm'];
        $document['analysis'] = ['grid' => ['cells' => [10, 8, 8]]];
        $document['parts'][] = ['id' => 'lost', 'name' => 'Lost bracket', 'shape' => ['kind' => 'block', 'size' => ['5 mm', '5 mm', '5 mm']], 'at' => ['40 mm', '5 mm', '5 mm'], 'material' => 'copper'];

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('heat has no way out of part "Lost bracket"');
        self::solved($document);
    }

    public function testSaysWhichHeatedPartIsCovered(): void
    {
        $document = Models::block();
        $document['parts'][] = [...$document['parts'][0], 'id' => 'cover', 'power' => 0];

        $this->expectException(PhysicsException::class);
        $this->expectExceptionMessage('part "Block" has 10 W but no volume left');
        self::solved($document);
    }

    public function testTheDemoIsWorstAtAConverterAndItsHeatRoutesAddUp(): void
    {
        $result = self::solved(Models::demo());
        self::assertSame('l-converter-b', $result->verdict['worst']);
        self::assertLessThan(0.0, $result->verdict['worstMargin'], 'over its limit, though within what the grid leaves open');
        foreach ($result->parts as $part) {
            self::assertEqualsWithDelta($part['power'], array_sum((array) $part['routes']), 1e-5, $part['name']);
        }
    }

    public function testReportsProgressAndStops(): void
    {
        $listener = new class () implements ProgressListener {
            /** @var list<string> */
            public array $stages = [];

            public function report(Progress $progress): void
            {
                $this->stages[] = $progress->stage;
            }

            public function publish(Solution $solution): void
            {
            }

            public function offer(Closure $picture, Closure $checkpoint): void
            {
            }

            public function shouldStop(): bool
            {
                return true;
            }
        };
        $solution = (new SteadySolver(Models::read(Models::demo()), $listener))->solve();

        self::assertTrue($solution->outcome->stopped);
        self::assertSame(['grid', 'equations'], array_slice($listener->stages, 0, 2));
    }

    /** Between 300 K below and 400 K above a slab has a straight profile. */
    public function testWatchesReadALineAndAStretchedGridKeepsIt(): void
    {
        $wall = fn (float $t): array => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => $t]];
        $line = fn (string $id, string $reduce): array => ['id' => $id, 'of' => ['line' => ['from' => [0.005, 0.005, 0.0], 'to' => [0.005, 0.005, 0.008]]], 'reduce' => $reduce];
        $document = [
            'format' => 'foehn-model', 'version' => 1,
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.01, 0.01, 0.01]], 'fluid' => null, 'sides' => ['z-' => $wall(300), 'z+' => $wall(400)]],
            'parts' => [['id' => 's', 'shape' => ['kind' => 'block', 'size' => [0.01, 0.01, 0.01]], 'material' => 'metal']],
            'materials' => ['metal' => ['conductivity' => 100, 'density' => 8000, 'specificHeat' => 400]],
            'watches' => [$line('low', 'min'), $line('mean', 'mean'), $line('high', 'max')],
            'analysis' => ['grid' => ['cells' => [2, 2, 9], 'stretch' => [1, 1, 1.3]]],
        ];
        $result = new Solved($document);

        self::assertEqualsWithDelta([300.0, 340.0, 380.0], array_column($result->watches, 'value'), 1e-4);
        $widths = array_map(fn (float $a, float $b) => $b - $a, array_slice($result->grid['lines'][2], 0, -1), array_slice($result->grid['lines'][2], 1));
        self::assertEqualsWithDelta([1.3, 1.3 ** 4, 1.0], [$widths[1] / $widths[0], $widths[4] / $widths[0], $widths[8] / $widths[0]], 1e-9);
    }

    public function testAStoredFieldProbesLikeThePresentOne(): void
    {
        $point = [0.011, 0.004, 0.0077];
        $document = Models::block(['watches' => [['id' => 'w', 'of' => ['point' => $point]]]]);
        $document['analysis'] = ['grid' => ['cells' => [6, 5, 7]]];
        $solution = (new SteadySolver(Models::read($document)))->solve();
        $stored = new StoredField($solution->state->grid, self::stream(FieldFile::bytes(Fields::temperature($solution->state))), self::stream(FieldFile::parts($solution->state->voxels)));

        $probed = $stored->probe($point);
        self::assertSame(0, $probed['part']);
        self::assertEqualsWithDelta((new Solved($solution))->watches[0]['value'], $probed['temperature'], 1e-3);
    }

    /** @return resource */
    private static function stream(string $bytes)
    {
        $stream = fopen('php://memory', 'w+b');
        self::assertIsResource($stream);
        fwrite($stream, $bytes);

        return $stream;
    }

    /** @param array<string, mixed>|Model $document */
    private static function solved(array|Model $document): Solved
    {
        $solved = new Solved($document);
        self::assertTrue($solved->solver['converged']);

        return $solved;
    }
}
