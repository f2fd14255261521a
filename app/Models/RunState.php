<?php

declare(strict_types=1);

namespace App\Models;

enum RunState: string
{
    case Queued = 'queued';
    case Running = 'running';
    case Solved = 'solved';
    case Unsteady = 'unsteady';
    case Stopped = 'stopped';
    case Failed = 'failed';

    public function isActive(): bool
    {
        return $this === self::Queued || $this === self::Running;
    }
}
