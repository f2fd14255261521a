<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * What a run tells of other designs near by: kelvin per watt of every source, and what would help. It is asked for once per run; deleted
 * while it is computed, it stops.
 *
 * @property int $id
 * @property int $run_id
 * @property RunState $state
 * @property float $progress share that is done
 * @property ?string $message
 * @property \Illuminate\Support\Carbon $updated_at moves on while a worker is at it
 * @property-read Run $run
 */
final class Influence extends Model
{
    protected $fillable = ['state', 'progress', 'message'];

    protected $attributes = ['state' => 'queued', 'progress' => 0.0];

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** Folder on the fields disk. */
    public function folder(): string
    {
        return "runs/$this->run_id/influence-$this->id";
    }

    protected function casts(): array
    {
        return ['state' => RunState::class, 'progress' => 'float'];
    }
}
