<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\RunSample;
use Closure;
use Foehn\Observe\GridValues;
use Foehn\Solve\KeepsCourses;
use Foehn\Solve\Progress;
use Foehn\Solve\Solution;
use Foehn\Solve\Start;
use Illuminate\Queue\Worker;

/** Writes the progress of a run to the database and asks there whether it should stop. */
final class RunListener implements KeepsCourses
{
    private const PAUSE = 0.25;

    /** The first picture of a run comes after so many seconds; ... */
    private const FIRST_PICTURE = 0.5;

    /** ... between two later ones lie at least these, and so many times what a picture costs. */
    private const BETWEEN_PICTURES = 4.0;

    private const PICTURE_SHARE = 10.0;

    /** Where no picture is made for so long, the flow alone is kept, so that a lost worker loses no more, s. */
    private const LOSES_AT_MOST = 20.0;

    private float $pictureDue;

    private float $kept;

    private float $asked = 0.0;

    private bool $stop = false;

    private bool $handsBack = false;

    /** @param int $before steps that an interrupted run had done */
    public function __construct(
        private readonly Claim $claim,
        private readonly RunFiles $files,
        private readonly Start $start,
        private readonly int $before,
        private readonly Worker $worker,
    ) {
        $this->kept = microtime(true);
        $this->pictureDue = $this->kept + self::FIRST_PICTURE;
    }

    /** Whether the run was stopped because its worker is asked to end, and not by a user. */
    public function handsBack(): bool
    {
        return $this->handsBack;
    }

    public function report(Progress $progress): void
    {
        $seconds = $this->start->seconds();
        $iteration = $this->before + $progress->iteration;
        $this->claim->write([
            'progress' => json_encode([...$progress->toArray(), 'iteration' => $iteration, 'seconds' => $seconds]), 'cells' => $progress->cells, 'heartbeat_at' => now(),
        ]);
        if (in_array($progress->stage, ['solving', 'time'], true)) {
            RunSample::query()->create([
                'run_id' => $this->claim->run, 'iteration' => $iteration, 'residual' => $progress->residual, 'worst_margin' => $progress->worstMargin, 'seconds' => $seconds, 'values' => $progress->values, 'moment' => $progress->time['now'] ?? null,
            ]);
        }
    }

    public function publish(Solution $solution): void
    {
        $this->files->write($this->claim, $solution);
        $this->kept = microtime(true);
        $this->pictureDue = $this->kept + self::BETWEEN_PICTURES;
    }

    public function offer(Closure $picture, Closure $checkpoint): void
    {
        $begun = microtime(true);
        if ($begun > $this->pictureDue) {
            $this->files->write($this->claim, $picture());
            $this->kept = microtime(true);
            $this->pictureDue = $this->kept + max(self::BETWEEN_PICTURES, self::PICTURE_SHARE * ($this->kept - $begun));
        } elseif ($begun > $this->kept + self::LOSES_AT_MOST) {
            [$state, $done] = $checkpoint();
            $this->files->keep($this->claim, array_map(fn (GridValues $level) => $level->toArray(), $done), $state);
            $this->kept = microtime(true);
        }
    }

    public function keepCourse(Closure $state, bool $ends): void
    {
        if ($ends || microtime(true) > $this->kept + self::LOSES_AT_MOST) {
            $this->files->keepCourse($this->claim, $state());
            $this->kept = microtime(true);
        }
    }

    public function shouldStop(): bool
    {
        if (microtime(true) - $this->asked > self::PAUSE) {
            $this->asked = microtime(true);
            $asked = $this->claim->stopRequested();
            $this->handsBack = ! $asked && $this->worker->shouldQuit;
            $this->stop = $asked || $this->handsBack;
        }

        return $this->stop;
    }
}
