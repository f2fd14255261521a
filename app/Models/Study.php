<?php

declare(strict_types=1);

namespace App\Models;

use Foehn\Codec\ModelCodec;
use Foehn\Study\Search\Search;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A sweep or a search: a revision of a variant, computed for many values of its parameters.
 *
 * @property int $id
 * @property int $project_id
 * @property int $variant_id
 * @property int $revision_id
 * @property string $name
 * @property string $grade
 * @property array<string, mixed> $plan as it was asked for: "kind" with "variations" by name, "count" and "seed", "aims" and "margin", or "table"
 * @property list<string> $names of the varied parameters
 * @property bool $paused
 * @property bool $growing whether points may come to it: a search that goes on
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property ?Project $project null while the project is deleted
 * @property-read Revision $revision
 * @property-read Revision $revisionNumber
 */
final class Study extends Model implements BelongsToProject
{
    protected $fillable = ['project_id', 'variant_id', 'revision_id', 'user_id', 'name', 'grade', 'plan', 'names', 'paused', 'growing'];

    protected $attributes = ['paused' => false, 'growing' => false];

    /** Which were changed after a moment can be asked for. */
    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Project, $this> */
    public function project(): BelongsTo
    {
        return $this->belongsTo(Project::class);
    }

    /** @return BelongsTo<Variant, $this> */
    public function variant(): BelongsTo
    {
        return $this->belongsTo(Variant::class);
    }

    /** @return BelongsTo<Revision, $this> */
    public function revision(): BelongsTo
    {
        return $this->belongsTo(Revision::class);
    }

    /** @return BelongsTo<Revision, $this> the revision without its document, which may be long */
    public function revisionNumber(): BelongsTo
    {
        return $this->belongsTo(Revision::class, 'revision_id')->select('id', 'number');
    }

    /** @return HasMany<StudyPoint, $this> */
    public function points(): HasMany
    {
        return $this->hasMany(StudyPoint::class)->orderBy('number');
    }

    /** Of a search what it looks for; null for a sweep, whose points are all known from the beginning. */
    public function search(): ?Search
    {
        return $this->plan['kind'] === 'search' ? Search::of(ModelCodec::parse($this->revision->document), $this->plan) : null;
    }

    public function owningProject(): ?Project
    {
        return $this->project;
    }

    protected function casts(): array
    {
        return ['plan' => 'array', 'names' => 'array', 'paused' => 'boolean', 'growing' => 'boolean'];
    }
}
