<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\ComputedOnce;
use App\Models\Variant;
use Foehn\Board\BoardPreview;
use Foehn\Board\LayoutFile;
use Foehn\Model\Model;
use Foehn\Results\BoardRows;
use Foehn\Solve\CopperOnly;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Files of layouts, and the copper of boards as it will be computed. */
final class ArtworkController
{
    /** What a file is, and the file as a model keeps it. */
    public function look(Request $request): JsonResponse
    {
        $request->validate(['name' => ['required', 'string', 'max:200'], 'text' => ['required', 'string']]);
        $text = $request->string('text')->toString();

        return response()->json([...LayoutFile::look($request->string('name')->toString(), $text), 'packed' => base64_encode((string) gzencode($text, 9))]);
    }

    /** Currents at one temperature of all copper, degC, without heat. */
    public function currents(Request $request, Variant $variant, string $part, ComputedOnce $computed): JsonResponse
    {
        $request->validate(['at' => ['required', 'numeric', 'between:-100,400']]);
        $kelvin = $request->float('at') + 273.15;

        return response()->json($computed->of($variant, "currents $part $kelvin", fn (Model $model): array => BoardRows::of(CopperOnly::at($model, $kelvin, $part), $model)[0]));
    }

    public function show(Variant $variant, string $part, ComputedOnce $computed): JsonResponse
    {
        return response()->json($computed->of($variant, "copper $part", function (Model $model) use ($part): array {
            foreach ($model->parts as $one) {
                if ($one->id === $part && $one->copper !== null) {
                    return BoardPreview::of($one->copper);
                }
            }
            abort(404, "There is no board \"$part\" with artwork in this variant.");
        }));
    }
}
