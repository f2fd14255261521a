<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Variant;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Variant */
final class VariantResource extends JsonResource
{
    /** What has to be loaded for it. */
    public const WITH = ['headNumber', 'lastSolved.revisionNumber'];

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $solved = $this->lastSolved;

        return [
            'id' => $this->id,
            'name' => $this->name,
            'note' => $this->note,
            'origin' => $this->origin_id === null ? null : ['variant' => $this->origin_id, 'revision' => $this->origin_revision],
            'revision' => $this->headNumber?->number,
            'deletedAt' => $this->deleted_at?->toIso8601String(),
            'verdict' => $solved === null ? null : [
                'run' => $solved->id,
                'limits' => $solved->limits,
                'missed' => $solved->missed,
                'undecided' => $solved->undecided ?? 0,
                'worstMargin' => $solved->worst_margin,
                'worstLimit' => $solved->worst_limit,
                'current' => $solved->revisionNumber->hash === $this->headNumber?->hash,
                'grade' => $solved->grade,
            ],
        ];
    }
}
