<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Project;
use App\Models\Variant;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Carbon;

/** @mixin Project */
final class ProjectResource extends JsonResource
{
    private function openedBy(Request $request): ?string
    {
        $opened = $this->members->firstWhere('id', $request->user()?->id)?->pivot->opened_at;

        return $opened === null ? null : Carbon::parse($opened)->toIso8601String();
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'summary' => $this->summary,
            'role' => $this->members->firstWhere('id', $request->user()?->id)?->pivot->role,
            'openedAt' => $this->openedBy($request),
            'deletedAt' => $this->deleted_at?->toIso8601String(),
            'updatedAt' => $this->updated_at?->toIso8601String(),
            'variants' => $this->variants->map(fn (Variant $variant) => [
                'id' => $variant->id,
                'name' => $variant->name,
                'revision' => $variant->headNumber?->number,
                'verdict' => $variant->lastSolved === null ? null : [
                    'limits' => $variant->lastSolved->limits,
                    'missed' => $variant->lastSolved->missed,
                    'worstMargin' => $variant->lastSolved->worst_margin,
                    'worstLimit' => $variant->lastSolved->worst_limit,
                    'current' => $variant->lastSolved->revision_id === $variant->headNumber?->id,
                    'grade' => $variant->lastSolved->grade,
                ],
            ])->all(),
        ];
    }
}
