<?php

declare(strict_types=1);

namespace App\Http\Controllers;

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
use Foehn\Results\CodeVersion;
use Foehn\Solve\MemoryNeed;
use Foehn\Solve\TimeNeed;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Cache;
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
    public function grid(Request $request, Variant $variant): JsonResponse
    {
        $request->validate(['grade' => ['required', Rule::in(GridSettings::GRADES)]]);
        $grade = $request->string('grade')->toString();
        $report = $this->computedOnce($variant, "grid $grade", function (Model $model) use ($grade): array {
            $levels = GridLevels::of($model->withGrade($grade));
            [$gridded, $grid] = end($levels);
            $flow = $model->physics->hasFlow();

            return [...GridReport::of($gridded, $grid), 'lines' => array_map(array_values(...), $grid->lines), 'memory' => MemoryNeed::bytes($grid->count(), $flow), 'seconds' => TimeNeed::seconds($grid->count(), $flow)];
        });

        return response()->json(['grade' => $grade, ...$report]);
    }

    /** The air that the parts close off, or where it gets out. */
    public function cavity(Variant $variant): JsonResponse
    {
        return response()->json($this->computedOnce($variant, 'cavity', function (Model $model): array {
            $cavity = Cavity::of($model);

            return $cavity === null ? ['inside' => null, 'volume' => 0.0, 'leak' => null, 'gap' => null]
                : ['inside' => $cavity->inside, 'volume' => $cavity->volume, 'leak' => $cavity->leak, 'gap' => is_finite($cavity->gap) ? $cavity->gap : null];
        }));
    }

    /**
     * What follows from the document of the head and the code alone is computed at the first request for it.
     *
     * @param callable(Model): array<string, mixed> $compute
     * @return array<string, mixed>
     */
    private function computedOnce(Variant $variant, string $what, callable $compute): array
    {
        $head = $variant->headNumber()->firstOrFail();

        $written = Cache::remember("$what $head->hash " . CodeVersion::hash(), now()->addDay(), fn (): string => json_encode($compute(ModelCodec::fromJson($variant->head()->firstOrFail()->document)), JSON_THROW_ON_ERROR));
        /** @var array<string, mixed> $computed */
        $computed = json_decode($written, true);

        return $computed;
    }
}
