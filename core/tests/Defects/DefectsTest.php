<?php

declare(strict_types=1);

namespace Foehn\Tests\Defects;

use Foehn\Tests\Models;
use Foehn\Tests\Solved;
use PHPUnit\Framework\TestCase;

/**
 * Small models that once gave a wrong answer or none; each stands beside this test.
 *
 * @phpstan-import-type Document from Models
 */
final class DefectsTest extends TestCase
{
    public function testAnEmptyLaminarChannelComesToRest(): void
    {
        $result = self::solve('not-a-number-and-no-end');

        self::assertTrue($result->solver['converged']);
        self::assertLessThan(1e-3, $result->flow()['balance']['error']);
        // The core is faster than the 0.2 m/s at the inlet and slower than the 0.3 m/s of the developed profile.
        self::assertGreaterThan(0.21, $result->flow()['largestVelocity']);
        self::assertLessThan(0.3, $result->flow()['largestVelocity']);
    }

    public function testWithoutWattsTheBalanceIsTestedAgainstTheHeatThatPasses(): void
    {
        $result = self::solve('balance-3-percent-off-yet-converged');

        self::assertTrue($result->solver['converged']);
        self::assertLessThan(1e-3, $result->balance['error']);
    }

    public function testABareFilmHoldsWhereAPartTouchesASideThatStatesNothing(): void
    {
        $result = self::solve('bare-film-ignored-at-the-sides-of-the-space');

        $faces = (array) $result->parts[0]['faces'];
        // Nearly all of the block is at 60 degC: film times area times 40 K, little less.
        foreach (['x-' => 0.08 * 0.031, 'y+' => 0.06 * 0.031, 'z+' => 0.06 * 0.08] as $face => $area) {
            self::assertEqualsWithDelta(18.0 * $area * 40.0, $faces[$face]['heat'], 0.02 * 18.0 * $area * 40.0, $face);
        }
        self::assertLessThan(0.0, $faces['z-']['heat'], 'the side with a temperature feeds the block');
    }

    public function testAStatedOrMirrorSideKeepsABareFilmAway(): void
    {
        $document = self::document('bare-film-ignored-at-the-sides-of-the-space');
        $document['space']['sides']['x-'] = ['heat' => ['kind' => 'adiabatic']];
        $document['space']['sides']['y-'] = ['kind' => 'symmetry'];
        $document['space']['sides']['z+'] = ['patches' => [['min' => [0, 0], 'max' => [0.03, 0.08], 'heat' => ['kind' => 'flux', 'flux' => 0]]]];
        $faces = (new Solved($document))->parts[0]['faces'];

        self::assertSame([0.0, 0.0], [$faces['x-']['heat'], $faces['y-']['heat']]);
        self::assertEqualsWithDelta(18.0 * 0.03 * 0.08 * 40.0, $faces['z+']['heat'], 0.02 * 18.0 * 0.03 * 0.08 * 40.0);
    }

    public function testGivenFlowsThatAddUpNeedNoOutlet(): void
    {
        $result = self::solve('given-flow-in-and-out-refused-by-rounding');

        self::assertTrue($result->solver['converged']);
        self::assertLessThan(1e-9, $result->flow()['balance']['error']);
    }

    private static function solve(string $name): Solved
    {
        return new Solved(self::document($name));
    }

    /** @return Document */
    private static function document(string $name): array
    {
        /** @var Document */
        return json_decode((string) file_get_contents(__DIR__ . "/$name.json"), true, 512, JSON_THROW_ON_ERROR);
    }
}
