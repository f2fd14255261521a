<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\Run;
use App\Models\RunState;
use Foehn\Grid\Grid;
use Foehn\Results\FieldFile;
use Foehn\Results\ResultBuilder;
use Foehn\Results\StoredField;
use Foehn\Solve\FlowState;
use Foehn\Solve\Level;
use Foehn\Solve\Solution;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The result document and the fields of a run on the fields disk. */
final class RunFiles
{
    private const STATE = 'flow.state';

    /**
     * Writes the next picture of a run and lets it take the place of the last one.
     *
     * @throws \Foehn\FoehnException when the disk refuses
     */
    public function write(Run $run, Solution $solution): void
    {
        $result = ResultBuilder::build($solution, $run->revision->hash);
        $picture = $run->picture + 1;
        $disk = Storage::disk('fields');
        $disk->makeDirectory($run->file((string) $picture));
        $write = fn (string $name, string $bytes) => FieldFile::write($disk->path($run->file($name)), $bytes);
        $write("$picture/temperature.f32", FieldFile::temperature($solution));
        $write("$picture/parts.u16", FieldFile::parts($solution));
        $write("$picture/velocity.f32", FieldFile::velocity($solution));
        $write("$picture/result.json", json_encode($result, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
        if ($solution->state !== null) {
            // The last level of the result is this grid, which is done only when it has converged.
            $levels = $solution->converged ? $result['levels'] : array_slice($result['levels'], 0, -1);
            $this->keep($run, $levels, $solution->state);
        }
        $run->fill([
            'picture' => $picture, 'cells' => $result['grid']['cells'], 'iterations' => $solution->iterations, 'seconds' => $solution->seconds,
            'limits' => $result['verdict']['limits'], 'missed' => $result['verdict']['missed'],
            'worst_margin' => $result['verdict']['worstMargin'], 'worst_limit' => $result['verdict']['worst'],
        ])->save();
        // Who has asked for the one before may still be reading it.
        $disk->deleteDirectory($run->file((string) ($picture - 2)));
    }

    /**
     * Keeps where a run is, for it to go on from there when its worker is lost or it is resumed.
     *
     * @param list<array<string, mixed>> $levels the grids that are done
     */
    public function keep(Run $run, array $levels, FlowState $state): void
    {
        $disk = Storage::disk('fields');
        $disk->makeDirectory($run->file(''));
        FieldFile::write($disk->path($run->file(self::STATE)), json_encode($levels, JSON_THROW_ON_ERROR) . "\n" . $state->toBytes());
    }

    /**
     * A flow to start this run from, and the grids it need not compute again: its own checkpoint, that of a stopped or lost run of
     * the same model and grade, or the last flow of the variant or project.
     *
     * @return array{?FlowState, list<Level>}
     */
    public function startOf(Run $run): array
    {
        $earlier = Run::query()->whereIn('variant_id', $run->variant->project->variants()->select('id'))->where('id', '<=', $run->id)->where('picture', '>', 0)
            ->orderByRaw('variant_id = ? desc', [$run->variant_id])->orderByDesc('id')->limit(5)->get();
        foreach ($earlier as $other) {
            $bytes = Storage::disk('fields')->get($other->file(self::STATE));
            $end = $bytes === null ? false : strpos($bytes, "\n");
            $state = $bytes === null || $end === false ? null : FlowState::fromBytes(substr($bytes, $end + 1));
            if ($bytes === null || $end === false || $state === null) {
                continue;
            }
            $resumes = $other->is($run) || ($other->revision_id === $run->revision_id && $other->grade === $run->grade && in_array($other->state, [RunState::Stopped, RunState::Failed], true));

            return [$state, $resumes ? array_map(Level::fromArray(...), json_decode(substr($bytes, 0, $end), true)) : []];
        }

        return [null, []];
    }

    /** With ETag, so that a browser keeps it, and ranges. */
    public function response(Run $run, string $name): BinaryFileResponse
    {
        $response = response()->file($this->path($run, $name), [
            'Content-Type' => str_ends_with($name, '.json') ? 'application/json' : 'application/octet-stream',
        ]);
        $response->setEtag("run-$run->id-$run->picture-$name")->setPrivate()->headers->addCacheControlDirective('no-cache');
        $response->isNotModified(request());

        return $response;
    }

    /**
     * @param array{float, float, float} $point metres
     * @return array{temperature: ?float, part: ?string} K and the id of the part
     */
    public function probe(Run $run, array $point): array
    {
        $result = json_decode((string) file_get_contents($this->path($run, 'result.json')), true);
        $temperature = fopen($this->path($run, 'temperature.f32'), 'rb');
        $parts = fopen($this->path($run, 'parts.u16'), 'rb');
        abort_if($temperature === false || $parts === false, 404, 'The field of this run cannot be read.');
        $found = (new StoredField(new Grid($result['grid']['lines']), $temperature, $parts))->probe($point);

        return ['temperature' => $found['temperature'], 'part' => $found['part'] === null ? null : $result['parts'][$found['part']]['id']];
    }

    private function path(Run $run, string $name): string
    {
        $path = Storage::disk('fields')->path($run->file("$run->picture/$name"));
        abort_unless($run->picture > 0 && is_file($path), 404, 'This run has no result yet.');

        return $path;
    }
}
