<?php

declare(strict_types=1);

namespace App\Runs;

use App\Models\Influence;
use App\Models\Run;
use Foehn\Observe\GridValues;
use Foehn\Physics\Radiation\LinkStore;
use Foehn\Results\FieldFile;
use Foehn\Results\ReadingRows;
use Foehn\Results\ResultBuilder;
use Foehn\Results\StoredPicture;
use Foehn\Solve\CourseState;
use Foehn\Solve\FlowState;
use Foehn\Solve\Solution;
use Illuminate\Contracts\Filesystem\Filesystem;
use Illuminate\Support\Facades\Storage;
use Symfony\Component\HttpFoundation\BinaryFileResponse;

/**
 * The results and fields of runs on the fields disk. Each attempt writes into a folder of its own, so that a worker that lost its
 * claim overwrites nothing: runs/RUN/ATTEMPT/PICTURE holds a result with its fields, runs/RUN/ATTEMPT/flow.state a checkpoint.
 */
final class RunFiles
{
    private const STATE = 'flow.state';

    private const COURSE = 'course.state';

    /** View factors of geometries that were computed before. */
    public function links(): LinkStore
    {
        return new LinkStore($this->disk()->path('view-factors'));
    }

    /**
     * Writes the next picture of a run and lets it take the place of the last one.
     *
     * @throws \Foehn\FoehnException when the disk refuses
     * @throws ClaimLost
     */
    public function write(Claim $claim, Solution $solution): void
    {
        $run = Run::query()->with('revision')->findOrFail($claim->run);
        $claim->check();
        $result = ResultBuilder::build($solution, $run->revision->hash);
        $picture = $run->picture + 1;
        $folder = $run->folder() . "/$claim->attempt/$picture";
        $this->disk()->makeDirectory($folder);
        $write = fn (string $name, string $bytes) => FieldFile::write($this->disk()->path("$folder/$name"), $bytes);
        foreach (FieldFile::ofSolution($solution) as $name => $bytes) {
            $write($name, $bytes);
        }
        $write('result.json', json_encode($result, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));
        if ($solution->checkpoint !== null) {
            // The last level of the result is this grid, which is done only when it has converged.
            $levels = $solution->outcome->converged ? $result['levels'] : array_slice($result['levels'], 0, -1);
            $this->keep($claim, $levels, $solution->checkpoint);
        }
        try {
            $claim->write([
                'picture' => $picture, 'cells' => $result['grid']['cells'], 'iterations' => $solution->outcome->iterations, 'seconds' => $solution->spent,
                'limits' => $result['verdict']['limits'], 'missed' => $result['verdict']['missed'], 'undecided' => $result['verdict']['undecided'],
                'worst_margin' => $result['verdict']['worstMargin'], 'worst_limit' => $result['verdict']['worst'], 'readings' => json_encode(ReadingRows::of($result), JSON_THROW_ON_ERROR),
            ]);
        } catch (ClaimLost $e) {
            $this->disk()->deleteDirectory($folder);
            throw $e;
        }
        // Who has asked for the one before may still be reading it.
        foreach ($this->foldersOf($run, $picture - 2) as $old) {
            $this->disk()->deleteDirectory($old);
        }
    }

    /**
     * Keeps where a run is, for it to go on from there when its worker is lost or it is resumed.
     *
     * @param list<array<string, mixed>> $levels the grids that are done
     */
    public function keep(Claim $claim, array $levels, FlowState $state): void
    {
        $this->writeState($claim, self::STATE, json_encode($levels, JSON_THROW_ON_ERROR) . "\n" . $state->toBytes());
    }

    /** Keeps where a course in time is, for it to go on from there. */
    public function keepCourse(Claim $claim, CourseState $state): void
    {
        $this->writeState($claim, self::COURSE, $state->toBytes());
    }

    private function writeState(Claim $claim, string $name, string $bytes): void
    {
        $claim->check();
        $folder = "runs/$claim->run/$claim->attempt";
        $this->disk()->makeDirectory($folder);
        FieldFile::write($this->disk()->path("$folder/$name"), $bytes);
    }

    /** @return iterable<string> what the attempts of a run have kept in a file beside their pictures, the latest first */
    private function states(Run $run, string $name): iterable
    {
        $attempts = $this->attemptsOf($run);
        rsort($attempts);
        foreach ($attempts as $attempt) {
            $file = $run->folder() . "/$attempt/$name";
            if ($this->disk()->exists($file)) {
                yield (string) $this->disk()->get($file);
            }
        }
    }

    /** Where the course in time of a run was last kept; null where none is. */
    public function course(Run $run): ?CourseState
    {
        foreach ($this->states($run, self::COURSE) as $bytes) {
            $state = CourseState::fromBytes($bytes);
            if ($state !== null) {
                return $state;
            }
        }

        return null;
    }

