<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** Told how a solution goes on; may ask it to stop. */
interface ProgressListener
{
    public function report(Progress $progress): void;

    /** Is given what there is so far, after each grid of a flow and from time to time on one. */
    public function publish(Solution $solution): void;

    /** True to stop at the next opportunity and keep what there is. */
    public function shouldStop(): bool;
}
