<?php

declare(strict_types=1);

namespace Foehn\Study;

use Foehn\Results\ReadingRows;
use Foehn\Results\ResultBuilder;

/**
 * What is kept of an operating point beside its result: how it ended, its verdict and what it reads.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-import-type ReadingRow from ReadingRows
 * @phpstan-type PointRow array{name: string, values: array<string, string>, state: 'solved'|'unsteady'|'failed', message: ?string, missed: int, undecided: int, worstMargin: ?float, worstLimit: ?string, readings: list<ReadingRow>}
 */
final class PointRows
{
    /**
     * @param ?Result $result null where there is none
     * @return PointRow
     */
    public static function of(SolvedPoint $solved, ?array $result): array
    {
        $outcome = $solved->solution?->outcome;
        $shortfall = $solved->solution === null || $solved->solution->outcome->converged ? null : $solved->solution->shortfall();

        return [
            'name' => $solved->point->name, 'values' => $solved->point->values,
            'state' => $outcome === null ? 'failed' : ($outcome->converged ? 'solved' : 'unsteady'), 'message' => $solved->refused ?? $shortfall,
            'missed' => $result['verdict']['missed'] ?? 0, 'undecided' => $result['verdict']['undecided'] ?? 0,
            'worstMargin' => $result['verdict']['worstMargin'] ?? null, 'worstLimit' => $result['verdict']['worst'] ?? null,
            'readings' => $result === null ? [] : ReadingRows::of($result),
        ];
    }
}
