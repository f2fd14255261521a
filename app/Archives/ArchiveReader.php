<?php

declare(strict_types=1);

namespace App\Archives;

use App\Models\PointState;
use App\Models\Project;
use App\Models\Role;
use App\Models\RunState;
use App\Models\Study;
use App\Models\User;
use App\Models\Variant;
use App\Runs\RunFiles;
use Foehn\Codec\ModelCodec;
use Foehn\Model\ModelException;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;
use Throwable;
use ZipArchive;

/** Restores a project from an archive as a new one, whole or not at all. */
final readonly class ArchiveReader
{
    /** Bytes that one file, and all of them, may unfold to. */
    private const MOST_OF_ONE = 400_000_000;

    private const MOST = 4_000_000_000;

    public function __construct(private RunFiles $files)
    {
    }

    /** @throws ArchiveException */
    public function restore(string $path, User $user): Project
    {
        $zip = new ZipArchive();
        if ($zip->open($path, ZipArchive::RDONLY) !== true) {
            throw new ArchiveException('This file is no zip archive.');
        }
        $this->checkSize($zip);
        $told = json_decode($this->text($zip, 'archive.json', 'This zip file is no archive of a project: it has no archive.json.'), true, 64);
        if (! is_array($told) || ($told['format'] ?? null) !== ProjectArchive::FORMAT) {
            throw new ArchiveException('This zip file is no archive of a project: its archive.json is of another format.');
        }
        if (($told['version'] ?? null) !== ProjectArchive::VERSION) {
            throw new ArchiveException(sprintf('This archive has version %s; this installation reads version %d. Restore it in a newer one.', is_int($told['version'] ?? null) ? (string) $told['version'] : 'unknown', ProjectArchive::VERSION));
        }
        $made = [];
        try {
            return DB::transaction(function () use ($zip, $told, $user, &$made): Project {
                $project = Project::query()->create(['name' => self::string($told, 'project', 'name'), 'summary' => self::string($told, 'project', 'summary')]);
                $project->members()->attach($user->id, ['role' => Role::Owner->value]);
                $variants = [];
                foreach (self::list($told, 'variants') as $n => $one) {
                    $variants[] = $this->variant($zip, $project, $one, $n, $user, $made);
                }
                if ($variants === []) {
                    throw new ArchiveException('This archive has no variant in it.');
                }
                foreach (self::list($told, 'variants') as $n => $one) {
                    if (is_array($one['origin'] ?? null)) {
                        $origin = $one['origin']['variant'] ?? null;
                        $variants[$n]->update(['origin_id' => is_int($origin) ? ($variants[$origin]->id ?? null) : null, 'origin_revision' => $one['origin']['revision'] ?? null]);
                    }
                }
                foreach (self::list($told, 'studies') as $study) {
                    $this->study($project, $study, $variants);
                }
                foreach (self::list($told, 'views') as $n => $view) {
                    $content = is_array($view['content'] ?? null) ? $view['content'] : [];
                    $project->savedViews()->create([
                        'name' => self::string($view, 'name'), 'caption' => self::string($view, 'caption'), 'thumbnail' => self::string($view, 'thumbnail'), 'position' => $n,
                        'content' => ProjectArchive::comparing($content, array_map(fn (Variant $variant): int => $variant->id, $variants)),
                    ]);
                }

                return $project;
            });
        } catch (Throwable $e) {
            // Whatever stopped it: nothing of it stays.
            array_map($this->files->delete(...), $made);
            throw $e instanceof ModelException ? new ArchiveException("A model of this archive cannot be used: {$e->getMessage()}") : $e;
        } finally {
            $zip->close();
        }
    }

    private function checkSize(ZipArchive $zip): void
    {
        $sum = 0;
        for ($n = 0; $n < $zip->numFiles; $n++) {
            $size = $zip->statIndex($n)['size'] ?? 0;
            $sum += $size;
            if ($size > self::MOST_OF_ONE || $sum > self::MOST) {
                throw new ArchiveException(sprintf('This archive unfolds to more than %d MB; nothing of it was restored.', self::MOST / 1e6));
            }
        }
    }

    /**
     * @param array<mixed> $told
     * @param list<\App\Models\Run> $made runs whose files are written already
     */
    private function variant(ZipArchive $zip, Project $project, array $told, int $position, User $user, array &$made): Variant
    {
        $variant = $project->variants()->create(['name' => self::string($told, 'name'), 'note' => self::string($told, 'note'), 'position' => $position]);
        $revisions = [];
        foreach (self::list($told, 'revisions') as $revision) {
            $document = $this->text($zip, self::string($revision, 'model'));
            $number = is_int($revision['number'] ?? null) ? $revision['number'] : 0;
            $author = is_string($revision['author'] ?? null) && $revision['author'] !== $user->name ? " ($revision[author])" : '';
            $kept = $variant->revisions()->make(['number' => $number, 'document' => $document, 'hash' => ModelCodec::hash($document), 'step' => mb_substr(self::string($revision, 'step') . $author, 0, 255), 'user_id' => $user->id]);
            $kept->created_at = is_string($revision['at'] ?? null) ? Carbon::parse($revision['at']) : now();
            $kept->save();
            $revisions[$number] = $kept->id;
        }
        if (! isset($document)) {
            throw new ArchiveException("Variant \"$variant->name\" of this archive has no revision in it.");
        }
        // The last one is what is opened; those before are kept as they are.
        ModelCodec::fromJson($document);
        foreach (self::list($told, 'runs') as $run) {
            $revision = $revisions[is_int($run['revision'] ?? null) ? $run['revision'] : 0] ?? throw new ArchiveException("A run of \"$variant->name\" is of a revision that the archive does not have.");
            $state = RunState::tryFrom(self::string($run, 'state'));
            if ($state === null || $state->isActive()) {
                throw new ArchiveException("A run of \"$variant->name\" has no state that could be restored.");
            }
            $kept = $variant->runs()->create([...array_intersect_key($run, array_flip(ProjectArchive::OF_RUNS)), 'revision_id' => $revision, 'user_id' => $user->id, 'attempts' => 1, 'picture' => 1]);
            $kept->update(['started_at' => self::moment($run, 'startedAt'), 'finished_at' => self::moment($run, 'finishedAt')]);
            $made[] = $kept;
            $folder = self::string($run, 'files');
            $kept->update(['points' => array_map(fn (array $point, int $n): array => [...$point, 'picture' => isset($point['picture']) ? RunFiles::restored($n + 1) : null], $kept->points ?? [], array_keys($kept->points ?? []))]);
            $this->files->restore($kept, function () use ($zip, $folder): iterable {
                for ($n = 0; $n < $zip->numFiles; $n++) {
                    $name = (string) $zip->getNameIndex($n);
                    if (str_starts_with($name, "$folder/")) {
                        yield substr($name, strlen($folder) + 1) => (string) $zip->getFromIndex($n);
                    }
                }
            });
        }

        return $variant;
    }

    /**
     * A study with what its points read; one that was not over is paused, and computes the rest when it is continued.
     *
     * @param array<mixed> $told
     * @param list<Variant> $variants
     */
    private function study(Project $project, array $told, array $variants): void
    {
        $variant = $variants[is_int($told['variant'] ?? null) ? $told['variant'] : -1] ?? null;
        $revision = $variant?->revisions()->where('number', is_int($told['revision'] ?? null) ? $told['revision'] : 0)->first();
        if ($variant === null || $revision === null) {
            throw new ArchiveException(sprintf('The study "%s" of this archive is of a revision that the archive does not have.', self::string($told, 'name')));
        }
        $study = Study::query()->create([...array_intersect_key($told, array_flip(ProjectArchive::OF_STUDIES)), 'project_id' => $project->id, 'variant_id' => $variant->id, 'revision_id' => $revision->id, 'paused' => true]);
        foreach (self::list($told, 'points') as $point) {
            $state = PointState::tryFrom(self::string($point, 'state')) ?? PointState::Waiting;
            $study->points()->create([...array_intersect_key($point, array_flip(ProjectArchive::OF_POINTS)), 'state' => in_array($state, PointState::active(), true) ? PointState::Waiting : $state]);
        }
    }

    private function text(ZipArchive $zip, string $name, ?string $missing = null): string
    {
        $text = $zip->getFromName($name);

        return $text === false ? throw new ArchiveException($missing ?? "This archive is not whole: $name is missing.") : $text;
    }

    /** @param array<mixed> $told */
    private static function moment(array $told, string $key): ?Carbon
    {
        return is_string($told[$key] ?? null) ? Carbon::parse($told[$key]) : null;
    }

    /** @param array<mixed> $told */
    private static function string(array $told, string ...$path): string
    {
        $value = $told;
        foreach ($path as $key) {
            $value = is_array($value) ? ($value[$key] ?? '') : '';
        }

        return is_string($value) ? $value : '';
    }

    /**
     * @param array<mixed> $told
     * @return list<array<mixed>>
     */
    private static function list(array $told, string $key): array
    {
        return array_values(array_filter(is_array($told[$key] ?? null) ? $told[$key] : [], is_array(...)));
    }
}
