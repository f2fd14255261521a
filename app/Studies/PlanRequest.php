<?php

declare(strict_types=1);

namespace App\Studies;

use App\Models\Revision;
use App\Models\Variant;
use Foehn\Codec\ModelCodec;
use Foehn\Model\GridSettings;
use Foehn\Model\ModelException;
use Foehn\Study\Search\Search;
use Foehn\Study\SweepPlan;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;

/**
 * What a study is asked for with: which revision, at which grade, and the plan of its points.
 *
 * @phpstan-type Points list<array{list<string>, list<float>}>
 */
final readonly class PlanRequest
{
    /**
     * @param array<string, mixed> $plan as it was asked for
     * @param list<string> $names of what is varied
     * @param Points $points values as they are written into the model, and in SI units; of a search the first ones
     * @param int $count of all points
     */
    private function __construct(public Revision $revision, public string $grade, public array $plan, public array $names, public array $points, public int $count)
    {
    }

    /**
     * @throws \Illuminate\Validation\ValidationException
     * @throws ModelException that says what of the plan was given and what would be right
     */
    public static function of(Request $request, Variant $variant): self
    {
        $request->validate([
            'revision' => ['required', 'integer', 'min:1'],
            'grade' => ['required', Rule::in(GridSettings::GRADES)],
            'plan' => ['required', 'array'],
            'plan.kind' => ['required', Rule::in(['grid', 'latin', 'table', 'builds', 'search'])],
            'plan.variations' => ['array', 'max:12'],
            'plan.variations.*' => ['string', 'max:2000'],
            'plan.count' => ['required_if:plan.kind,latin,builds,search', 'integer'],
            'plan.seed' => ['integer', 'min:0'],
            'plan.margin' => ['nullable', 'numeric'],
            'plan.aims' => ['required_if:plan.kind,search', 'array', 'max:2'],
            'plan.aims.*' => ['array:kind,of,most,unit'],
            'plan.aims.*.most' => ['boolean'],
            'plan.table' => ['required_if:plan.kind,table', 'string', 'max:2000000'],
        ]);
        $revision = $variant->revisions()->where('number', $request->integer('revision'))->firstOrFail();
        $document = ModelCodec::parse($revision->document);
        /** @var array<string, string> $variations */
        $variations = $request->array('plan.variations');
        $kind = $request->string('plan.kind')->toString();
        $plan = ['kind' => $kind, ...array_intersect_key($request->array('plan'), array_flip(['variations', 'count', 'seed', 'table', 'aims', 'margin']))];
        $grade = $request->string('grade')->toString();
        if ($kind === 'search') {
            $search = Search::of($document, $plan);

            return new self($revision, $grade, [...$plan, 'aims' => $search->aims], $search->names(), $search->next([]), $request->integer('plan.count'));
        }
        $points = match ($kind) {
            'grid' => SweepPlan::grid($document, $variations),
            'latin' => SweepPlan::latin($document, $variations, $request->integer('plan.count'), $request->integer('plan.seed', 1)),
            'builds' => SweepPlan::builds($document, $request->integer('plan.count'), $request->integer('plan.seed', 1)),
            default => SweepPlan::table($document, $request->string('plan.table')->toString()),
        };

        return new self($revision, $grade, $plan, $points->names, $points->pairs(), $points->count());
    }
}
