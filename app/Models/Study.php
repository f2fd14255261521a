<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;

/**
 * A sweep: a revision of a variant, computed for many values of its parameters.
 *
 * @property int $id
 * @property int $project_id
 * @property int $variant_id
 * @property int $revision_id
 * @property string $name
 * @property string $grade
 * @property array<string, mixed> $plan as it was asked for: "kind" with "variations" by name, "count" and "seed", or "table"
 * @property list<string> $names of the varied parameters
 * @property bool $paused
 * @property ?\Illuminate\Support\Carbon $created_at
 * @property ?Project $project null while the project is deleted
 * @property-read Revision $revision
 * @property-read Revision $revisionNumber
 */
final class Study extends Model implements BelongsToProject
{
    protected $fillable = ['project_id', 'variant_id', 'revision_id', 'user_id', 'name', 'grade', 'plan', 'names', 'paused'];

    protected $attributes = ['paused' => false];

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

    public function owningProject(): ?Project
    {
        return $this->project;
    }

    protected function casts(): array
    {
        return ['plan' => 'array', 'names' => 'array', 'paused' => 'boolean'];
    }
}
