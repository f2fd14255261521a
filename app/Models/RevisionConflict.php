<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Http\JsonResponse;
use RuntimeException;

/** Somebody saved the variant in between; carries what is there now. */
final class RevisionConflict extends RuntimeException
{
    public function __construct(public readonly ?Revision $head)
    {
        parent::__construct('This variant was saved somewhere else in the meantime.');
    }

    public function render(): JsonResponse
    {
        return response()->json([
            'message' => $this->getMessage(),
            'current' => $this->head === null ? null : [
                'number' => $this->head->number,
                'step' => $this->head->step,
                'by' => $this->head->user?->name,
                'at' => $this->head->created_at?->toIso8601String(),
            ],
        ], 409);
    }
}
