<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\PointState;
use App\Models\Study;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Study */
final class StudyResource extends JsonResource
{
    /** What has to be loaded for it. */
    public const WITH = ['revisionNumber'];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $counts = $this->points()->reorder()->pluck('state')->countBy(fn (mixed $state): string => $state instanceof PointState ? $state->value : '');

        return [
            'id' => $this->id,
            'project' => $this->project_id,
            'variant' => $this->variant_id,
            'revision' => $this->revisionNumber->number,
            'name' => $this->name,
            'grade' => $this->grade,
            'plan' => $this->plan,
            'names' => $this->names,
            'paused' => $this->paused,
            'growing' => $this->growing,
            'createdAt' => $this->created_at?->toIso8601ZuluString(),
            'counts' => array_combine(array_column(PointState::cases(), 'value'), array_map(fn (PointState $state): int => $counts->get($state->value, 0), PointState::cases())),
        ];
    }
}
