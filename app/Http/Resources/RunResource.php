<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Run;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Run */
final class RunResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'variant' => $this->variant_id,
            'grade' => $this->grade,
            'keepFlow' => $this->keep_flow,
            'state' => $this->state->value,
            'revision' => $this->revisionNumber->number,
            'model' => $this->revisionNumber->hash,
            'stopRequested' => $this->stop_requested,
            'attempts' => $this->attempts,
            'progress' => $this->progress === null ? null : [...$this->progress, 'values' => (object) ($this->progress['values'] ?? [])],
            'picture' => $this->picture,
            'message' => $this->message,
            'cells' => $this->cells,
            'iterations' => $this->iterations,
            'seconds' => $this->seconds,
            'limits' => $this->limits,
            'missed' => $this->missed,
            'undecided' => $this->undecided,
            'worstMargin' => $this->worst_margin,
            'worstLimit' => $this->worst_limit,
            'points' => array_map(fn (array $point): array => [...$point, 'values' => (object) $point['values']], $this->points ?? []),
            'queuedAt' => $this->created_at?->toIso8601ZuluString('millisecond'),
            'startedAt' => $this->started_at?->toIso8601ZuluString('millisecond'),
            'finishedAt' => $this->finished_at?->toIso8601String(),
            'samples' => ! $this->relationLoaded('samples') ? [] : $this->samples->map(fn ($s) => ['id' => $s->id, 'iteration' => $s->iteration, 'residual' => $s->residual, 'worstMargin' => $s->worst_margin, 'seconds' => $s->seconds, 'values' => (object) ($s->values ?? []), 'moment' => $s->moment])->all(),
        ];
    }
}
