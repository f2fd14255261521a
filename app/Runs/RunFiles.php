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
use Foehn\Study\PointRows;
use Foehn\Study\SolvedPoint;
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

    /** Folders of operating points in an archive. */
    private const POINTS = 'points/';

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
        $result = ResultBuilder::build($solution, $run->revision->hash);
        [$picture, $folder] = $this->writePicture($claim, $run, $solution, $result);
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
        $keep = [$picture, $run->picture, ...$run->picturesOfPoints()];
        foreach ($this->attemptsOf($run) as $attempt) {
            foreach (array_diff($this->numbersIn($run->folder() . "/$attempt"), $keep) as $old) {
                $this->disk()->deleteDirectory($run->folder() . "/$attempt/$old");
            }
        }
    }

    /**
     * Writes an operating point as a picture of its own, beside that of the model as it stands.
     *
     * @throws \Foehn\FoehnException when the disk refuses
     * @throws ClaimLost
     */
    public function writePoint(Claim $claim, SolvedPoint $solved): void
    {
        $run = Run::query()->with('revision')->findOrFail($claim->run);
        [$result, $picture, $folder] = [null, null, null];
        if ($solved->solution !== null) {
            $result = ResultBuilder::build($solved->solution, $run->revision->hash);
            [$picture, $folder] = $this->writePicture($claim, $run, $solved->solution, $result);
        }
        try {
            $claim->write(['points' => json_encode([...$run->points ?? [], ['picture' => $picture, ...PointRows::of($solved, $result)]], JSON_THROW_ON_ERROR)]);
        } catch (ClaimLost $e) {
            $this->disk()->deleteDirectory((string) $folder);
            throw $e;
        }
    }

    /**
     * @param array<string, mixed> $result
     * @return array{int, string} number of the picture, and its folder
     */
    private function writePicture(Claim $claim, Run $run, Solution $solution, array $result): array
    {
        $claim->check();
        $picture = 1 + max($run->picture, 0, ...$run->picturesOfPoints());
        $folder = $run->folder() . "/$claim->attempt/$picture";
        $this->disk()->makeDirectory($folder);
        $write = fn (string $name, string $bytes) => FieldFile::write($this->disk()->path("$folder/$name"), $bytes);
        foreach (FieldFile::ofSolution($solution) as $name => $bytes) {
            $write($name, $bytes);
        }
        $write('result.json', json_encode($result, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR));

        return [$picture, $folder];
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

    /**
     * Files of the last picture of a run, of its operating points in folders of theirs, and its checkpoint where there is one.
     *
     * @return array<string, string> paths by name
     */
    public function lastFiles(Run $run): array
    {
        $folder = dirname($this->path($run, $run->picture, 'result.json'));
        $found = ['' => [...(glob("$folder/*") ?: []), dirname($folder) . '/' . self::STATE]];
        foreach ($run->points ?? [] as $n => $point) {
            $found[self::POINTS . ($n + 1) . '/'] = $point['picture'] === null ? [] : (glob(dirname($this->path($run, $point['picture'], 'result.json')) . '/*') ?: []);
        }
        $files = [];
        foreach ($found as $prefix => $paths) {
            foreach (array_filter($paths, is_file(...)) as $path) {
                $files[$prefix . basename($path)] = $path;
            }
        }

        return $files;
    }

    /**
     * Writes the files of a run that comes from elsewhere, as its first picture and those of its operating points after it.
     *
     * @param callable(): iterable<string, string> $files bytes by name; what no run would have written is left out
     */
    public function restore(Run $run, callable $files): void
    {
        $folder = $run->folder() . '/1';
        $this->disk()->makeDirectory("$folder/1");
        foreach ($files() as $name => $bytes) {
            $of = self::restored(preg_match('~^' . self::POINTS . '(\d{1,3})/~', $name, $found) === 1 ? (int) $found[1] : 0);
            $own = $of === 1 ? $name : basename($name);
            if ($name === self::STATE) {
                FieldFile::write($this->disk()->path("$folder/$name"), $bytes);
            } elseif ($own === 'result.json' || FieldFile::isKnown($own)) {
                $this->disk()->makeDirectory("$folder/$of");
                FieldFile::write($this->disk()->path("$folder/$of/$own"), $bytes);
            }
        }
    }

    /** Number of the picture that an operating point of a restored run has; 0 is the model as it stands. */
    public static function restored(int $point): int
    {
        return 1 + $point;
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
        $folders = ($picture > 0 && $picture <= $run->picture) || in_array($picture, $run->picturesOfPoints(), true) ? array_filter($this->foldersOf($run, $picture), fn (string $folder) => $this->disk()->exists("$folder/result.json")) : [];
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
        return $this->numbersIn($run->folder());
    }

    /** @return list<int> names of the folders in a folder that are numbers */
    private function numbersIn(string $folder): array
    {
        return array_values(array_map(fn (string $one) => (int) basename($one), array_filter($this->disk()->directories($folder), fn (string $one) => ctype_digit(basename($one)))));
    }

    private function disk(): Filesystem
    {
        return Storage::disk('fields');
    }
}
