<?php

declare(strict_types=1);

namespace App\Studies;

use App\Models\PointState;
use App\Models\Run;
use App\Models\Study;
use App\Models\StudyPoint;
use App\Models\User;
use App\Models\Variant;
use App\Runs\RunQueue;
use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Foehn\Model\Problem;
use Foehn\Study\SweepPlan;
use Illuminate\Support\Facades\DB;

/**
 * Feeds the points of studies to the workers, a few ahead, so that many hosts share one study and nobody's own runs wait behind it.
 * Whatever ends or comes back (a run, a worker, the server) settles what has ended and feeds again; nothing is kept in memory.
 */
final class StudyQueue
{
    /** Points of a study that are queued or running at once: enough for the workers of several hosts. */
    private const AHEAD = 8;

    public function __construct(private readonly RunQueue $runs)
    {
    }

    /** A study of a revision; its first points are queued. */
    public function create(Variant $variant, string $name, PlanRequest $asked, User $user): Study
    {
        $study = DB::transaction(function () use ($variant, $name, $asked, $user): Study {
            $study = Study::query()->create([
                'project_id' => $variant->project_id, 'variant_id' => $variant->id, 'revision_id' => $asked->revision->id, 'user_id' => $user->id,
                'name' => $name, 'grade' => $asked->grade, 'plan' => $asked->plan, 'names' => $asked->names, 'growing' => count($asked->points) < $asked->count,
            ]);
            self::add($study, $asked->points, 0);

            return $study;
        });
        $this->advance($study);

        return $study;
    }

    /** Settles and feeds every study that has points left; asked every few seconds, whoever looks. */
    public function tick(): void
    {
        $open = StudyPoint::query()->whereIn('state', [PointState::Waiting, ...PointState::active()])->select('study_id');
        Study::query()->whereIn('id', $open)->orWhere(fn ($query) => $query->where('growing', true)->where('paused', false))->get()->each($this->goOn(...));
    }

    /** After a run has ended: where it was of a point, the study goes on. */
    public function ended(int $run): void
    {
        $point = StudyPoint::query()->where('run_id', $run)->with('study')->first();
        if ($point instanceof StudyPoint) {
            $this->goOn($point->study()->firstOrFail());
        }
    }

    /** Writes down what has ended, and queues the next points unless the study is paused. */
    public function advance(Study $study): void
    {
        DB::transaction(function () use ($study): void {
            $locked = Study::query()->whereKey($study->id)->lockForUpdate()->first();
            if ($locked === null) {
                return;
            }
            $this->settle($locked);
            $active = $locked->points()->whereIn('state', PointState::active())->count();
            foreach ($locked->paused ? [] : $locked->points()->where('state', PointState::Waiting)->limit(max(0, self::AHEAD - $active))->get() as $point) {
                $this->queue($locked, $point);
            }
        });
    }

    /** Stops feeding; what is computed is computed to its end. */
    public function pause(Study $study, bool $paused): void
    {
        $study->update(['paused' => $paused]);
        if (! $paused) {
            $this->advance($study);
        }
    }

    /** Tries the points again that failed, were stopped or did not become steady. */
    public function retry(Study $study): void
    {
        $failed = $study->points()->whereIn('state', PointState::failed())->get();
        foreach ($failed as $point) {
            $point->update(['state' => PointState::Waiting, 'message' => null, 'run_id' => null]);
        }
        $this->advance($study);
    }

    /**
     * The hidden variant with the model of a point, made where it is not there yet.
     *
     * @throws ModelException when its values make no model
     */
    public function modelOf(Study $study, StudyPoint $point, ?User $user): Variant
    {
        $known = $point->variant_id === null ? null : Variant::query()->find($point->variant_id);

        return $known ?? Variant::pointOf($study, $point->number, SweepPlan::modelAt($study->loadMissing('revision')->revision->document, array_combine($study->names, $point->texts)), $user);
    }

