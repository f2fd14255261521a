<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;

/** Nobody listens. */
class SilentListener implements ProgressListener
{
    public function report(Progress $progress): void
    {
    }

    public function publish(Solution $solution): void
    {
    }

    public function offer(Closure $picture, Closure $checkpoint): void
    {
    }

    public function shouldStop(): bool
    {
        return false;
    }
}
