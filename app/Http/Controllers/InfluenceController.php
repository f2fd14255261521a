<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Influence;
use App\Models\Run;
use App\Models\RunState;
use App\Runs\RunFiles;
use App\Runs\RunQueue;
use Foehn\Study\WhatIf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The influence of the sources of a run: asked for, followed, read, given up. */
final class InfluenceController
{
    public function __construct(private readonly RunQueue $queue, private readonly RunFiles $files)
    {
    }

    /** Where it stands; state "none" before it was asked for. */
    public function show(Run $run): JsonResponse
    {
        return response()->json(self::describe($run->influence));
    }

    /** Asks for it, or again where it has failed. */
    public function store(Run $run): JsonResponse
    {
        abort_if($run->state->isActive() || $run->picture === 0, 422, 'Influence follows from a result: let the run end first.');

        return response()->json(self::describe($this->queue->influence($run)), 202);
    }

    public function destroy(Run $run): Response
    {
        if ($run->influence !== null) {
            $this->files->deleteInfluence($run->influence);
            $run->influence->delete();
        }

        return response()->noContent();
    }

    public function document(Run $run): BinaryFileResponse
    {
        return $this->files->influence($this->solved($run), WhatIf::DOCUMENT);
    }

    /** What a watt of a source does to every cell, K/W as float32. */
    public function field(Run $run, int $source): BinaryFileResponse
    {
        return $this->files->influence($this->solved($run), WhatIf::fileOf($source));
    }

    private function solved(Run $run): Influence
    {
        $influence = $run->influence;
        if ($influence === null || $influence->state !== RunState::Solved) {
            abort(404, 'The influence of this run is not computed.');
        }

        return $influence;
    }

    /** @return array{id: ?int, state: string, progress: float, message: ?string} */
    private static function describe(?Influence $influence): array
    {
        return ['id' => $influence?->id, 'state' => $influence->state->value ?? 'none', 'progress' => $influence->progress ?? 0.0, 'message' => $influence?->message];
    }
}
