<?php

declare(strict_types=1);

namespace Foehn\Console;

use Closure;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;

/** One line on a terminal that is overwritten; nothing when the error output is not a terminal. */
final class TerminalListener implements ProgressListener
{
    public function report(Progress $progress): void
    {
        if (stream_isatty(STDERR)) {
            fprintf(STDERR, "\r%-10s %9d cells  iteration %4d  residual %.1e ", $progress->stage, $progress->cells, $progress->iteration, $progress->residual);
        }
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
