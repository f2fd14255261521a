<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Closure;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;

/** Keeps the solutions on the grids on the way to the one asked for. */
final class Recorder implements ProgressListener
{
    /** @var list<Solution> from coarse to fine */
    public array $solutions = [];

    public function report(Progress $progress): void
    {
    }

    public function publish(Solution $solution): void
    {
        $this->solutions[] = $solution;
    }

    public function offer(Closure $picture, Closure $checkpoint): void
    {
    }

    public function shouldStop(): bool
    {
        return false;
    }
}
