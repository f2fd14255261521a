<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\Run;
use Foehn\Grid\Grid;
use Foehn\Results\FieldFile;
use Foehn\Results\ResultBuilder;
use Foehn\Results\StoredField;
use Foehn\Solve\Solution;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/** The result document and the fields of a run on the fields disk. */
final class RunFiles
{
    /**
     * @return array<string, mixed> the result document
     * @throws \Foehn\FoehnException when the disk refuses
     */
    public function write(Run $run, Solution $solution): array
    {
        $result = ResultBuilder::build($solution, $run->revision->hash);
        $disk = Storage::disk('fields');
        $disk->makeDirectory(dirname($run->file('result.json')));
        FieldFile::write($disk->path($run->file('temperature.f32')), FieldFile::temperature($solution));
        FieldFile::write($disk->path($run->file('parts.u16')), FieldFile::parts($solution));
        FieldFile::write($disk->path($run->file('result.json')), json_encode($result, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));

        return $result;
    }

    /** With ETag, so that a browser keeps it, and ranges. */
    public function response(Run $run, string $name): BinaryFileResponse
    {
        $response = response()->file($this->path($run, $name), [
            'Content-Type' => str_ends_with($name, '.json') ? 'application/json' : 'application/octet-stream',
        ]);
        $response->setEtag("run-$run->id-$run->attempts-$name")->setPrivate()->headers->addCacheControlDirective('no-cache');
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
        $path = Storage::disk('fields')->path($run->file($name));
        abort_unless(is_file($path), 404, 'This run has no result yet.');

        return $path;
    }
}
