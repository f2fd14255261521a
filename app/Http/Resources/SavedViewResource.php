<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\SavedView;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin SavedView */
final class SavedViewResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        return ['id' => $this->id, 'name' => $this->name, 'caption' => $this->caption, 'content' => $this->content, 'thumbnail' => $this->thumbnail];
    }
}
