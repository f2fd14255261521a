<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Project;
use App\Models\Variant;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Project */
final class ProjectResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'summary' => $this->summary,
            'role' => $this->members->firstWhere('id', $request->user()?->id)?->pivot->role,
            'updatedAt' => $this->updated_at?->toIso8601String(),
            'variants' => $this->variants->map(fn (Variant $variant) => [
                'id' => $variant->id,
                'name' => $variant->name,
                'revision' => $variant->head?->number,
                'verdict' => $variant->lastSolved === null ? null : [
                    'limits' => $variant->lastSolved->limits,
                    'missed' => $variant->lastSolved->missed,
                    'worstMargin' => $variant->lastSolved->worst_margin,
                    'worstLimit' => $variant->lastSolved->worst_limit,
                    'current' => $variant->lastSolved->revision_id === $variant->head?->id,
                    'grade' => $variant->lastSolved->grade,
                ],
            ])->all(),
        ];
    }
}
