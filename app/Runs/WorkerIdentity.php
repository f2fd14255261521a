<?php

declare(strict_types=1);

namespace App\Runs;

/** Names a worker process so that a later process with the same number is not taken for it. */
final class WorkerIdentity
{
    public static function current(): string
    {
        return implode(':', [gethostname(), getmypid(), self::bornAt((int) getmypid())]);
    }

    /** Start time of a process of this machine in clock ticks; empty when there is none, or it has ended. */
    public static function bornAt(int $pid): string
    {
        $stat = @file_get_contents("/proc/$pid/stat");
        // Fields after the name in parentheses: state, then 18 more up to the start time (man proc).
        $fields = $stat === false ? [] : explode(' ', substr($stat, (int) strrpos($stat, ')') + 2));

        return ($fields[0] ?? 'Z') === 'Z' ? '' : $fields[19] ?? '';
    }
}
