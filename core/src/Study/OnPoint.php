<?php

declare(strict_types=1);

namespace Foehn\Study;

use Closure;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;

/** Tells a listener which operating point is computed. What is seen on the way is of other loads than those of the model, and is not shown. */
final readonly class OnPoint implements ProgressListener
{
    public function __construct(private ProgressListener $listener, private string $name)
    {
    }

    public function report(Progress $progress): void
    {
        $this->listener->report($progress->atPoint($this->name));
    }

    public function publish(Solution $solution): void
    {
    }

    public function offer(Closure $picture, Closure $checkpoint): void
    {
    }

    public function shouldStop(): bool
    {
        return $this->listener->shouldStop();
    }
}
