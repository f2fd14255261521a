<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\Run;
use App\Models\RunState;
use App\Models\StudyPoint;
use App\Models\Variant;
use Foehn\Codec\ModelCodec;
use Foehn\Model\Transient;
use Foehn\Solve\CourseState;
use Foehn\Solve\Start;
use Illuminate\Database\Eloquent\Collection;

/** What a run starts from: its own checkpoint, that of a stopped or lost run of the same model and grade, the last flow of the variant or project, or rest. */
final readonly class RunStart
{
    /** Of the runs before, so many are looked at for a flow. */
    private const LOOKED_AT = 5;

    /**
     * @param ?Run $resumed the run that goes on, which may be the run itself
     */
    private function __construct(public Start $start, public ?Run $resumed)
    {
    }

    public static function of(Run $run, RunFiles $files): self
    {
        foreach (self::earlier($run) as $other) {
            $checkpoint = $files->checkpoint($other);
            if ($checkpoint === null) {
                continue;
            }
            [$flow, $levels] = $checkpoint;
            $resumes = ! $run->keep_flow && ($other->is($run) || ($other->revision_id === $run->revision_id && $other->grade === $run->grade && in_array($other->state, [RunState::Stopped, RunState::Failed], true)));

            return new self(
                new Start($flow, $resumes ? $levels : [], $run->keep_flow, $other->revision->hash, $resumes, $resumes ? self::secondsOf($other) : 0.0),
                $resumes ? $other : null,
            );
        }

        return new self(new Start(frozen: $run->keep_flow), null);
    }

    /**
     * Where a course in time goes on: of the run itself after its worker was lost; of the newest run before, where that was stopped on the
     * same model and grade; or past the end of that run, where the model differs in a later end and what is kept of it alone.
     *
     * @return array{?Run, ?CourseState} the run that goes on, and where it was
     */
    public static function ofCourse(Run $run, Transient $time, RunFiles $files): array
    {
        $own = $files->course($run);
        if ($own !== null) {
            return [$run, $own];
        }
        $before = Run::query()->with('revision')->where('variant_id', $run->variant_id)->where('id', '<', $run->id)->latest('id')->first();
        if ($before === null || $before->grade !== $run->grade || ! in_array($before->state, [RunState::Stopped, RunState::Failed, RunState::Solved], true) || ! self::differsInItsEndAlone($run, $before)) {
            return [null, null];
        }
        $course = $files->course($before);

        return $course !== null && $course->now->time < $time->end ? [$before, $course] : [null, null];
    }

    private static function differsInItsEndAlone(Run $run, Run $before): bool
    {
        $rest = function (Run $of): array {
            $document = ModelCodec::parse($of->revision->document);
            $analysis = is_array($document['analysis'] ?? null) ? $document['analysis'] : [];
            $analysis['time'] = array_diff_key(is_array($analysis['time'] ?? null) ? $analysis['time'] : [], ['end' => 1, 'keep' => 1]);

            return [...$document, 'analysis' => $analysis];
        };

        return $run->revision_id === $before->revision_id || $rest($run) == $rest($before);
    }

    /**
     * What a course in time begins with, where it asks for the temperatures of a kept run of its project.
     *
     * @param ?int $asked number of that run
     */
    public static function withTemperatures(Run $run, ?int $asked, RunFiles $files): Start
    {
        $kept = $asked === null ? null : Run::query()->whereIn('variant_id', Variant::query()->where('project_id', $run->variant->project_id)->select('id'))->find($asked);

        return new Start(temperatures: $kept === null || $kept->picture === 0 ? null : $files->picture($kept, $kept->picture)->temperatures());
    }

    /**
     * Runs that may have a flow: for a point of a study those of the nearest points, else those of the same variant first, then the newest
     * of the project.
     *
     * @return Collection<int, Run>
     */
    private static function earlier(Run $run): Collection
    {
        $nearest = StudyPoint::nearestSolved($run, self::LOOKED_AT);
        $listed = Variant::query()->where('project_id', $run->variant->project_id)->where(fn ($query) => $query->whereNull('study_id')->orWhere('id', $run->variant_id));
        $order = implode(',', [$run->id, ...$nearest]);

        return Run::query()->with('revision')->where('id', '<=', $run->id)->where(fn ($query) => $query->whereIn('variant_id', $listed->select('id'))->orWhereIn('id', $nearest))
            ->orderByRaw("field(id, $order) = 0, field(id, $order), variant_id = ? desc", [$run->variant_id])->orderByDesc('id')->limit(self::LOOKED_AT)->get();
    }

    private static function secondsOf(Run $run): float
    {
        $last = $run->samples()->max('seconds');

        return is_numeric($last) ? (float) $last : 0.0;
    }
}
