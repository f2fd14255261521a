<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\Variant;
use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Results\CodeVersion;
use Illuminate\Support\Facades\Cache;

/** What follows from the document of the head of a variant and the code alone: it is computed at the first request for it. */
final class ComputedOnce
{
    /**
     * @param callable(Model): array<string, mixed> $compute
     * @return array<string, mixed>
     */
    public function of(Variant $variant, string $what, callable $compute): array
    {
        $head = $variant->headNumber()->firstOrFail();

        $written = Cache::remember("$what $head->hash " . CodeVersion::hash(), now()->addDay(), fn (): string => json_encode($compute(ModelCodec::fromJson($variant->head()->firstOrFail()->document)), JSON_THROW_ON_ERROR));
        /** @var array<string, mixed> $computed */
        $computed = json_decode($written, true);

        return $computed;
    }
}
