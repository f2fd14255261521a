<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\Revision;
use Foehn\Codec\ModelCodec;
use Foehn\Codec\ModelOutline;
use Foehn\Preflight\Finding;
use Foehn\Preflight\Preflight;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\JsonResource;

/** @mixin Revision */
final class RevisionResource extends JsonResource
{
    /** @return array<string, mixed> */
    public function toArray(Request $request): array
    {
        $document = ModelCodec::parse($this->document);
        $model = ModelCodec::fromDocument($document);

        return [
            'variant' => ['id' => $this->variant->id, 'name' => $this->variant->name, 'projectId' => $this->variant->project_id, 'study' => $this->variant->study_id],
            'number' => $this->number,
            'step' => $this->step,
            'hash' => $this->hash,
            'document' => json_decode($this->document),
            'outline' => ModelOutline::of($model),
            'preflight' => array_map(fn (Finding $finding) => $finding->toArray(), Preflight::of($model, $document)),
        ];
    }
}
