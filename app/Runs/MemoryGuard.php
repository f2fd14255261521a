<?php

declare(strict_types=1);

namespace App\Runs;

use Foehn\FoehnException;
use Foehn\Grid\GridLevels;
use Foehn\Model\Model;
use Foehn\Solve\MemoryNeed;

/** Refuses a run that this host has not the memory for, before the system ends its worker without a word. */
final class MemoryGuard
{
    /** Share of the free memory that one run may take. */
    private const SHARE = 0.9;

    /** @throws FoehnException */
    public static function check(Model $model): void
    {
        $levels = GridLevels::of($model);
        $grid = end($levels)[1];
        $need = MemoryNeed::bytes($grid->count(), $model->physics->hasFlow(), $model->time);
        $free = self::free();
        if ($free !== null && $need > self::SHARE * $free) {
            throw new OutOfMemory(sprintf(
                'Out of memory: %s cells need about %.1f GB, this host gives %.1f. Choose a coarser grade, or fewer cells in Solve.',
                number_format($grid->count(), 0, '.', ' '), $need / 1e9, self::SHARE * $free / 1e9,
            ));
        }
    }

    /** Bytes a process of this host can still have; null where the system does not tell. FOEHN_WORKER_MEMORY, in MB, sets it lower. */
    private static function free(): ?float
    {
        $set = config()->integer('app.worker_memory') * 1e6;
        $told = preg_match('/^MemAvailable:\s+(\d+) kB/m', (string) @file_get_contents('/proc/meminfo'), $m) === 1 ? 1024.0 * (float) $m[1] : null;

        return $set > 0.0 ? min($set, $told ?? $set) : $told;
    }
}
