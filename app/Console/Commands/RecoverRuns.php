<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Runs\RunQueue;
use Illuminate\Console\Command;

/** Starts runs again whose worker or job is lost. */
final class RecoverRuns extends Command
{
    protected $signature = 'foehn:recover';

    protected $description = 'Start runs again whose worker or job is lost';

    public function handle(RunQueue $queue): int
    {
        $recovered = $queue->recover();
        if ($recovered > 0) {
            $this->line("Runs recovered: $recovered.");
        }

        return self::SUCCESS;
    }
}
