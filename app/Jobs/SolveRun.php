<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Run;
use App\Models\RunState;
use App\Runs\RunFiles;
use App\Runs\RunListener;
use App\Runs\WorkerIdentity;
use Foehn\FoehnException;
use Foehn\Model\ModelCodec;
use Foehn\Solve\Solution;
use Foehn\Solve\SteadySolver;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Computes one run. Claims it first, so that a job delivered twice computes once. */
final class SolveRun implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;

    public int $timeout = 0;

    public int $tries = 1;

    public function __construct(private readonly int $runId)
    {
    }

    public function handle(RunFiles $files): void
    {
        $claimed = Run::query()->whereKey($this->runId)->where('state', RunState::Queued)->update([
            'state' => RunState::Running, 'worker' => WorkerIdentity::current(), 'started_at' => now(), 'heartbeat_at' => now(), 'message' => null,
            'attempts' => DB::raw('attempts + 1'),
        ]);
        if ($claimed === 0) {
            return;
        }
        $run = Run::query()->with(['revision', 'variant.project'])->findOrFail($this->runId);
        $run->samples()->delete();
        try {
            $model = ModelCodec::fromJson($run->revision->document)->withGrade($run->grade);
            [$start, $done] = $model->physics->hasFlow() ? $files->startOf($run) : [null, []];
            $solution = (new SteadySolver($model, new RunListener($run, $files), $start, $done, $run->keep_flow && $model->physics->hasFlow()))->solve();
            $this->finish($run, $solution, $files);
        } catch (FoehnException $e) {
            $this->end($run, RunState::Failed, $e->getMessage());
        } catch (Throwable $e) {
            report($e);
            $this->end($run, RunState::Failed, 'An error of the program ended this run; it is in the log of the server. Your model is saved.');
        }
    }

    private function finish(Run $run, Solution $solution, RunFiles $files): void
    {
        $flow = $solution->flow !== null;
        if ($flow || ($solution->converged && ! $solution->stopped)) {
            $files->write($run, $solution);
        }
        [$state, $message] = match (true) {
            $solution->stopped && $flow => [RunState::Stopped, sprintf('Stopped after %d steps: the flow so far is kept, it is not steady yet', $solution->iterations)],
            $solution->stopped => [RunState::Stopped, sprintf('Stopped after %d iterations; what it had is not shown as a result.', $solution->iterations)],
            $solution->converged => [RunState::Solved, null],
            default => [$flow ? RunState::Unsteady : RunState::Failed, $solution->shortfall()],
        };
        $this->end($run, $state, $message);
    }

    private function end(Run $run, RunState $state, ?string $message): void
    {
        $run->fill(['state' => $state, 'message' => $message, 'finished_at' => now()])->save();
    }
}