    /**
     * The last checkpoint of a run.
     *
     * @return ?array{FlowState, list<GridValues>} the flow, and the grids that are done
     */
    public function checkpoint(Run $run): ?array
    {
        foreach ($this->states($run, self::STATE) as $bytes) {
            $end = strpos($bytes, "\n");
            $state = $end === false ? null : FlowState::fromBytes(substr($bytes, $end + 1));
            if ($end !== false && $state !== null) {
                /** @var list<array{cells: int, shape: array{int, int, int}, iterations: int, seconds: float, values: array<string, ?float>}> $levels */
                $levels = json_decode(substr($bytes, 0, $end), true);

                return [$state, array_map(GridValues::fromArray(...), $levels)];
            }
        }

        return null;
    }

    /** A file of a picture. It never changes, so that a browser keeps it and asks no more; with ranges. */
    public function response(Run $run, int $picture, string $name): BinaryFileResponse
    {
        return $this->file($this->path($run, $picture, $name), "run-$run->id-$picture-$name");
    }

    /** A file that never changes under its name. */
    private function file(string $path, string $tag): BinaryFileResponse
    {
        $response = response()->file($path, ['Content-Type' => str_ends_with($path, '.json') ? 'application/json' : 'application/octet-stream']);
        $response->setEtag($tag)->setPrivate()->setImmutable()->setMaxAge(31_536_000);
        $response->isNotModified(request());

        return $response;
    }

    /** @param iterable<string, string> $files bytes by name */
    public function writeInfluence(Influence $influence, iterable $files): void
    {
        $this->disk()->makeDirectory($influence->folder());
        foreach ($files as $name => $bytes) {
            FieldFile::write($this->disk()->path($influence->folder() . "/$name"), $bytes);
        }
    }

    public function influence(Influence $influence, string $name): BinaryFileResponse
    {
        $file = $influence->folder() . "/$name";
        abort_unless($this->disk()->exists($file), 404, "This influence has no $name.");

        return $this->file($this->disk()->path($file), "influence-$influence->id-$name");
    }

    public function deleteInfluence(Influence $influence): void
    {
        $this->disk()->deleteDirectory($influence->folder());
    }

    /** A picture of a run, to be probed and traced. */
    public function picture(Run $run, int $picture): StoredPicture
    {
        return new StoredPicture(dirname($this->path($run, $picture, 'result.json')));
    }

    /** @return array<string, string> paths of the files of the last picture of a run, and of its checkpoint where there is one, by name */
    public function lastFiles(Run $run): array
    {
        $folder = dirname($this->path($run, $run->picture, 'result.json'));
        $files = [];
        foreach ([...(glob("$folder/*") ?: []), dirname($folder) . '/' . self::STATE] as $path) {
            if (is_file($path)) {
                $files[basename($path)] = $path;
            }
        }

        return $files;
    }

    /**
     * Writes the files of a run that comes from elsewhere, as its first picture.
     *
     * @param callable(): iterable<string, string> $files bytes by name; what no run would have written is left out
     */
    public function restore(Run $run, callable $files): void
    {
        $folder = $run->folder() . '/1/1';
        $this->disk()->makeDirectory($folder);
        foreach ($files() as $name => $bytes) {
            if ($name === self::STATE) {
                FieldFile::write($this->disk()->path(dirname($folder) . "/$name"), $bytes);
            } elseif ($name === 'result.json' || FieldFile::isKnown($name)) {
                FieldFile::write($this->disk()->path("$folder/$name"), $bytes);
            }
        }
    }

    /** Removes everything that a run has written. */
    public function delete(Run $run): void
    {
        $this->disk()->deleteDirectory($run->folder());
    }

    /** Removes the files of runs that are gone, as when a whole project was deleted. */
    public function deleteOrphans(): int
    {
        $deleted = 0;
        foreach ($this->disk()->directories('runs') as $folder) {
            if (Run::query()->whereKey((int) basename($folder))->doesntExist()) {
                $this->disk()->deleteDirectory($folder);
                $deleted++;
            }
        }

        return $deleted;
    }

    private function path(Run $run, int $picture, string $name): string
    {
        $folders = $picture > 0 && $picture <= $run->picture ? array_filter($this->foldersOf($run, $picture), fn (string $folder) => $this->disk()->exists("$folder/result.json")) : [];
        foreach ($folders as $folder) {
            $path = $this->disk()->path("$folder/$name");
            if (is_file($path)) {
                return $path;
            }
        }
        abort(404, match (true) {
            $folders !== [] => "Picture $picture of this run has no $name: the model has nothing of the kind.",
            $run->picture === 0 => 'This run has no result yet.',
            default => "This run has no picture $picture any more; the last one is $run->picture.",
        });
    }

    /** @return list<string> folders of a picture, that of the latest attempt first */
    private function foldersOf(Run $run, int $picture): array
    {
        $attempts = $this->attemptsOf($run);
        rsort($attempts);

        return array_map(fn (int $attempt) => $run->folder() . "/$attempt/$picture", $attempts);
    }

    /** @return list<int> */
    private function attemptsOf(Run $run): array
    {
        return array_values(array_map(fn (string $folder) => (int) basename($folder), array_filter($this->disk()->directories($run->folder()), fn (string $folder) => ctype_digit(basename($folder)))));
    }

    private function disk(): Filesystem
    {
        return Storage::disk('fields');
    }
}
