<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Runs\RunQueue;
use App\Studies\StudyQueue;
use Illuminate\Console\Command;

/** Starts runs again whose worker or job is lost, and lets studies go on. */
final class RecoverRuns extends Command
{
    protected $signature = 'foehn:recover';

    protected $description = 'Start runs again whose worker or job is lost';

    public function handle(RunQueue $queue, StudyQueue $studies): int
    {
        $recovered = $queue->recover();
        $studies->tick();
        if ($recovered > 0) {
            $this->line("Runs recovered: $recovered.");
        }

        return self::SUCCESS;
    }
}
