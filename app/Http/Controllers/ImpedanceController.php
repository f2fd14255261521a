<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\VariantResource;
use App\Models\Run;
use App\Models\User;
use App\Models\Variant;
use App\Runs\RunFiles;
use Foehn\Results\ResultBuilder;
use Foehn\Study\Impedance;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * Thermal impedances: a variant whose course they are read from, and what is read.
 *
 * @phpstan-import-type Result from ResultBuilder
 */
final class ImpedanceController
{
    /** A variant with one part alone heated from 0 s on. */
    public function store(Request $request, Variant $variant): JsonResponse
    {
        $request->validate(['revision' => ['required', 'integer', 'min:1'], 'source' => ['required', 'string'], 'end' => ['required', 'numeric', 'gt:0']]);
        $json = $variant->revisions()->where('number', $request->integer('revision'))->firstOrFail()->document;
        $document = Impedance::stepped($json, $request->string('source')->toString(), $request->float('end'));
        $clone = $variant->cloneAs($variant->freeName('Zth of ' . Impedance::heated($document)[1]->name), $request->integer('revision'), User::of($request), $document);

        return VariantResource::make($clone->load(VariantResource::WITH))->response()->setStatusCode(201);
    }

    /** The impedance to a watch or limit, and a network for it. */
    public function show(Request $request, Run $run, RunFiles $files): JsonResponse
    {
        $request->validate(['watch' => ['required', 'string']]);
        abort_if($run->picture === 0, 422, 'This run has no result yet; an impedance is read from one.');
        $heated = Impedance::heated($run->revision->document);
        /** @var Result $result */
        $result = $files->picture($run, $run->picture)->result();
        /** @var array{times: list<float>, series: array<string, list<?float>>} $time of a model whose time is heated() */
        $time = $result['time'];
        $watch = $request->string('watch')->toString();
        $impedance = Impedance::ofCourse($heated, $watch, $time['times'], $time['series'][$watch] ?? []);

        return response()->json([
            'source' => $heated[1]->id, 'watts' => $heated[1]->power, 'pairs' => $impedance->pairs, 'difference' => $impedance->difference,
            'curve' => array_map(fn (array $point): array => [...$point, Impedance::at($impedance->pairs, $point[0])], $impedance->curve),
        ]);
    }
}
