<?php

declare(strict_types=1);

namespace Foehn\Tests\Physics;

use Foehn\Tests\Solved;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Plate fins that a coarse grid cannot have one by one, against one resolved gap of the same fins. */
final class FinGapsTest extends TestCase
{
    private const FINS = 17;

    private const THICKNESS = 0.0005;

    private const GAP = (self::WIDTH - self::FINS * self::THICKNESS) / (self::FINS - 1);

    private const WIDTH = 0.017;

    #[TestWith([0.3])]
    #[TestWith([1.0])]
    public function testLumpedFinsHoldBackAirAndGiveHeatLikeResolvedOnes(float $speed): void
    {
        $lumped = self::solve($speed, self::WIDTH, [
            ['id' => 's', 'name' => 'Sink', 'shape' => ['kind' => 'plateFins', 'size' => [0.04, self::WIDTH], 'base' => 0.003, 'height' => 0.017,
                'count' => self::FINS, 'thickness' => self::THICKNESS, 'along' => 'x'], 'at' => [0.01, 0, 0], 'material' => 'aluminium-6063', 'power' => 5],
        ], ['grade' => 'scout']);
        self::assertCount(1, $lumped->flow()['fins']);
        self::assertEqualsWithDelta(self::GAP, $lumped->flow()['fins'][0]['gap'], 1e-9);
        self::assertSame([17, 8, false], [$lumped->flow()['fins'][0]['fins'], $lumped->flow()['fins'][0]['drawn'], $lumped->flow()['fins'][0]['resolved']]);

        // From the middle of a fin to the middle of a gap; the outer fins of the sink have no gap outside.
        $half = 0.5 * self::WIDTH / (self::FINS - 1);
        $block = fn (string $id, float $width, float $bottom, float $top, float $watts) => ['id' => $id, 'name' => $id, 'shape' => ['kind' => 'block',
            'size' => [0.04, $width, $top - $bottom]], 'at' => [0.01, 0, $bottom], 'material' => 'aluminium-6063', 'power' => $watts];
        $resolved = self::solve($speed, $half, [$block('s', $half, 0.0, 0.003, 2.5 / (self::FINS - 1)), $block('fin', $half - self::GAP / 2, 0.003, 0.02, 0.0)], ['lines' => [
            'x' => self::lines([0.0, 0.01, 0.05, 0.06], [4, 20, 4]), 'y' => self::lines([0.0, $half - self::GAP / 2, $half], [2, 5]), 'z' => self::lines([0.0, 0.003, 0.02], [2, 8]),
        ]]);

        foreach (['pressure' => 0.03, 'temperature' => 0.04] as $watch => $tolerance) {
            $reference = $resolved->values()[$watch];
            self::assertEqualsWithDelta($reference, $lumped->values()[$watch], $tolerance * $reference, $watch);
        }
        self::assertLessThan(1e-3, $lumped->balance['error']);
    }

    public function testTheResultSaysWhatIsResolved(): void
    {
        $fins = ['id' => 's', 'name' => 'Sink', 'shape' => ['kind' => 'plateFins', 'size' => [0.01, 0.006], 'base' => 0.001, 'height' => 0.004, 'count' => 2,
            'thickness' => 0.001, 'along' => 'x'], 'at' => [0.02, 0.005, 0], 'material' => 'copper', 'power' => 1];
        $result = self::solve(0.2, self::WIDTH, [$fins], ['cells' => [12, 17, 10]]);
        self::assertTrue($result->flow()['fins'][0]['resolved']);
        self::assertSame(4, $result->flow()['fins'][0]['cells']);
        self::assertSame(2, $result->flow()['fins'][0]['drawn']);
    }

    /**
     * @param list<array<string, mixed>> $parts
     * @param array<string, mixed> $grid
     * @return Solved with the pressure before the fins in Pa and the mean temperature of the base in K among its watches
     */
    private static function solve(float $speed, float $width, array $parts, array $grid): Solved
    {
        $slips = ['kind' => 'symmetry'];

        return new Solved([
            'format' => 'foehn-model', 'version' => 1,
            'surroundings' => ['temperature' => 300, 'gravity' => [0, 0, 0]],
            'physics' => ['flow' => 'laminar'],
            'materials' => ['f' => ['fluid' => true, 'density' => 1.15, 'viscosity' => 1.9e-5, 'conductivity' => 0.026, 'specificHeat' => 1006]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.06, $width, 0.02]], 'fluid' => 'f', 'sides' => [
                'x-' => ['kind' => 'inlet', 'speed' => $speed, 'temperature' => 300], 'x+' => ['kind' => 'outlet'], 'y-' => $slips, 'y+' => $slips, 'z+' => $slips]],
            'parts' => $parts,
            'watches' => [['id' => 'pressure', 'name' => 'p', 'of' => ['point' => [0.003, $width / 2, 0.012]], 'quantity' => 'pressure'],
                ['id' => 'temperature', 'name' => 't', 'of' => ['part' => 's'], 'quantity' => 'temperature', 'reduce' => 'mean']],
            'analysis' => ['grid' => $grid],
        ]);
    }

    /**
     * @param list<float> $planes
     * @param list<int> $cells between them
     * @return list<float>
     */
    private static function lines(array $planes, array $cells): array
    {
        $lines = [$planes[0]];
        foreach ($cells as $n => $count) {
            for ($i = 1; $i <= $count; $i++) {
                $lines[] = $i === $count ? $planes[$n + 1] : $planes[$n] + ($planes[$n + 1] - $planes[$n]) * $i / $count;
            }
        }

        return $lines;
    }
}
