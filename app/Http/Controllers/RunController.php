<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Resources\RunResource;
use App\Models\Run;
use App\Models\User;
use App\Models\Variant;
use App\Runs\RunFiles;
use App\Runs\RunQueue;
use Foehn\Exchange\Vtk;
use Foehn\Model\GridSettings;
use Foehn\Observe\Fields;
use Foehn\Results\FieldFile;
use Foehn\Results\PictureDifference;
use Foehn\Results\StoredPicture;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\Response;

final class RunController
{
    private const MOST_LINES = 1000;

    public function __construct(private readonly RunQueue $queue, private readonly RunFiles $files)
    {
    }

    /** The last runs of a variant, without their curves. */
    public function index(Variant $variant): AnonymousResourceCollection
    {
        return RunResource::collection($variant->runs()->with('revisionNumber')->limit(config()->integer('app.keep.runs'))->get());
    }

    public function store(Request $request, Variant $variant): JsonResponse
    {
        $request->validate(['grade' => ['required', Rule::in(GridSettings::GRADES)], 'keepFlow' => ['boolean']]);
        $run = $this->queue->start($variant, $request->string('grade')->toString(), User::of($request), $request->boolean('keepFlow'));

        return RunResource::make($run->load('revisionNumber'))->response()->setStatusCode(201);
    }

    /** A run with the samples of its curve that came after the one named. */
    public function show(Request $request, Run $run): RunResource
    {
        $request->validate(['after' => ['integer', 'min:0']]);
        $after = $request->integer('after');

        return RunResource::make($run->load(['revisionNumber', 'samples' => fn ($samples) => $samples->where('id', '>', $after)]));
    }

    public function stop(Run $run): RunResource
    {
        return RunResource::make($this->queue->stop($run)->load('revisionNumber'));
    }

    /** Deletes a run that has ended, with its pictures. */
    public function destroy(Run $run): Response
    {
        abort_if($run->state->isActive(), 422, 'This run is not over; stop it before it is deleted.');
        $this->files->delete($run);
        $run->delete();

        return response()->noContent();
    }

    public function result(Run $run, int $picture): Response
    {
        return $this->files->response($run, $picture, 'result.json');
    }

    public function field(Run $run, int $picture, string $field): Response
    {
        return $this->files->response($run, $picture, FieldFile::name($field) ?? abort(404, "There is no field \"$field\"; there are " . implode(', ', FieldFile::names()) . '.'));
    }

    public function probe(Request $request, Run $run): JsonResponse
    {
        $request->validate(['x' => ['required', 'numeric'], 'y' => ['required', 'numeric'], 'z' => ['required', 'numeric'], 'picture' => ['integer']]);

        return response()->json($this->files->picture($run, $request->integer('picture', $run->picture))->probe([$request->float('x'), $request->float('y'), $request->float('z')]));
    }

    /** Triangles on which a field has a value: three corners of three float32 each, m. */
    public function isosurface(Request $request, Run $run, int $picture): Response
    {
        $request->validate(['field' => ['required', Rule::in(Fields::NAMES)], 'value' => ['required', 'numeric'], 'in' => ['required', Rule::in(StoredPicture::BODIES)]]);
        /** @var 'solid'|'fluid'|'all' $in */
        $in = $request->string('in')->toString();
        $triangles = $this->files->picture($run, $picture)->isosurface($request->string('field')->toString(), $request->float('value'), $in);

        return $this->binary(FieldFile::floats($triangles));
    }

    /** How much warmer the cells of a picture are than those of another run of whatever variant, K as float32 in the order of its cells; NaN where only one of them is solid. */
    public function difference(Request $request, Run $run, int $picture): Response
    {
        $request->validate(['base' => ['required', 'integer']]);
        $base = Run::query()->findOrFail($request->integer('base'));
        Gate::authorize('view', $base);

        return $this->binary(FieldFile::floats(PictureDifference::of($this->files->picture($run, $picture), $this->files->picture($base, $base->picture), 'temperature')));
    }

    /** Fields of a picture for other programs: the grid (.vtr), the surfaces (.vtp), or the copper of a board on its pixels (.vtr). */
    public function export(Run $run, int $picture, string $what): Response
    {
        $stored = $this->files->picture($run, $picture);

        $written = match ($what) {
            'grid' => Vtk::grid($stored),
            'surfaces' => Vtk::surfaces($stored),
            default => Vtk::copper($stored, (int) substr($what, strlen('copper-'))),
        };

        return response($written, headers: [
            'Content-Type' => 'application/xml', 'Content-Disposition' => sprintf('attachment; filename="run-%d.%s"', $run->id, $what === 'surfaces' ? 'vtp' : 'vtr'),
        ]);
    }

    /** Streamlines through points: their number and the points of each as uint32, then x, y, z in m and the time in s of every point as float32. */
    public function streamlines(Request $request, Run $run, int $picture): Response
    {
        $lines = $this->lines($request, $this->files->picture($run, $picture));

        return $this->binary(pack('V*', count($lines), ...array_map(count(...), $lines)) . FieldFile::floats(array_merge(...array_merge(...$lines))));
    }

    /** The same for other programs (.vtp). */
    public function exportStreamlines(Request $request, Run $run, int $picture): Response
    {
        $stored = $this->files->picture($run, $picture);

        return response(Vtk::streamlines($stored, $this->lines($request, $stored)), headers: ['Content-Type' => 'application/xml']);
    }

    /** @return list<non-empty-list<array{float, float, float, float}>> */
    private function lines(Request $request, StoredPicture $picture): array
    {
        $request->validate(['seeds' => ['required', 'array', 'max:' . self::MOST_LINES], 'seeds.*' => ['array', 'size:3'], 'seeds.*.*' => ['numeric'], 'back' => ['boolean']]);
        /** @var list<array{float, float, float}> $seeds */
        $seeds = array_values($request->array('seeds'));

        return $picture->streamlines()->throughAll($seeds, $request->boolean('back', true));
    }

    private function binary(string $bytes): Response
    {
        return response($bytes, headers: ['Content-Type' => 'application/octet-stream']);
    }
}
