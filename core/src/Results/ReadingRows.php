<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Observe\Masses;

/**
 * What a run reads, as it is kept beside it, listed and charted: its limits and watches, and the mass of the parts.
 *
 * @phpstan-type ReadingRow array{id: string, name: string, quantity: string, reduce: string, value: ?float, plusMinus: ?float, margin: ?float, verdict: ?string}
 */
final class ReadingRows
{
    /**
     * @param array{limits: list<array<string, mixed>>, watches: list<array<string, mixed>>, mass?: array{total: float, without: list<string>}, ...} $result
     * @return list<ReadingRow> value and ± in SI units, and of limits margin and verdict
     */
    public static function of(array $result): array
    {
        $shape = ['id' => '', 'name' => '', 'quantity' => 'temperature', 'reduce' => 'max', 'value' => null, 'plusMinus' => null, 'margin' => null, 'verdict' => null];
        $without = count($result['mass']['without'] ?? []);
        $name = $without === 0 ? 'Mass' : sprintf('Mass, %d %s unknown', $without, $without === 1 ? 'part' : 'parts');
        $mass = ($result['mass']['total'] ?? 0.0) > 0.0 ? [['id' => Masses::READING, 'name' => $name, 'quantity' => 'mass', 'reduce' => 'total', 'value' => $result['mass']['total']]] : [];

        /** @var list<ReadingRow> */
        return array_map(fn (array $reading): array => [...$shape, ...array_intersect_key($reading, $shape)], [...$result['limits'], ...$result['watches'], ...$mass]);
    }
}
