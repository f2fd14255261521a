<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Run;
use App\Models\RunState;
use App\Runs\Claim;
use App\Runs\ClaimLost;
use App\Runs\Heartbeat;
use App\Runs\MemoryGuard;
use App\Runs\RunFiles;
use App\Runs\RunListener;
use App\Runs\RunQueue;
use App\Runs\RunStart;
use App\Studies\StudyQueue;
use Foehn\Codec\ModelCodec;
use Foehn\FoehnException;
use Foehn\Solve\Analysis;
use Foehn\Solve\Solution;
use Foehn\Study\OperatingPoints;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Queue\Queueable;
use Illuminate\Support\Facades\DB;
use Throwable;

/** Computes one run. Claims it first, so that a job delivered twice computes once. */
final class SolveRun implements ShouldQueue
{
    use Queueable;

    public int $timeout = 0;

    public int $tries = 1;

    public function __construct(private readonly int $runId)
    {
    }

    public function handle(RunFiles $files, RunQueue $queue, StudyQueue $studies): void
    {
        $claim = Claim::take($this->runId);
        if ($claim === null) {
            return;
        }
        try {
            Heartbeat::during($claim, fn () => $this->compute($claim, $files, $queue));
        } catch (ClaimLost $e) {
            // Whoever has the run now writes its end.
            logger()->warning($e->getMessage());
        } catch (FoehnException $e) {
            $this->end($claim, RunState::Failed, $e->getMessage());
        } catch (Throwable $e) {
            report($e);
            $this->end($claim, RunState::Failed, 'An error of the program ended this run; it is in the log of the server. Your model is saved.');
        }
        $studies->ended($this->runId);
    }

    private function compute(Claim $claim, RunFiles $files, RunQueue $queue): void
    {
        $run = Run::query()->with(['revision', 'variant.project'])->findOrFail($claim->run);
        $model = ModelCodec::fromJson($run->revision->document)->withGrade($run->grade);
        MemoryGuard::check($model);
        $from = $model->physics->hasFlow() && $model->time === null ? RunStart::of($run, $files) : null;
        [$interrupted, $course] = $model->time === null ? [null, null] : RunStart::ofCourse($run, $model->time, $files);
        $before = $this->history($run, $from->resumed ?? $interrupted);
        $start = $from->start ?? RunStart::withTemperatures($run, $model->time?->run, $files);
        $listener = new RunListener($claim, $files, $start, $before, app('queue.worker'));
        $solution = Analysis::solve(ModelCodec::parse($run->revision->document), $run->grade, $listener, $start, $files->links(), $course);
        $flow = $solution->state->flow !== null;
        if ($flow || $solution->course !== null || ($solution->outcome->converged && ! $solution->outcome->stopped)) {
            $files->write($claim, $solution);
        }
        if ($solution->outcome->stopped && $listener->handsBack()) {
            $claim->handBack('The server was stopped; the run goes on where it was.');
            $queue->dispatch($claim->run);

            return;
        }
        $this->finish($claim, $solution, $solution->outcome->converged && ! $solution->outcome->stopped ? $this->points($claim, $run, $solution, $listener, $files) ?? $run->message : $run->message);
    }

    /**
     * The operating points of the model, once it is solved as it stands. A point of a study has none of its own, and temperatures alone are a first look.
     *
     * @return ?string what is to be said where not all were computed
     */
    private function points(Claim $claim, Run $run, Solution $base, RunListener $listener, RunFiles $files): ?string
    {
        $claim->write(['points' => null]);
        $asked = $run->variant->study_id === null && ! $run->keep_flow ? count($base->state->model->operatingPoints) : 0;
        $done = 0;
        foreach ($asked === 0 ? [] : OperatingPoints::solve($run->revision->document, $base, $listener, $files->links()) as $solved) {
            $files->writePoint($claim, $solved);
            $done++;
        }

        return $done === $asked ? null : sprintf('Stopped after %d of %d operating points.', $done, $asked);
    }

    /**
     * The curve of a run that goes on continues that of the run it goes on from; else it begins anew.
     *
     * @return int steps before this attempt
     */
    private function history(Run $run, ?Run $resumed): int
    {
        if ($resumed === null) {
            $run->samples()->delete();
        } elseif (! $resumed->is($run)) {
            DB::table('run_samples')->insertUsing(
                ['run_id', 'iteration', 'residual', 'worst_margin', 'seconds', 'values', 'moment'],
                DB::table('run_samples')->where('run_id', $resumed->id)->orderBy('id')->selectRaw('?, iteration, residual, worst_margin, seconds, `values`, moment', [$run->id]),
            );
        }

        $last = $run->samples()->max('iteration');

        return is_numeric($last) ? (int) $last : 0;
    }

    /** @param ?string $earlier what was said of attempts before */
    private function finish(Claim $claim, Solution $solution, ?string $earlier): void
    {
        $flow = $solution->state->flow !== null;
        [$state, $message] = match (true) {
            $solution->outcome->stopped && $solution->course !== null => [RunState::Stopped, sprintf('Stopped at %.6g s of %.6g s: the course so far is kept', $solution->course->reached(), $solution->state->model->time->end ?? 0.0)],
            $solution->outcome->stopped && $flow => [RunState::Stopped, sprintf('Stopped after %d steps: the flow so far is kept, it is not steady yet', $solution->outcome->iterations)],
            $solution->outcome->stopped => [RunState::Stopped, sprintf('Stopped after %d iterations; what it had is not shown as a result.', $solution->outcome->iterations)],
            $solution->outcome->converged => [RunState::Solved, $earlier],
            default => [$flow ? RunState::Unsteady : RunState::Failed, $solution->shortfall()],
        };
        $this->end($claim, $state, $message);
    }

    private function end(Claim $claim, RunState $state, ?string $message): void
    {
        try {
            $claim->write(['state' => $state, 'message' => $message, 'finished_at' => now()]);
        } catch (ClaimLost $e) {
            logger()->warning($e->getMessage());
        }
    }
}
