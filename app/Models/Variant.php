<?php

declare(strict_types=1);

namespace App\Models;

use Foehn\Codec\ModelCodec;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;
use Illuminate\Support\Facades\DB;

/**
 * @property int $id
 * @property int $project_id
 * @property string $name
 * @property ?Project $project null while the project is deleted
 */
final class Variant extends Model implements BelongsToProject
{
    protected $fillable = ['name'];

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
    public function saveModel(string $document, int $base, string $step, User $user): Revision
    {
        ModelCodec::fromJson($document);

        return DB::transaction(function () use ($document, $base, $step, $user): Revision {
            self::query()->whereKey($this->id)->lockForUpdate()->firstOrFail();
            $head = $this->revisions()->orderByDesc('number')->first();
            if (($head->number ?? 0) !== $base) {
                throw new RevisionConflict($head);
            }

            return $this->revisions()->create([
                'number' => $base + 1, 'document' => $document, 'hash' => hash('sha256', $document), 'step' => $step, 'user_id' => $user->id,
            ]);
        });
    }

    public function owningProject(): ?Project
    {
        return $this->project;
    }
}
