<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\Run;
use App\Models\RunState;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/**
 * The right of one worker to compute one run, and the fence around it: every write names the attempt that makes it, so that a
 * worker that was declared lost while it lived changes nothing any more.
 */
final readonly class Claim
{
    private function __construct(public int $run, public int $attempt, private string $worker)
    {
    }

    /** Takes a queued run; null when another worker has it, or it was stopped. */
    public static function take(int $run): ?self
    {
        $worker = WorkerIdentity::current();
        $taken = Run::query()->whereKey($run)->where('state', RunState::Queued)->update([
            'state' => RunState::Running, 'worker' => $worker, 'started_at' => DB::raw('coalesce(started_at, now(3))'), 'heartbeat_at' => now(), 'attempts' => DB::raw('attempts + 1'),
        ]);

        return $taken === 0 ? null : new self($run, Run::query()->findOrFail($run)->attempts, $worker);
    }

    /**
     * Writes to the row of the run.
     *
     * @param array<string, mixed> $values by column
     * @throws ClaimLost
     */
    public function write(array $values): void
    {
        // The database counts rows that change, so none may also mean that they already hold the values.
        if ($this->row()->update($values) === 0) {
            $this->check();
        }
    }

    /** @throws ClaimLost when another attempt has the run, or it was ended from outside */
    public function check(): void
    {
        if ($this->row()->doesntExist()) {
            throw $this->lost();
        }
    }

    /** @throws ClaimLost */
    public function stopRequested(): bool
    {
        $asked = $this->row()->value('stop_requested');
        if ($asked === null) {
            throw $this->lost();
        }

        return (bool) $asked;
    }

    /** Gives the run back to the queue, for another worker to go on; it costs no attempt. */
    public function handBack(string $reason): void
    {
        $this->write(['state' => RunState::Queued, 'worker' => null, 'attempts' => $this->attempt - 1, 'message' => $reason]);
    }

    /** @return Builder<Run> */
    public function row(): Builder
    {
        return Run::query()->whereKey($this->run)->where('state', RunState::Running)->where('worker', $this->worker)->where('attempts', $this->attempt);
    }

    private function lost(): ClaimLost
    {
        return new ClaimLost("run $this->run is no longer attempt $this->attempt of this worker");
    }
}
