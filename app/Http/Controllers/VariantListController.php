<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\VariantResource;
use App\Models\Project;
use App\Models\User;
use App\Models\Variant;
use App\Runs\RunQueue;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Validation\Rule;
use Illuminate\Validation\Rules\Unique;

/** The variants of a project as a list: cloned, renamed, moved, deleted and restored. Their models are the business of VariantController. */
final class VariantListController
{
    public const MESSAGES = ['name.unique' => 'This project already has a variant called ":input"; take another name.'];

    /** Variants that can still be restored, the last deleted first. */
    public function deleted(Project $project): AnonymousResourceCollection
    {
        return VariantResource::collection($project->variants()->onlyTrashed()->with(VariantResource::WITH)->reorder()->orderByDesc('deleted_at')->get());
    }

    /** A clone of a revision of the variant. */
    public function store(Request $request, Variant $variant): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:80', self::free($variant->project_id)], 'revision' => ['required', 'integer', 'min:1']], self::MESSAGES);
        $clone = $variant->cloneAs($request->string('name')->trim()->toString(), $request->integer('revision'), User::of($request));

        return VariantResource::make($clone->load(VariantResource::WITH))->response()->setStatusCode(201);
    }

    /** Changes name and note as given; "before" moves it before another variant of the project, null to the end. */
    public function update(Request $request, Variant $variant): VariantResource
    {
        $request->validate([
            'name' => ['sometimes', 'required', 'string', 'max:80', self::free($variant->project_id)->ignore($variant->id)],
            'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
            'before' => ['sometimes', 'nullable', 'integer'],
        ], self::MESSAGES);
        $variant->update([
            ...($request->has('name') ? ['name' => $request->string('name')->trim()->toString()] : []),
            ...($request->has('note') ? ['note' => $request->string('note')->toString()] : []),
        ]);
        if ($request->has('before')) {
            $variant->moveBefore($request->filled('before') ? $request->integer('before') : null);
        }

        return VariantResource::make($variant->load(VariantResource::WITH));
    }

    /** Puts a variant away, from where it can be restored for a while; its runs are stopped. */
    public function destroy(Variant $variant, RunQueue $queue): JsonResponse
    {
        abort_if(Variant::query()->where('project_id', $variant->project_id)->whereNull('study_id')->count() < 2, 422, 'This is the only variant of its project. Clone it first, or delete the project.');
        $variant->runs()->active()->get()->each(fn ($run) => $queue->stop($run));
        $variant->delete();

        return response()->json(['restorableDays' => config('app.keep.deleted_days')]);
    }

    public function restore(Variant $variant): VariantResource
    {
        // Another one may have got its name meanwhile.
        $variant->name = $variant->freeName($variant->name);
        $variant->restore();

        return VariantResource::make($variant->load(VariantResource::WITH));
    }

    /** That no variant of a project's list has the name. */
    public static function free(int $project): Unique
    {
        return Rule::unique('variants', 'name')->where('project_id', $project)->whereNull('study_id')->withoutTrashed();
    }
}
