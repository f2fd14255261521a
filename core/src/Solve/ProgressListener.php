<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** Told how a solution goes on; may ask it to stop. */
interface ProgressListener
{
    public function report(Progress $progress): void;

    /** True to stop at the next opportunity and keep what there is. */
    public function shouldStop(): bool;
}
