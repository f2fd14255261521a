<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\ProjectResource;
use App\Models\Project;
use App\Models\Role;
use Foehn\Model\ModelCodec;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\DB;

final class ProjectController
{
    public function index(Request $request): AnonymousResourceCollection
    {
        return ProjectResource::collection(
            $request->user()->projects()->with(['variants.head', 'variants.lastSolved', 'members'])->orderByDesc('projects.updated_at')->get(),
        );
    }

    /** A new project from a model document in the body. */
    public function store(Request $request): JsonResponse
    {
        $json = $request->getContent();
        $model = ModelCodec::fromJson($json);
        $user = $request->user();
        $project = DB::transaction(function () use ($json, $model, $user): Project {
            $project = Project::query()->create(['name' => $model->name]);
            $project->members()->attach($user->id, ['role' => Role::Owner->value]);
            $project->variants()->create(['name' => 'First design'])->saveModel($json, 0, 'First model', $user);

            return $project;
        });

        return ProjectResource::make($this->loaded($project))->response()->setStatusCode(201);
    }

    public function show(Project $project): ProjectResource
    {
        return ProjectResource::make($this->loaded($project));
    }

    private function loaded(Project $project): Project
    {
        return $project->load(['variants.head', 'variants.lastSolved', 'members']);
    }
}
