<?php

declare(strict_types=1);

namespace App\Archives;

use App\Models\Project;
use App\Models\Run;
use App\Models\RunState;
use App\Models\SavedView;
use App\Models\Study;
use App\Models\StudyPoint;
use App\Models\Variant;
use App\Runs\RunFiles;
use ZipArchive;

/**
 * A project as one zip file: archive.json tells of its variants with their revisions, of what they were solved to, and of its saved views;
 * models lie beside it as the texts that were saved, and results as the files that the workers wrote. Of studies there are the plans and all that
 * their points read, and not the fields of every point.
 */
final readonly class ProjectArchive
{
    public const FORMAT = 'foehn-archive';

    public const VERSION = 1;

    /** Columns of a run that are kept as they are. */
    public const OF_RUNS = ['grade', 'keep_flow', 'state', 'message', 'cells', 'iterations', 'seconds', 'limits', 'missed', 'undecided', 'worst_margin', 'worst_limit', 'readings', 'points'];

    /** Columns of a study, and of its points. */
    public const OF_STUDIES = ['name', 'grade', 'plan', 'names', 'growing'];

    public const OF_POINTS = ['number', 'texts', 'numbers', 'state', 'message', 'worst_margin', 'seconds', 'readings'];

    public function __construct(private RunFiles $files)
    {
    }

    /** @return string path of a file that the caller removes */
    public function write(Project $project): string
    {
        $path = (string) tempnam(sys_get_temp_dir(), 'foehn-archive');
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::OVERWRITE) !== true) {
            throw new ArchiveException('The archive could not be written: is the disk full?');
        }
        $variants = $project->variants()->get()->values();
        $places = array_flip(array_map(fn (Variant $variant): int => $variant->id, $variants->all()));
        $told = [
            'format' => self::FORMAT, 'version' => self::VERSION, 'project' => ['name' => $project->name, 'summary' => $project->summary],
            'variants' => $variants->map(fn (Variant $variant, int $n) => $this->variant($zip, $variant, $n, $places))->all(),
            'studies' => $project->studies()->with('revisionNumber')->get()->reverse()->filter(fn (Study $study): bool => isset($places[$study->variant_id]))->map(fn (Study $study): array => self::study($study, $places))->values()->all(),
            'views' => $project->savedViews()->get()->map(fn (SavedView $view) => ['name' => $view->name, 'caption' => $view->caption, 'content' => self::comparing($view->content, $places), 'thumbnail' => $view->thumbnail])->all(),
        ];
        $zip->addFromString('archive.json', json_encode($told, JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION | JSON_THROW_ON_ERROR));
        if (! $zip->close()) {
            @unlink($path);
            throw new ArchiveException('The archive could not be written: is the disk full?');
        }

        return $path;
    }

    /**
     * @param array<int, int> $places of the variants in the archive, by their ids
     * @return array<string, mixed>
     */
    private function variant(ZipArchive $zip, Variant $variant, int $n, array $places): array
    {
        $revisions = [];
        foreach ($variant->revisions()->with('user')->orderBy('number')->lazy() as $revision) {
            $file = "variants/$n/$revision->number.json";
            $zip->addFromString($file, $revision->document);
            $revisions[] = ['number' => $revision->number, 'step' => $revision->step, 'author' => $revision->user?->name, 'at' => $revision->created_at?->toIso8601ZuluString(), 'model' => $file];
        }
        $origin = $places[$variant->origin_id ?? 0] ?? null;

        return [
            'name' => $variant->name, 'note' => $variant->note, 'origin' => $origin === null ? null : ['variant' => $origin, 'revision' => $variant->origin_revision],
            'revisions' => $revisions, 'runs' => $this->runs($zip, $variant),
        ];
    }

    /**
     * @param array<int, int> $places of the variants in the archive, by their ids
     * @return array<string, mixed>
     */
    private static function study(Study $study, array $places): array
    {
        return [
            'variant' => $places[$study->variant_id], 'revision' => $study->revisionNumber->number, ...array_intersect_key($study->attributesToArray(), array_flip(self::OF_STUDIES)),
            'points' => $study->points()->get()->map(fn (StudyPoint $point): array => array_intersect_key($point->attributesToArray(), array_flip(self::OF_POINTS)))->all(),
        ];
    }

    /** @return list<array<string, mixed>> those that are over and have a result, oldest first */
    private function runs(ZipArchive $zip, Variant $variant): array
    {
        $told = [];
        foreach ($variant->runs()->with('revisionNumber')->where('picture', '>', 0)->whereNotIn('state', [RunState::Queued, RunState::Running])->get()->reverse() as $run) {
            $folder = "runs/$run->id";
            foreach ($this->files->lastFiles($run) as $name => $path) {
                $zip->addFile($path, "$folder/$name");
            }
            $told[] = [
                'revision' => $run->revisionNumber->number, ...array_intersect_key($run->attributesToArray(), array_flip(self::OF_RUNS)),
                'startedAt' => $run->started_at?->toIso8601ZuluString(), 'finishedAt' => $run->finished_at?->toIso8601ZuluString(), 'files' => $folder,
            ];
        }

        return $told;
    }

    /**
     * The content of a saved view whose comparison, where it is one, names its variants otherwise: by their places in the archive, or by
     * their ids again. A run keeps no name of its own; the last one of the variant is compared.
     *
     * @param array<mixed> $content
     * @param array<int, int> $names the new name by the old one
     * @return array<mixed>
     */
    public static function comparing(array $content, array $names): array
    {
        return is_string($content['compare'] ?? null)
            ? [...$content, 'compare' => preg_replace_callback('/of=(\d+)(?:\.\d+)?/', fn (array $found): string => 'of=' . ($names[(int) $found[1]] ?? 0), $content['compare'])]
            : $content;
    }
}
