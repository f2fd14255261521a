<?php

declare(strict_types=1);

namespace App\Models;

/** How far a point of a study is. */
enum PointState: string
{
    case Waiting = 'waiting';
    case Queued = 'queued';
    case Running = 'running';
    case Solved = 'solved';
    case Unsteady = 'unsteady';
    case Stopped = 'stopped';
    case Failed = 'failed';
    /** The values make no model that could be computed. */
    case Impossible = 'impossible';

    public static function of(RunState $state): self
    {
        return self::from($state->value);
    }

    /** @return list<self> those that a worker has or will have soon */
    public static function active(): array
    {
        return [self::Queued, self::Running];
    }

    /** @return list<self> those that may be tried again */
    public static function failed(): array
    {
        return [self::Failed, self::Stopped, self::Unsteady];
    }
}
