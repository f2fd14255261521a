<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\User;
use Foehn\Materials\Finish;
use Foehn\Materials\Library;
use Foehn\Materials\Material;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** What the core brings along: materials and the schema of the model document. */
final class LibraryController
{
    /** At which a property that depends on temperature is told, K. */
    private const TEMPERATURES = [250.0, 275.0, 300.0, 325.0, 350.0, 375.0, 400.0, 425.0, 450.0];

    public function materials(): JsonResponse
    {
        return response()->json(array_values(array_map(fn (Material $m) => [
            'id' => $m->id, 'title' => $m->title, 'category' => $m->category, 'fluid' => $m->fluid,
            'conductivity' => array_map(fn ($law) => $law->at(300.0), $m->conductivity),
            'conductivityByTemperature' => $m->conductivity[0]->isConstant() ? null : array_map(fn (float $t) => [$t, $m->conductivity[0]->at($t)], self::TEMPERATURES),
            'viscosity' => $m->viscosity?->at(300.0), 'expansion' => $m->expansion,
            'density' => $m->density, 'specificHeat' => $m->specificHeat, 'emissivity' => $m->emissivity, 'melting' => $m->melting, 'resistivity' => $m->resistivity?->points, 'source' => $m->source,
        ], Library::builtIn()->materials)));
    }

    public function finishes(): JsonResponse
    {
        return response()->json(array_values(array_map(get_object_vars(...), Finish::library())));
    }

    /** Materials that the projects of the user brought along, by the newest revisions of their variants. */
    public function ofProjects(Request $request): JsonResponse
    {
        $found = [];
        foreach (User::of($request)->projects()->with('variants.headNumber')->orderBy('name')->get() as $project) {
            $materials = [];
            foreach ($project->variants as $variant) {
                // The database reads them out, so that no long document has to be loaded.
                $own = DB::table('revisions')->where('id', $variant->headNumber?->id)->selectRaw("json_extract(document, '$.materials') as materials")->value('materials');
                $own = is_string($own) ? json_decode($own, true) : null;
                $materials = [...$materials, ...(is_array($own) ? $own : [])];
            }
            if ($materials !== []) {
                $found[] = ['project' => ['id' => $project->id, 'name' => $project->name], 'materials' => $materials];
            }
        }

        return response()->json($found);
    }

    public function modelSchema(): BinaryFileResponse
    {
        return response()->file(base_path('core/schema/foehn-model.schema.json'), ['Content-Type' => 'application/schema+json']);
    }
}
