<?php

declare(strict_types=1);

namespace App\Models;

use Foehn\Codec\ModelCodec;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Database\Eloquent\SoftDeletes;
use Illuminate\Support\Facades\DB;

/**
 * One alternative of the design of a project.
 *
 * @property int $id
 * @property string $name
 * @property string $note what its maker wants to be remembered of it
 * @property ?int $origin_id the variant it was cloned from, as long as that exists
 * @property ?int $origin_revision the revision of that
 * @property ?int $study_id of which it is a point, as long as it is not made a variant of the list
 * @property ?\Illuminate\Support\Carbon $deleted_at
 * @property ?Project $project null while the project is deleted
 */
final class Variant extends Model implements BelongsToProject
{
    use Ordered;
    use SoftDeletes;

    protected $fillable = ['name', 'note', 'position', 'origin_id', 'origin_revision', 'study_id'];

    protected $attributes = ['note' => ''];

    /** @return BelongsTo<Project, $this> */
    public function project(): BelongsTo
    {
        return $this->belongsTo(Project::class);
    }

    /** @return HasMany<Revision, $this> */
    public function revisions(): HasMany
    {
        return $this->hasMany(Revision::class);
    }

    /** @return HasOne<Revision, $this> */
    public function head(): HasOne
    {
        return $this->hasOne(Revision::class)->ofMany('number', 'max');
    }

    /**
     * The head without its document, which may be long.
     *
     * @return HasOne<Revision, $this>
     */
    public function headNumber(): HasOne
    {
        return $this->hasOne(Revision::class)->ofMany('number', 'max')->select('revisions.id', 'revisions.variant_id', 'revisions.number', 'revisions.hash');
    }

    /** @return HasMany<Run, $this> */
    public function runs(): HasMany
    {
        return $this->hasMany(Run::class)->orderByDesc('id');
    }

    /** @return HasOne<Run, $this> */
    public function lastSolved(): HasOne
    {
        return $this->hasOne(Run::class)->ofMany(['id' => 'max'], fn (Builder $query) => $query->where('state', RunState::Solved->value));
    }

    /**
     * Saves a model document as the next revision, provided that nobody has saved since $base.
     *
     * @throws RevisionConflict
     * @throws \Foehn\Model\ModelException when the document cannot be computed
     */
    public function saveModel(string $document, int $base, string $step, ?User $user): Revision
    {
        ModelCodec::fromJson($document);

        return DB::transaction(function () use ($document, $base, $step, $user): Revision {
            self::query()->whereKey($this->id)->lockForUpdate()->firstOrFail();
            $head = $this->revisions()->orderByDesc('number')->first();
            if (($head->number ?? 0) !== $base) {
                throw new RevisionConflict($head);
            }

            return $this->revisions()->create([
                'number' => $base + 1, 'document' => $document, 'hash' => ModelCodec::hash($document), 'step' => $step, 'user_id' => $user?->id,
            ]);
        });
    }

    /**
     * A new variant of the same project with everything on it, behind this one in the list.
     *
     * @param int $number of the revision that is taken, so that it is what its maker has seen
     * @param ?string $document that is made of it; null: the same
     * @throws \Illuminate\Database\Eloquent\ModelNotFoundException when there is no such revision
     */
    public function cloneAs(string $name, int $number, User $user, ?string $document = null): self
    {
        $revision = $this->revisions()->where('number', $number)->firstOrFail();

        return DB::transaction(function () use ($name, $revision, $user, $document): self {
            $clone = self::query()->make(['name' => $name, 'note' => '', 'origin_id' => $this->id, 'origin_revision' => $revision->number]);
            $clone->project()->associate($this->project_id);
            $clone->save();
            $clone->saveModel($document ?? $revision->document, 0, sprintf($document === null ? 'Cloned from %s, revision %d' : 'Made from %s, revision %d', $this->name, $revision->number), $user);
            $next = self::query()->where('project_id', $this->project_id)->whereKeyNot($clone->id)->orderBy('position')->orderBy('id')->get(['id'])->skipUntil(fn (self $one) => $one->is($this))->skip(1)->first();
            $clone->moveBefore($next?->id);

            return $clone;
        });
    }

    /** A name that no variant of the project's list has, by a number behind it where it has to be. */
    public function freeName(string $name): string
    {
        $names = self::query()->where('project_id', $this->project_id)->whereNull('study_id')->pluck('name')->all();
        $free = $name;
        for ($n = 2; in_array($free, $names, true); $n++) {
            $free = "$name ($n)";
        }

        return $free;
    }

    /**
     * The model of a point of a study, which no list shows.
     *
     * @throws \Foehn\Model\ModelException when it cannot be computed
     */
    public static function pointOf(Study $study, int $number, string $document, ?User $user): self
    {
        return DB::transaction(function () use ($study, $number, $document, $user): self {
            $variant = self::query()->make(['name' => "$study->name, point $number", 'origin_id' => $study->variant_id, 'origin_revision' => $study->revisionNumber()->firstOrFail()->number, 'study_id' => $study->id]);
            $variant->project()->associate($study->project_id);
            $variant->save();
            $variant->saveModel($document, 0, "Point $number of $study->name", $user);

            return $variant;
        });
    }

    public function owningProject(): ?Project
    {
        return $this->project;
    }
}
