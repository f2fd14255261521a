<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Project;
use App\Models\Run;
use App\Models\RunState;
use Illuminate\Http\JsonResponse;

/** What limits and watches read in every solved run of a project, in the order in which the runs ended. */
final class ReadingsController
{
    private const MOST = 1000;

    public function __invoke(Project $project): JsonResponse
    {
        $runs = Run::query()->whereIn('variant_id', $project->variants()->select('id'))->where('state', RunState::Solved)->whereNotNull('readings')
            ->with('revisionNumber')->orderByDesc('id')->limit(self::MOST)->get(['id', 'variant_id', 'revision_id', 'grade', 'finished_at', 'readings']);

        return response()->json($runs->reverse()->values()->map(fn (Run $run) => [
            'run' => $run->id, 'variant' => $run->variant_id, 'revision' => $run->revisionNumber->number, 'model' => $run->revisionNumber->hash,
            'grade' => $run->grade, 'finishedAt' => $run->finished_at?->toIso8601ZuluString(), 'readings' => $run->readings,
        ])->all());
    }
}
