<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Illuminate\Http\JsonResponse;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What the core brings along: materials and the schema of the model document. */
final class LibraryController
{
    public function materials(): JsonResponse
    {
        return response()->json(array_values(array_map(fn (Material $m) => [
            'id' => $m->id, 'title' => $m->title, 'category' => $m->category, 'fluid' => $m->fluid,
            'conductivity' => array_map(fn ($law) => $law->at(300.0), $m->conductivity),
            'density' => $m->density, 'specificHeat' => $m->specificHeat, 'emissivity' => $m->emissivity, 'source' => $m->source,
        ], Library::builtIn()->materials)));
    }

    public function modelSchema(): BinaryFileResponse
    {
        return response()->file(base_path('core/schema/foehn-model.schema.json'), ['Content-Type' => 'application/schema+json']);
    }
}
