<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Attributes\Scope;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Eloquent\Relations\HasOne;

/**
 * One computation of one revision at one grade.
 *
 * @phpstan-import-type ReadingRow from \Foehn\Results\ReadingRows
 * @phpstan-type OperatingPointRow array{picture: ?int, name: string, values: array<string, string>, state: string, message: ?string, missed: int, undecided: int, worstMargin: ?float, worstLimit: ?string, readings: list<ReadingRow>}
 *
 * @property int $id
 * @property int $revision_id
 * @property int $variant_id
 * @property RunState $state
 * @property string $grade
 * @property bool $keep_flow temperatures alone, on the last flow of the variant
 * @property bool $stop_requested
 * @property int $attempts
 * @property ?array<string, mixed> $progress
 * @property int $picture results written so far
 * @property ?list<array<string, mixed>> $readings of limits and watches in the last picture; null in runs from before they were kept
 * @property ?list<OperatingPointRow> $points operating points that are computed, in their order; picture is null where one has no result
 * @property ?\Illuminate\Support\Carbon $dispatched_at
 * @property ?string $message
 * @property ?float $worst_margin K
 * @property ?\Illuminate\Support\Carbon $heartbeat_at
 * @property ?\Illuminate\Support\Carbon $started_at
 * @property ?\Illuminate\Support\Carbon $finished_at
 * @property-read ?Influence $influence
 * @property-read Variant $variant
 * @property-read Revision $revision
 * @property-read Revision $revisionNumber
 */
final class Run extends Model implements BelongsToProject
{
    protected $fillable = ['revision_id', 'user_id', 'grade', 'keep_flow', 'state', 'stop_requested', 'attempts', 'progress', 'picture', 'message', 'cells', 'iterations', 'seconds',
        'limits', 'missed', 'undecided', 'worst_margin', 'worst_limit', 'readings', 'points', 'worker', 'dispatched_at', 'heartbeat_at', 'started_at', 'finished_at'];

    protected $attributes = ['state' => 'queued', 'keep_flow' => false, 'stop_requested' => false, 'attempts' => 0, 'picture' => 0];

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

    /**
     * The revision without its document, which may be long.
     *
     * @return BelongsTo<Revision, $this>
     */
    public function revisionNumber(): BelongsTo
    {
        return $this->belongsTo(Revision::class, 'revision_id')->select('id', 'number', 'hash');
    }

    /** @return HasMany<RunSample, $this> */
    public function samples(): HasMany
    {
        return $this->hasMany(RunSample::class)->orderBy('id');
    }

    /** @return HasOne<Influence, $this> */
    public function influence(): HasOne
    {
        return $this->hasOne(Influence::class);
    }

    public function owningProject(): ?Project
    {
        // Null where the variant is deleted.
        return $this->variant()->first()?->project;
    }

    /** @param Builder<self> $query */
    #[Scope]
    protected function active(Builder $query): void
    {
        $query->whereIn('state', [RunState::Queued, RunState::Running]);
    }

    /** Its model document, with the tolerances that its variant has now where nothing else of it has changed. */
    public function tolerated(): string
    {
        $own = $this->loadMissing('revision')->revision;
        $head = $this->variant()->first()?->head()->first();

        return $head !== null && $head->hash === $own->hash ? $head->document : $own->document;
    }

    /** @return list<int> numbers of the pictures that are of its operating points */
    public function picturesOfPoints(): array
    {
        return array_values(array_filter(array_column($this->points ?? [], 'picture'), is_int(...)));
    }

    /** Folder of this run on the fields disk. */
    public function folder(): string
    {
        return "runs/$this->id";
    }

    protected function casts(): array
    {
        return ['state' => RunState::class, 'keep_flow' => 'boolean', 'stop_requested' => 'boolean', 'progress' => 'array', 'readings' => 'array', 'points' => 'array', 'seconds' => 'float', 'worst_margin' => 'float',
            'heartbeat_at' => 'datetime', 'dispatched_at' => 'datetime', 'started_at' => 'datetime', 'finished_at' => 'datetime'];
    }
}
