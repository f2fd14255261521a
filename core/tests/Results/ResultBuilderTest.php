<?php

declare(strict_types=1);

namespace Foehn\Tests\Results;

use Foehn\Tests\Models;
use Foehn\Tests\Solved;
use PHPUnit\Framework\TestCase;

/**
 * 4 W enter the top of a lid of 10 mm (k = 10) on a foot of 10 mm (k = 20) that stands at 300 K, 1e-4 m2K/W between them, all of
 * 10 x 10 mm: 40 kW/m2 lift the foot by 20 K, the joint by 4 K, the lid by 40 K.
 */
final class ResultBuilderTest extends TestCase
{
    public function testWatchesOfPartsFacesAndSidesTellOneHeat(): void
    {
        $result = self::read([
            self::watch('foot', ['part' => 'foot'], 'temperature', 'max'),
            self::watch('joint below', ['part' => 'foot', 'face' => 'z+'], 'temperature', 'mean'),
            self::watch('joint above', ['part' => 'lid', 'face' => 'z-'], 'temperature', 'mean'),
            self::watch('top', ['side' => 'z+'], 'temperature', 'max'),
            self::watch('inside', ['point' => [0.005, 0.005, 0.012]], 'temperature', 'mean'),
            self::watch('into the foot', ['part' => 'foot', 'face' => 'z+'], 'heat', 'total'),
            self::watch('flux of the lid', ['part' => 'lid', 'face' => 'z-'], 'heatFlux', 'mean'),
            self::watch('out below', ['side' => 'z-'], 'heat', 'total'),
        ]);

        self::assertEqualsWithDelta([
            'joint below' => 320.0, 'joint above' => 324.0, 'top' => 364.0, 'inside' => 332.0, 'into the foot' => -4.0, 'flux of the lid' => 40e3, 'out below' => 4.0,
        ], array_diff_key(array_column($result->watches, 'value', 'name'), ['foot' => 0]), 1e-4);
        // The hottest cell of the foot lies half a cell below its top.
        self::assertEqualsWithDelta(320.0 - 20.0 / 16, $result->watches[0]['value'], 1e-4);
        self::assertEqualsWithDelta(['foot' => 4.0], array_filter($result->parts[1]['routes'], fn (float $heat): bool => $heat > 0.0), 1e-6);
        self::assertEqualsWithDelta(['area' => 1e-4, 'temperature' => 324.0, 'beyond' => 320.0], $result->parts[1]['interfaces']['foot'], 1e-4);
    }

    public function testTheVerdictNamesTheLeastMarginOfATemperature(): void
    {
        $limit = fn (string $id, array $of, string $bound, string $value, string $quantity = 'temperature'): array => ['id' => $id, 'of' => $of, $bound => $value, 'quantity' => $quantity];
        $result = self::read([], [
            $limit('foot', ['part' => 'foot', 'face' => 'z+'], 'atMost', '330 K'),
            $limit('lid', ['part' => 'lid', 'face' => 'z-'], 'atMost', '320 K'),
            $limit('cold', ['side' => 'z-'], 'atLeast', '299 K'),
            $limit('heat', ['side' => 'z-'], 'atMost', '3 W', 'heat'),
        ]);

        self::assertEqualsWithDelta(['foot' => 10.0, 'lid' => -4.0, 'cold' => 1.0, 'heat' => -1.0], array_column($result->limits, 'margin', 'id'), 1e-4);
        self::assertSame(['met', 'missed', 'met', 'missed'], array_column($result->limits, 'verdict'));
        self::assertSame(['limits' => 4, 'missed' => 2, 'undecided' => 0, 'worst' => 'lid'], array_diff_key($result->verdict, ['worstMargin' => 0]));
    }

    public function testALimitWithinItsUncertaintyIsNeitherMetNorMissed(): void
    {
        $solve = fn (float $atMost): Solved => new Solved(Models::block(['analysis' => ['grid' => ['grade' => 'working']], 'limits' => [['id' => 'l', 'of' => ['part' => 'block'], 'atMost' => $atMost]]]));
        $limit = $solve(500.0)->limits[0];
        [$value, $plusMinus] = [(float) $limit['value'], (float) $limit['plusMinus']];
        self::assertGreaterThan(0.0, $plusMinus);

        foreach ([[0.5, 'undecided'], [-0.5, 'undecided'], [3.0, 'met'], [-3.0, 'missed']] as [$times, $verdict]) {
            $result = $solve($value + $times * $plusMinus);
            self::assertSame($verdict, $result->limits[0]['verdict']);
            self::assertSame([$verdict === 'missed' ? 1 : 0, $verdict === 'undecided' ? 1 : 0], [$result->verdict['missed'], $result->verdict['undecided']]);
        }
    }

    /**
     * @param array<string, mixed> $of
     * @return array<string, mixed>
     */
    private static function watch(string $name, array $of, string $quantity, string $reduce): array
    {
        return ['id' => str_replace(' ', '-', $name), 'name' => $name, 'of' => $of, 'quantity' => $quantity, 'reduce' => $reduce];
    }

    /**
     * @param list<array<string, mixed>> $watches
     * @param list<array<string, mixed>> $limits
     */
    private static function read(array $watches, array $limits = []): Solved
    {
        $block = fn (string $id, float $low, array $more): array => ['id' => $id, 'name' => $id, 'shape' => ['kind' => 'block', 'size' => [0.01, 0.01, 0.01]], 'at' => [0, 0, $low], ...$more];

        return new Solved([
            'format' => 'foehn-model', 'version' => 1, 'surroundings' => ['temperature' => 300],
            'materials' => ['poor' => ['conductivity' => 10], 'good' => ['conductivity' => 20]],
            'space' => ['box' => ['min' => [0, 0, 0], 'max' => [0.01, 0.01, 0.02]], 'fluid' => null, 'sides' => [
                'z-' => ['kind' => 'wall', 'heat' => ['kind' => 'temperature', 'temperature' => 300]], 'z+' => ['kind' => 'wall', 'heat' => ['kind' => 'power', 'power' => 4]]]],
            'parts' => [
                $block('foot', 0.0, ['material' => 'good']),
                $block('lid', 0.01, ['material' => 'poor', 'faces' => ['z-' => ['heat' => ['kind' => 'contact', 'resistance' => 1e-4]]]]),
            ],
            'watches' => $watches, 'limits' => $limits,
            'analysis' => ['grid' => ['cells' => [2, 2, 16]]],
        ]);
    }
}
