<?php

declare(strict_types=1);

namespace App\Models;

use Foehn\Study\Search\Trial;
use Foehn\Study\SweepPlan;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;

/**
 * One point of a study. Its model and its run are those of a variant that no list shows.
 *
 * @property int $id
 * @property int $study_id
 * @property int $number counts from 1
 * @property list<string> $texts values of the varied parameters as they are written into the model
 * @property list<float> $numbers the same in SI units
 * @property PointState $state
 * @property ?string $message
 * @property ?int $variant_id
 * @property ?int $run_id
 * @property ?float $worst_margin K
 * @property ?float $seconds
 * @property ?list<array<string, mixed>> $readings of limits and watches
 * @property ?\Illuminate\Support\Carbon $updated_at
 * @property-read ?Run $run
 */
final class StudyPoint extends Model
{
    public const CREATED_AT = null;

    protected $fillable = ['number', 'texts', 'numbers', 'state', 'message', 'variant_id', 'run_id', 'worst_margin', 'seconds', 'readings'];

    protected $dateFormat = 'Y-m-d H:i:s.v';

    /** @return BelongsTo<Study, $this> */
    public function study(): BelongsTo
    {
        return $this->belongsTo(Study::class);
    }

    /** @return BelongsTo<Run, $this> */
    public function run(): BelongsTo
    {
        return $this->belongsTo(Run::class);
    }

    /** The point as a search sees it. */
    public function trial(): Trial
    {
        return Trial::of($this->texts, $this->numbers, $this->state === PointState::Solved ? $this->readings : null);
    }

    /**
     * The runs of the solved points of its study that are nearest to a run's own point.
     *
     * @return list<int> ids of runs, the nearest first; none where the run is of no study
     */
    public static function nearestSolved(Run $run, int $most): array
    {
        $own = self::query()->where('run_id', $run->id)->first();
        if ($own === null) {
            return [];
        }
        $solved = self::query()->where('study_id', $own->study_id)->where('state', PointState::Solved)->whereNotNull('run_id')->get(['run_id', 'numbers']);
        $numbers = $solved->pluck('numbers', 'run_id')->all();

        /** @var array<int, list<float>> $numbers */
        return array_slice(SweepPlan::byDistance($own->numbers, $numbers), 0, $most);
    }

    protected function casts(): array
    {
        return ['texts' => 'array', 'numbers' => 'array', 'state' => PointState::class, 'worst_margin' => 'float', 'seconds' => 'float', 'readings' => 'array'];
    }
}
