<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Project;
use DateTimeInterface;
use Illuminate\Database\Eloquent\Relations\Pivot;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;
use Illuminate\Support\Carbon;

/** @mixin Project */
final class ProjectResource extends JsonResource
{
    /** What has to be loaded for it. */
    public const WITH = ['variants.headNumber', 'variants.lastSolved.revisionNumber', 'members'];

    /** What a project knows of the one who asks: the role, or when the project was opened last. */
    private function membership(Request $request, string $attribute): mixed
    {
        $pivot = $this->members->firstWhere('id', $request->user()?->id)?->getRelation('pivot');

        return $pivot instanceof Pivot ? $pivot->getAttribute($attribute) : null;
    }

    private function openedBy(Request $request): ?string
    {
        $opened = $this->membership($request, 'opened_at');

        return is_string($opened) || $opened instanceof DateTimeInterface ? Carbon::parse($opened)->toIso8601String() : null;
    }

    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return [
            'id' => $this->id,
            'name' => $this->name,
            'summary' => $this->summary,
            'role' => $this->membership($request, 'role'),
            'openedAt' => $this->openedBy($request),
            'deletedAt' => $this->deleted_at?->toIso8601String(),
            'updatedAt' => $this->updated_at?->toIso8601String(),
            'variants' => VariantResource::collection($this->variants),
        ];
    }
}
