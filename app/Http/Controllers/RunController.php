<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\RunResource;
use App\Models\Run;
use App\Models\User;
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

    /** The last runs of a variant, without their curves. */
    public function index(Variant $variant): AnonymousResourceCollection
    {
        return RunResource::collection($variant->runs()->with('revisionNumber')->limit(config()->integer('app.keep.runs'))->get());
    }

    public function store(Request $request, Variant $variant): JsonResponse
    {
        $request->validate(['grade' => ['required', Rule::in(GridSettings::GRADES)], 'keepFlow' => ['boolean']]);
        $run = $this->queue->start($variant, $request->string('grade')->toString(), User::of($request), $request->boolean('keepFlow'));

        return RunResource::make($run->load('revisionNumber'))->response()->setStatusCode(201);
    }

    /** A run with the samples of its curve that came after the one named. */
    public function show(Request $request, Run $run): RunResource
    {
        $request->validate(['after' => ['integer', 'min:0']]);
        $after = $request->integer('after');

        return RunResource::make($run->load(['revisionNumber', 'samples' => fn ($samples) => $samples->where('id', '>', $after)]));
    }

    public function stop(Run $run): RunResource
    {
        return RunResource::make($this->queue->stop($run)->load('revisionNumber'));
    }

    public function result(Run $run, int $picture): Response
    {
        return $this->files->response($run, $picture, 'result.json');
    }

    public function field(Run $run, int $picture, string $field): Response
    {
        return $this->files->response($run, $picture, RunFiles::FIELDS[$field] ?? abort(404, "There is no field \"$field\"; there are " . implode(', ', array_keys(RunFiles::FIELDS)) . '.'));
    }

    public function probe(Request $request, Run $run): JsonResponse
    {
        $request->validate(['x' => ['required', 'numeric'], 'y' => ['required', 'numeric'], 'z' => ['required', 'numeric']]);

        return response()->json($this->files->probe($run, [$request->float('x'), $request->float('y'), $request->float('z')]));
    }
}
