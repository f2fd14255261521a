<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Models\Influence;
use App\Models\RunState;
use App\Runs\InfluenceListener;
use App\Runs\MemoryGuard;
use App\Runs\RunFiles;
use Foehn\Codec\ModelCodec;
use Foehn\FoehnException;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Study\WhatIf;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Throwable;

/** Finds the influence of every source of a run, and what would help, on the flow that the run has found. */
final class FindInfluence implements ShouldQueue
{
    use Dispatchable;
    use InteractsWithQueue;

    public int $timeout = 0;

    public int $tries = 1;

    public function __construct(private readonly int $id)
    {
    }

    public function handle(RunFiles $files): void
    {
        if (Influence::query()->whereKey($this->id)->where('state', RunState::Queued)->update(['state' => RunState::Running]) === 0) {
            return;
        }
        try {
            $this->compute(Influence::query()->with('run.revision')->findOrFail($this->id), $files);
            $this->end(RunState::Solved, null);
        } catch (FoehnException $e) {
            $this->end(RunState::Failed, $e->getMessage());
        } catch (Throwable $e) {
            report($e);
            $this->end(RunState::Failed, 'An error of the program ended this; it is in the log of the server. The run itself is kept.');
        }
    }

    /** @throws FoehnException */
    private function compute(Influence $influence, RunFiles $files): void
    {
        $run = $influence->run;
        $model = ModelCodec::fromJson($run->revision->document)->withGrade($run->grade);
        MemoryGuard::check($model);
        $listener = new InfluenceListener($this->id);
        $start = $model->physics->hasFlow() ? new Start($files->checkpoint($run)[0] ?? null, frozen: true, model: $run->revision->hash) : new Start();
        $heat = (new SteadySolver($model, $listener, $start, $files->links()))->linearised();
        $listener->beat(0.0);
        $found = WhatIf::of($heat, ModelCodec::parse($run->tolerated()), $listener->beat(...));
        $files->writeInfluence($influence, $found->files($heat));
    }

    /** Of one that was given up meanwhile there is nothing to end. */
    private function end(RunState $state, ?string $message): void
    {
        Influence::query()->whereKey($this->id)->where('state', RunState::Running)->update(['state' => $state, 'message' => $message]);
    }
}
