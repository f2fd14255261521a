<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\ProjectResource;
use App\Models\Project;
use App\Models\Role;
use App\Models\User;
use App\Runs\RunQueue;
use Foehn\Codec\ModelCodec;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\DB;

final class ProjectController
{
    /** Projects of the user, last opened first; with ?deleted=1 those that can still be restored. */
    public function index(Request $request): AnonymousResourceCollection
    {
        $projects = User::of($request)->projects()->with(ProjectResource::WITH);

        return ProjectResource::collection($request->boolean('deleted')
            ? $projects->onlyTrashed()->orderByDesc('projects.deleted_at')->get()
            : $projects->orderByRaw('coalesce(memberships.opened_at, memberships.created_at) desc')->orderByDesc('projects.id')->get());
    }

    /** A new project from a model document in the body. */
    public function store(Request $request): JsonResponse
    {
        $json = $request->getContent();
        $model = ModelCodec::fromJson($json);
        $user = User::of($request);
        $project = DB::transaction(function () use ($json, $model, $user): Project {
            $project = Project::query()->create(['name' => $model->name]);
            $project->members()->attach($user->id, ['role' => Role::Owner->value]);
            $project->variants()->create(['name' => 'First design'])->saveModel($json, 0, 'First model', $user);

            return $project;
        });

        return ProjectResource::make($project->load(ProjectResource::WITH))->response()->setStatusCode(201);
    }

    public function show(Request $request, Project $project): ProjectResource
    {
        $project->members()->updateExistingPivot(User::of($request)->id, ['opened_at' => now()]);

        return ProjectResource::make($project->load(ProjectResource::WITH));
    }

    public function update(Request $request, Project $project): ProjectResource
    {
        $request->validate(['name' => ['required', 'string', 'max:200'], 'summary' => ['nullable', 'string', 'max:500']]);
        $project->update(['name' => $request->string('name')->toString(), ...($request->has('summary') ? ['summary' => $request->string('summary')->toString()] : [])]);

        return ProjectResource::make($project->load(ProjectResource::WITH));
    }

    /** Puts a project away, from where it can be restored for a while; its runs are stopped. */
    public function destroy(Project $project, RunQueue $queue): JsonResponse
    {
        foreach ($project->variants as $variant) {
            $variant->runs()->active()->get()->each(fn ($run) => $queue->stop($run));
        }
        $project->delete();

        return response()->json(['restorableDays' => config('app.keep.deleted_days')]);
    }

    public function restore(Project $project): ProjectResource
    {
        $project->restore();

        return ProjectResource::make($project->load(ProjectResource::WITH));
    }
}
