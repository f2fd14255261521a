<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\SavedViewResource;
use App\Models\Project;
use App\Models\SavedView;
use Closure;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;

final class SavedViewController
{
    /** Bytes of a picture of a few hundred pixels, and of all that is set in a view. */
    private const MOST = 120_000;

    public function index(Project $project): AnonymousResourceCollection
    {
        return SavedViewResource::collection($project->savedViews);
    }

    public function store(Request $request, Project $project): JsonResponse
    {
        $request->validate(self::rules('required'));
        $view = $project->savedViews()->create([...self::given($request), 'position' => ($project->savedViews->last()->position ?? 0) + 1]);

        return SavedViewResource::make($view)->response()->setStatusCode(201);
    }

    /** Changes what is given; "before" moves it before another view of the project, null to the end. */
    public function update(Request $request, SavedView $view): SavedViewResource
    {
        $request->validate([...self::rules('sometimes'), 'before' => ['sometimes', 'nullable', 'integer']]);
        $view->update(self::given($request));
        if ($request->has('before')) {
            $view->moveBefore($request->filled('before') ? $request->integer('before') : null);
        }

        return SavedViewResource::make($view);
    }

    public function destroy(SavedView $view): Response
    {
        $view->delete();

        return response()->noContent();
    }

    /** @return array<string, mixed> */
    private static function given(Request $request): array
    {
        $given = [];
        foreach (['name', 'caption', 'content', 'thumbnail'] as $field) {
            if ($request->has($field)) {
                $given[$field] = $request->input($field) ?? '';
            }
        }

        return $given;
    }

    /** @return array<string, list<mixed>> */
    private static function rules(string $presence): array
    {
        $small = function (string $field, mixed $value, Closure $fail): void {
            if (strlen((string) json_encode($value)) > self::MOST) {
                $fail(sprintf('The view is larger than %d kB.', self::MOST / 1000));
            }
        };

        return [
            'name' => [$presence, 'string', 'max:80'],
            'caption' => ['nullable', 'string', 'max:500'],
            'content' => [$presence, 'array', $small],
            'thumbnail' => ['nullable', 'string', 'regex:#^data:image/(png|jpeg);base64,[A-Za-z0-9+/=]*$#', 'max:' . self::MOST],
        ];
    }
}