    /** Deletes a study with the models and runs of its points, but for those that were made variants. */
    public function delete(Study $study): void
    {
        $study->update(['paused' => true]);
        Run::query()->active()->whereIn('variant_id', Variant::query()->where('study_id', $study->id)->select('id'))->get()->each(fn (Run $run) => $this->runs->stop($run));
        $study->delete();
    }

    /** What is wrong, each with the name of its part instead of its place in the document. */
    private static function told(ModelException $e, Study $study): string
    {
        $parts = ModelCodec::parse($study->loadMissing('revision')->revision->document)['parts'] ?? [];
        $told = array_map(function (Problem $problem) use ($parts): string {
            $part = preg_match('#^/parts/(\d+)#', $problem->pointer, $found) === 1 && is_array($parts) ? ($parts[(int) $found[1]] ?? null) : null;
            $name = is_array($part) ? ($part['name'] ?? $part['id'] ?? null) : null;

            return is_string($name) ? "$name: $problem->message" : $problem->message;
        }, $e->problems);

        return implode("\n", array_unique($told));
    }

    /** Lets a study advance; a search whose points are all over asks for more: by workers, since it may think for seconds. */
    private function goOn(Study $study): void
    {
        $this->advance($study);
        $study->refresh();
        if (! $study->growing || $study->paused || $study->points()->whereIn('state', [PointState::Waiting, ...PointState::active()])->exists()) {
            return;
        }
        $points = $study->points()->get();
        $next = $study->search()?->next(array_values($points->map(fn (StudyPoint $point) => $point->trial())->all())) ?? [];
        $added = DB::transaction(function () use ($study, $points, $next): bool {
            $locked = Study::query()->whereKey($study->id)->lockForUpdate()->first();
            // Another worker may have thought of the same.
            if ($locked === null || $locked->points()->count() !== $points->count()) {
                return false;
            }
            self::add($locked, $next, $points->count());
            $locked->update(['growing' => $next !== [] && $points->count() + count($next) < $locked->plan['count']]);

            return $next !== [];
        });
        if ($added) {
            $this->advance($study);
        }
    }

    /**
     * Adds points to a study.
     *
     * @param list<array{list<string>, list<float>}> $points values as they are written into the model, and in SI units
     * @param int $before so many it has
     */
    private static function add(Study $study, array $points, int $before): void
    {
        $rows = array_map(fn (array $point, int $n): array => [
            'study_id' => $study->id, 'number' => $before + $n + 1, 'texts' => json_encode($point[0], JSON_THROW_ON_ERROR), 'numbers' => json_encode($point[1], JSON_THROW_ON_ERROR), 'updated_at' => $study->freshTimestampString(),
        ], $points, array_keys($points));
        foreach (array_chunk($rows, 500) as $some) {
            StudyPoint::query()->insert($some);
        }
    }

    private function settle(Study $study): void
    {
        foreach ($study->points()->whereIn('state', PointState::active())->with('run')->get() as $point) {
            $run = $point->run;
            $state = $run === null ? PointState::Failed : PointState::of($run->state);
            if ($state === $point->state) {
                continue;
            }
            $point->update([
                'state' => $state, 'message' => $run === null ? 'Its run was deleted; try it again.' : $run->message,
                ...($run === null || $run->state->isActive() ? [] : ['worst_margin' => $run->worst_margin, 'seconds' => $run->seconds, 'readings' => $run->readings]),
            ]);
        }
    }

    /** Makes the model of a point and queues its run; a model that cannot be is told with its reason, and the others go on. */
    private function queue(Study $study, StudyPoint $point): void
    {
        $user = $study->user_id === null ? null : User::query()->find($study->user_id);
        try {
            $variant = $this->modelOf($study, $point, $user);
        } catch (ModelException $e) {
            $point->update(['state' => PointState::Impossible, 'message' => self::told($e, $study)]);

            return;
        }
        $run = $variant->runs()->create(['revision_id' => $variant->head()->firstOrFail()->id, 'user_id' => $user?->id, 'grade' => $study->grade]);
        $point->update(['state' => PointState::Queued, 'variant_id' => $variant->id, 'run_id' => $run->id, 'message' => null]);
        $this->runs->dispatch($run->id);
    }
}
