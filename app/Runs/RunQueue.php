<?php

declare(strict_types=1);

namespace App\Runs;

use App\Jobs\FindInfluence;
use App\Jobs\SolveRun;
use App\Models\Influence;
use App\Models\Run;
use App\Models\RunState;
use App\Models\User;
use App\Models\Variant;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Queue;

/** Starts, stops and recovers runs. */
final class RunQueue
{
    /** Queues in the order in which workers ask them: what a user waits for goes before the points of studies. */
    public const OWN = 'default';

    public const STUDIES = 'studies';

    /** A run whose worker is lost is started again this often in all. */
    private const MOST_ATTEMPTS = 3;

    /** A worker on another machine counts as lost when it was silent this long, s. */
    private const SILENCE = 90;

    /** A run that waits this long, s, while fewer jobs than runs wait, has lost its job. */
    private const WITHOUT_JOB = 15;

    /** The running computation of the variant's present revision at this grade, or a new one; with $keepFlow temperatures alone, on the last flow. */
    public function start(Variant $variant, string $grade, User $user, bool $keepFlow = false): Run
    {
        return DB::transaction(function () use ($variant, $grade, $user, $keepFlow): Run {
            Variant::query()->whereKey($variant->id)->lockForUpdate()->firstOrFail();
            $head = $variant->head()->firstOrFail();
            $active = $variant->runs()->active()->get();
            foreach ($active as $run) {
                if ($run->revision_id === $head->id && $run->grade === $grade && $run->keep_flow === $keepFlow && ! $run->stop_requested) {
                    return $run;
                }
                $this->stop($run);
            }
            $run = $variant->runs()->create(['revision_id' => $head->id, 'user_id' => $user->id, 'grade' => $grade, 'keep_flow' => $keepFlow]);
            $this->dispatch($run->id);

            return $run->refresh();
        });
    }

    /** The influence of a run: the one that there is or is on its way, or a new one where that has failed. */
    public function influence(Run $run): Influence
    {
        return DB::transaction(function () use ($run): Influence {
            Run::query()->whereKey($run->id)->lockForUpdate()->firstOrFail();
            $known = $run->influence()->first();
            if ($known !== null && $known->state !== RunState::Failed) {
                return $known;
            }
            $known?->delete();
            $influence = $run->influence()->create();
            FindInfluence::dispatch($influence->id);

            return $influence->refresh();
        });
    }

    /** A job for a run that waits. One too many does no harm: only one worker can claim the run. */
    public function dispatch(int $run): void
    {
        Run::query()->whereKey($run)->update(['dispatched_at' => now()]);
        $ofStudy = Variant::query()->whereIn('id', Run::query()->whereKey($run)->select('variant_id'))->whereNotNull('study_id')->exists();
        SolveRun::dispatch($run)->onQueue($ofStudy ? self::STUDIES : self::OWN);
    }

    public function stop(Run $run): Run
    {
        Run::query()->whereKey($run->id)->where('state', RunState::Queued)
            ->update(['state' => RunState::Stopped, 'message' => 'Stopped before it started.', 'finished_at' => now()]);
        Run::query()->whereKey($run->id)->where('state', RunState::Running)->update(['stop_requested' => true]);

        return $run->refresh();
    }

    /**
     * Starts runs again whose worker or job is lost. Asked every few seconds by the supervisor, whoever looks at a run.
     *
     * @return int how many
     */
    public function recover(): int
    {
        $recovered = $this->recoverInfluences();
        foreach (Run::query()->where('state', RunState::Running)->get() as $run) {
            if ($this->isLost($run)) {
                $this->replace($run);
                $recovered++;
            }
        }
        $waiting = Run::query()->where('state', RunState::Queued)->get(['id', 'dispatched_at']);
        if (Queue::pendingSize(self::OWN) + Queue::pendingSize(self::STUDIES) < count($waiting)) {
            foreach ($waiting as $run) {
                if ($run->dispatched_at === null || $run->dispatched_at->lt(now()->subSeconds(self::WITHOUT_JOB))) {
                    $this->dispatch($run->id);
                    $recovered++;
                }
            }
        }

        return $recovered;
    }

    private function recoverInfluences(): int
    {
        $waiting = Queue::pendingSize(self::OWN) > 0 ? [] : Influence::query()->where('state', RunState::Queued)->where('updated_at', '<', now()->subSeconds(self::WITHOUT_JOB))->get()->all();
        foreach ($waiting as $influence) {
            $influence->touch();
            FindInfluence::dispatch($influence->id);
        }

        return count($waiting) + Influence::query()->where('state', RunState::Running)->where('updated_at', '<', now()->subSeconds(self::SILENCE))
            ->update(['state' => RunState::Failed, 'message' => 'Its worker ended unexpectedly. The run is kept; ask for it again.']);
    }

    /** A run whose worker is lost starts again, or is given up after its last attempt. */
    private function replace(Run $run): void
    {
        $again = $run->attempts < self::MOST_ATTEMPTS && ! $run->stop_requested;
        $changed = Run::query()->whereKey($run->id)->where('state', RunState::Running)->where('worker', $run->worker)->where('attempts', $run->attempts)->update($again
            ? ['state' => RunState::Queued, 'worker' => null, 'message' => sprintf('Its worker ended unexpectedly in attempt %d of %d; the run goes on.', $run->attempts, self::MOST_ATTEMPTS)]
            : ['state' => RunState::Failed, 'message' => 'Its worker ended unexpectedly. Nothing of the model is lost; run it again.', 'finished_at' => now()]);
        if ($again && $changed === 1) {
            $this->dispatch($run->id);
        }
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
