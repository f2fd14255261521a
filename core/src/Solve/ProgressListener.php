<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Closure;
use Foehn\Observe\GridValues;

/** Told how a solution goes on; may ask it to stop. */
interface ProgressListener
{
    public function report(Progress $progress): void;

    /** Is given what a grid on the way to the one asked for has brought. */
    public function publish(Solution $solution): void;

    /**
     * May ask, after every step of a flow, for what there is so far. Making it costs about as much as a few steps; whether it is
     * made changes nothing in what the run computes.
     *
     * @param Closure(): Solution $picture
     * @param Closure(): array{FlowState, list<GridValues>} $checkpoint where the run is, which costs nothing to tell: the flow and the grids that are done
     */
    public function offer(Closure $picture, Closure $checkpoint): void;

    /** True to stop at the next opportunity and keep what there is. */
    public function shouldStop(): bool;
}
