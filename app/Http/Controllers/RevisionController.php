<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\RevisionResource;
use App\Models\Revision;
use App\Models\Variant;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** The revisions of a variant: who did what when, and each as it was. */
final class RevisionController
{
    private const PAGE = 100;

    /** The newest first, without their documents; with "before" those older than that number. */
    public function index(Request $request, Variant $variant): JsonResponse
    {
        $request->validate(['before' => ['integer', 'min:1']]);
        $revisions = $variant->revisions()->with('user:id,name')->withCount('runs')->orderByDesc('number')->limit(self::PAGE)
            ->when($request->has('before'), fn ($query) => $query->where('number', '<', $request->integer('before')))
            ->get(['id', 'variant_id', 'number', 'step', 'user_id', 'created_at']);

        return response()->json($revisions->map(fn (Revision $revision) => [
            'number' => $revision->number, 'step' => $revision->step, 'author' => $revision->user?->name,
            'at' => $revision->created_at?->toIso8601ZuluString(), 'runs' => $revision->runs_count,
        ])->all());
    }

    public function show(Variant $variant, int $number): RevisionResource
    {
        return RevisionResource::make($variant->revisions()->where('number', $number)->firstOrFail()->setRelation('variant', $variant));
    }
}
