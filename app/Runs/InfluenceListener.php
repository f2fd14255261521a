<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\Influence;
use App\Models\RunState;
use Closure;
use Foehn\Physics\PhysicsException;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;

/** Tells how far an influence is, and ends its computation when nobody wants it any more. */
final class InfluenceListener implements ProgressListener
{
    /** Between two writes, s. */
    private const PAUSE = 1.0;

    private float $last = 0.0;

    public function __construct(private readonly int $id)
    {
    }

    /**
     * @param float $share that is done
     * @throws PhysicsException when it was given up
     */
    public function beat(float $share): void
    {
        if (microtime(true) - $this->last < self::PAUSE) {
            return;
        }
        $this->last = microtime(true);
        $own = Influence::query()->whereKey($this->id)->where('state', RunState::Running);
        // The database counts rows that change, so none may also mean that it already holds the values.
        if ($own->update(['progress' => $share, 'updated_at' => now()]) === 0 && $own->doesntExist()) {
            throw new PhysicsException('It was given up.');
        }
    }

    public function report(Progress $progress): void
    {
        $this->beat(0.0);
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
