<?php

declare(strict_types=1);

namespace App\Runs;

use Illuminate\Support\Facades\DB;
use Throwable;

/**
 * Tells every few seconds that a worker lives, also from inside a long solve: the signal of a timer interrupts the computation
 * between two operations, wherever it is. It has a database connection of its own, since it may come in the middle of a query.
 */
final class Heartbeat
{
    /** Between two beats, s. */
    private const PAUSE = 10;

    /**
     * Runs a computation with a beating heart.
     *
     * @param callable(): void $work
     */
    public static function during(Claim $claim, callable $work): void
    {
        if (! function_exists('pcntl_alarm')) {
            $work();

            return;
        }
        pcntl_async_signals(true);
        pcntl_signal(SIGALRM, function () use ($claim): void {
            self::beat($claim);
            pcntl_alarm(self::PAUSE);
        });
        pcntl_alarm(self::PAUSE);
        try {
            $work();
        } finally {
            pcntl_alarm(0);
            pcntl_signal(SIGALRM, SIG_DFL);
        }
    }

    private static function beat(Claim $claim): void
    {
        try {
            $row = $claim->row()->toBase();
            DB::connection('heartbeat')->table('runs')->mergeWheres($row->wheres, $row->getBindings())->update(['heartbeat_at' => now()]);
        } catch (Throwable) {
            // A database that is away is told of by the next write of the run itself.
        }
    }
}
