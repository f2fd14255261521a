<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** Follows a computation that is only the beginning of another one: its progress counts, its pictures do not. */
final class OnTheWay extends SilentListener
{
    public function __construct(private readonly ProgressListener $listener)
    {
    }

    public function report(Progress $progress): void
    {
        $this->listener->report($progress);
    }

    public function shouldStop(): bool
    {
        return $this->listener->shouldStop();
    }
}
