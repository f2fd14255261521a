<?php

declare(strict_types=1);

namespace App\Runs;

use App\Jobs\SolveRun;
use App\Models\Run;
use App\Models\RunState;
use App\Models\User;
use App\Models\Variant;
use Illuminate\Support\Facades\DB;

/** Starts, stops and recovers runs. */
final class RunQueue
{
    /** A run whose worker is lost is started again this often in all. */
    private const MOST_ATTEMPTS = 3;

    /** A worker on another machine counts as lost when it was silent this long, s. */
    private const SILENCE = 90;

    /** The running computation of the variant's present revision at this grade, or a new one; with $keepFlow temperatures alone, on the last flow. */
    public function start(Variant $variant, string $grade, User $user, bool $keepFlow = false): Run
    {
        return DB::transaction(function () use ($variant, $grade, $user, $keepFlow): Run {
            Variant::query()->whereKey($variant->id)->lockForUpdate()->firstOrFail();
            $head = $variant->head()->firstOrFail();
            $active = $variant->runs()->whereIn('state', [RunState::Queued, RunState::Running])->get();
            foreach ($active as $run) {
                if ($run->revision_id === $head->id && $run->grade === $grade && $run->keep_flow === $keepFlow && ! $run->stop_requested) {
                    return $run;
                }
                $this->stop($run);
            }
            $run = $variant->runs()->create(['revision_id' => $head->id, 'user_id' => $user->id, 'grade' => $grade, 'keep_flow' => $keepFlow]);
            SolveRun::dispatch($run->id);

            return $run->refresh();
        });
    }

    public function stop(Run $run): Run
    {
        Run::query()->whereKey($run->id)->where('state', RunState::Queued)
            ->update(['state' => RunState::Stopped, 'message' => 'Stopped before it started.', 'finished_at' => now()]);
        Run::query()->whereKey($run->id)->where('state', RunState::Running)->update(['stop_requested' => true]);

        return $run->refresh();
    }

    /** The run as it is, after starting it again or giving up on it when its worker is lost. */
    public function checked(Run $run): Run
    {
        if ($run->state !== RunState::Running || ! $this->isLost($run)) {
            return $run;
        }
        $again = $run->attempts < self::MOST_ATTEMPTS && ! $run->stop_requested;
        $changed = Run::query()->whereKey($run->id)->where('state', RunState::Running)->where('worker', $run->worker)->update($again
            ? ['state' => RunState::Queued, 'worker' => null, 'message' => 'Its worker ended unexpectedly; the run starts again.']
            : ['state' => RunState::Failed, 'message' => 'Its worker ended unexpectedly. Nothing of the model is lost; run it again.', 'finished_at' => now()]);
        if ($again && $changed === 1) {
            SolveRun::dispatch($run->id);
        }

        return $run->refresh();
    }

    private function isLost(Run $run): bool
    {
        [$host, $pid, $born] = explode(':', (string) $run->worker) + ['', '0', ''];
        if ($host === gethostname() && is_dir('/proc')) {
            return WorkerIdentity::bornAt((int) $pid) !== $born;
        }

        return $run->heartbeat_at === null || $run->heartbeat_at->lt(now()->subSeconds(self::SILENCE));
    }
}
