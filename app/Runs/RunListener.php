<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\Run;
use Foehn\Solve\Progress;
use Foehn\Solve\ProgressListener;
use Foehn\Solve\Solution;

/** Writes the progress of a run to the database and asks there whether it should stop. */
final class RunListener implements ProgressListener
{
    private const PAUSE = 0.25;

    private float $started;

    private float $asked = 0.0;

    private bool $stop = false;

    public function __construct(private readonly Run $run, private readonly RunFiles $files)
    {
        $this->started = microtime(true);
    }

    public function report(Progress $progress): void
    {
        $elapsed = microtime(true) - $this->started;
        Run::query()->whereKey($this->run->id)->update([
            'progress' => json_encode([...$progress->toArray(), 'seconds' => $elapsed]), 'cells' => $progress->cells, 'heartbeat_at' => now(),
        ]);
        if ($progress->stage === 'solving') {
            $this->run->samples()->create([
                'iteration' => $progress->iteration, 'residual' => $progress->residual, 'worst_margin' => $progress->worstMargin, 'seconds' => $elapsed,
            ]);
        }
    }

    public function publish(Solution $solution): void
    {
        $this->files->write($this->run, $solution);
    }

    public function shouldStop(): bool
    {
        if (microtime(true) - $this->asked > self::PAUSE) {
            $this->asked = microtime(true);
            $this->stop = (bool) Run::query()->whereKey($this->run->id)->value('stop_requested');
        }

        return $this->stop;
    }
}
