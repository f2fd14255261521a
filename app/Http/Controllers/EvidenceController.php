<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Variant;
use Foehn\Codec\ModelCodec;
use Foehn\Evidence\Measured;
use Foehn\Evidence\Mechanism;
use Illuminate\Http\JsonResponse;

/** The verification cases with what they measured, beside what the model of a variant uses. */
final class EvidenceController
{
    public function __invoke(Variant $variant): JsonResponse
    {
        $used = Mechanism::of(ModelCodec::fromJson($variant->head()->firstOrFail()->document));

        return response()->json([
            'mechanisms' => array_map(fn (Mechanism $mechanism) => ['id' => $mechanism->value, 'title' => $mechanism->title(), 'used' => in_array($mechanism, $used, true)], Mechanism::cases()),
            'cases' => Measured::all(),
        ]);
    }
}
