<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\ComputedOnce;
use App\Http\Resources\RevisionResource;
use App\Models\User;
use App\Models\Variant;
use Foehn\Codec\ModelCodec;
use Foehn\Grid\Cavity;
use Foehn\Grid\GridLevels;
use Foehn\Grid\GridReport;
use Foehn\Model\GridSettings;
use Foehn\Model\Model;
use Foehn\Model\ModelException;
use Foehn\Solve\MemoryNeed;
use Foehn\Solve\TimeNeed;
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
        $text = $request->getContent();
        ModelCodec::parse($text);
        // The text as sent, so that an empty object stays an object.
        $body = (array) json_decode($text);
        validator($body, [
            'document' => ['required'],
            'base' => ['required', 'integer', 'min:0'],
            'step' => ['required', 'string', 'max:200'],
        ])->validate();
        $document = json_encode($body['document'], JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION);
        if ($document === false) {
            throw ModelException::at('/document', 'it holds a number that is too large to be one: ' . json_last_error_msg());
        }
        $revision = $variant->saveModel($document, $request->integer('base'), $request->string('step')->toString(), User::of($request));
        $variant->project?->touch();

        return RevisionResource::make($revision->setRelation('variant', $variant));
    }

    /** The grid that a run would use. */
    public function grid(Request $request, Variant $variant, ComputedOnce $computed): JsonResponse
    {
        $request->validate(['grade' => ['required', Rule::in(GridSettings::GRADES)]]);
        $grade = $request->string('grade')->toString();
        $report = $computed->of($variant, "grid $grade", function (Model $model) use ($grade): array {
            $levels = GridLevels::of($model->withGrade($grade));
            [$gridded, $grid] = end($levels);
            $flow = $model->physics->hasFlow();

            return [...GridReport::of($gridded, $grid), 'lines' => array_map(array_values(...), $grid->lines), 'memory' => MemoryNeed::bytes($grid->count(), $flow, $model->time), 'seconds' => TimeNeed::seconds($grid->count(), $flow)];
        });

        return response()->json(['grade' => $grade, ...$report]);
    }

    /** The air that the parts close off, or where it gets out. */
    public function cavity(Variant $variant, ComputedOnce $computed): JsonResponse
    {
        return response()->json($computed->of($variant, 'cavity', function (Model $model): array {
            $cavity = Cavity::of($model);

            return $cavity === null ? ['inside' => null, 'volume' => 0.0, 'leak' => null, 'gap' => null]
                : ['inside' => $cavity->inside, 'volume' => $cavity->volume, 'leak' => $cavity->leak, 'gap' => is_finite($cavity->gap) ? $cavity->gap : null];
        }));
    }
}
