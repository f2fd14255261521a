<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\RevisionResource;
use App\Models\Variant;
use Foehn\Grid\Cavity;
use Foehn\Grid\GridLevels;
use Foehn\Grid\GridReport;
use Foehn\Model\GridSettings;
use Foehn\Model\ModelCodec;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

final class VariantController
{
    public function show(Variant $variant): RevisionResource
    {
        return RevisionResource::make($variant->head()->firstOrFail()->setRelation('variant', $variant));
    }

    /** Saves the model as the next revision; 409 when someone else has saved since the base revision. */
    public function update(Request $request, Variant $variant): RevisionResource
    {
        $given = $request->validate([
            'document' => ['required', 'array'],
            'base' => ['required', 'integer', 'min:0'],
            'step' => ['required', 'string', 'max:200'],
        ]);
        // The text as sent, so that an empty object stays an object.
        $body = json_decode($request->getContent());
        $document = json_encode($body->document, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR);
        $revision = $variant->saveModel($document, (int) $given['base'], $given['step'], $request->user());
        $variant->project->touch();

        return RevisionResource::make($revision->setRelation('variant', $variant));
    }

    /** The grid that a run would use. */
    public function grid(Request $request, Variant $variant): JsonResponse
    {
        $given = $request->validate(['grade' => ['required', Rule::in(GridSettings::GRADES)]]);
        $model = ModelCodec::fromJson($variant->head()->firstOrFail()->document)->withGrade($given['grade']);

        $levels = GridLevels::of($model);

        return response()->json(['grade' => $given['grade'], ...GridReport::of(...end($levels))]);
    }

    /** The air that the parts close off, or where it gets out. */
    public function cavity(Variant $variant): JsonResponse
    {
        $cavity = Cavity::of(ModelCodec::fromJson($variant->head()->firstOrFail()->document));

        return response()->json($cavity === null ? ['inside' => null, 'volume' => 0.0, 'leak' => null, 'gap' => null]
            : ['inside' => $cavity->inside, 'volume' => $cavity->volume, 'leak' => $cavity->leak, 'gap' => is_finite($cavity->gap) ? $cavity->gap : null]);
    }
}
