<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\RunResource;
use App\Models\Run;
use App\Models\Variant;
use App\Runs\RunFiles;
use App\Runs\RunQueue;
use Foehn\Model\GridSettings;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\Response;

final class RunController
{
    public function __construct(private readonly RunQueue $queue, private readonly RunFiles $files)
    {
    }

    public function index(Variant $variant): AnonymousResourceCollection
    {
        return RunResource::collection($variant->runs()->with(['revision', 'samples'])->limit(20)->get());
    }

    public function store(Request $request, Variant $variant): JsonResponse
    {
        $given = $request->validate(['grade' => ['required', Rule::in(GridSettings::GRADES)], 'keepFlow' => ['boolean']]);
        $run = $this->queue->start($variant, $given['grade'], $request->user(), (bool) ($given['keepFlow'] ?? false));

        return RunResource::make($run->load(['revision', 'samples']))->response()->setStatusCode(201);
    }

    public function show(Run $run): RunResource
    {
        return RunResource::make($this->queue->checked($run)->load(['revision', 'samples']));
    }

    public function stop(Run $run): RunResource
    {
        return RunResource::make($this->queue->stop($run)->load(['revision', 'samples']));
    }

    public function result(Run $run): Response
    {
        return $this->files->response($run, 'result.json');
    }

    public function field(Run $run, string $field): Response
    {
        $name = ['temperature' => 'temperature.f32', 'parts' => 'parts.u16', 'velocity' => 'velocity.f32'][$field] ?? abort(404, "There is no field \"$field\".");

        return $this->files->response($run, $name);
    }

    public function probe(Request $request, Run $run): JsonResponse
    {
        $given = $request->validate(['x' => ['required', 'numeric'], 'y' => ['required', 'numeric'], 'z' => ['required', 'numeric']]);

        return response()->json($this->files->probe($run, [(float) $given['x'], (float) $given['y'], (float) $given['z']]));
    }
}
