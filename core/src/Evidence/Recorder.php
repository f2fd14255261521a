<?php

declare(strict_types=1);

namespace Foehn\Evidence;

use Foehn\Solve\SilentListener;
use Foehn\Solve\Solution;

/** Keeps the solutions on the grids on the way to the one asked for. */
final class Recorder extends SilentListener
{
    /** @var list<Solution> from coarse to fine */
    public array $solutions = [];

    public function publish(Solution $solution): void
    {
        $this->solutions[] = $solution;
    }
}
