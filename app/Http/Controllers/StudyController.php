<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\StudyResource;
use App\Http\Resources\VariantResource;
use App\Models\PointState;
use App\Models\Project;
use App\Models\Study;
use App\Models\StudyPoint;
use App\Models\User;
use App\Models\Variant;
use App\Studies\PlanRequest;
use App\Studies\StudyQueue;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;

final class StudyController
{
    /** Of a plan that is only looked at, so many points are told. */
    private const EXAMPLES = 5;

    public function __construct(private readonly StudyQueue $studies)
    {
    }

    public function index(Project $project): AnonymousResourceCollection
    {
        return StudyResource::collection($project->studies()->with(StudyResource::WITH)->get());
    }

    /** What a plan would come to, without anything being started. */
    public function check(Request $request, Variant $variant): JsonResponse
    {
        $asked = PlanRequest::of($request, $variant);

        return response()->json(['count' => $asked->count, 'names' => $asked->names, 'examples' => array_column(array_slice($asked->points, 0, self::EXAMPLES), 0)]);
    }

    public function store(Request $request, Variant $variant): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:80']]);
        $asked = PlanRequest::of($request, $variant);
        $study = $this->studies->create($variant, $request->string('name')->trim()->toString(), $asked, User::of($request));

        return StudyResource::make($study->load(StudyResource::WITH))->response()->setStatusCode(201);
    }

    public function show(Study $study): StudyResource
    {
        return StudyResource::make($study->load(StudyResource::WITH));
    }

    /** The points of a study; with "since" those that changed after that moment, which is the "now" of the answer before. Of a search also its aims at each, and the numbers of the best. */
    public function points(Request $request, Study $study): JsonResponse
    {
        $request->validate(['since' => ['date']]);
        $now = now();
        $search = $study->search();
        $all = $study->points()->when($search === null && $request->has('since'), fn ($query) => $query->where('updated_at', '>=', $request->date('since')))->get();
        $points = $request->has('since') ? $all->where('updated_at', '>=', $request->date('since'))->values() : $all;
        $best = $search === null ? [] : array_map(fn (int $key): int => $all[$key]->number ?? 0, $search->best($all->map(fn (StudyPoint $point) => $point->trial())->all()));

        return response()->json(['now' => $now->toIso8601ZuluString('millisecond'), 'best' => $best, 'points' => $points->map(fn (StudyPoint $point) => [
            'number' => $point->number, 'texts' => $point->texts, 'numbers' => $point->numbers, 'state' => $point->state->value, 'message' => $point->message,
            'variant' => $point->variant_id, 'run' => $point->run_id, 'worstMargin' => $point->worst_margin, 'seconds' => $point->seconds, 'readings' => $point->readings ?? [], 'aims' => $search?->values($point->trial()) ?? [],
        ])->all()]);
    }

    /** Renames, pauses and continues; "retry" tries again what failed. */
    public function update(Request $request, Study $study): StudyResource
    {
        $request->validate(['name' => ['sometimes', 'required', 'string', 'max:80'], 'paused' => ['sometimes', 'boolean'], 'retry' => ['sometimes', Rule::in([true])]]);
        if ($request->has('name')) {
            $study->update(['name' => $request->string('name')->trim()->toString()]);
        }
        if ($request->has('paused')) {
            $this->studies->pause($study, $request->boolean('paused'));
        }
        if ($request->has('retry')) {
            $this->studies->retry($study);
        }

        return StudyResource::make($study->refresh()->load(StudyResource::WITH));
    }

    public function destroy(Study $study): Response
    {
        $this->studies->delete($study);

        return response()->noContent();
    }

    /** Makes the model of a point a variant of the list. */
    public function adopt(Request $request, Study $study, int $number): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:80', VariantListController::free($study->project_id)]], VariantListController::MESSAGES);
        $point = $study->points()->where('number', $number)->firstOrFail();
        abort_if($point->state === PointState::Impossible, 422, "Point $number is no model that can be computed: $point->message");
        abort_if($point->state === PointState::Waiting, 422, "Point $number has no model yet; it is made when its turn comes.");
        $variant = $this->studies->modelOf($study, $point, User::of($request));
        $point->update(['variant_id' => $variant->id]);
        abort_if($variant->study_id === null, 422, "Point $number is a variant already: $variant->name.");
        $variant->update(['name' => $request->string('name')->trim()->toString(), 'study_id' => null]);
        $variant->moveBefore(null);

        return VariantResource::make($variant->load(VariantResource::WITH))->response()->setStatusCode(201);
    }
}
