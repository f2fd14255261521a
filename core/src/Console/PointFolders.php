<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\FoehnException;
use Foehn\Model\Watch;
use Foehn\Results\CodeVersion;
use Foehn\Results\FieldFile;
use Foehn\Results\ReadingRows;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Study\SweepPlan;

/**
 * The points of a study on the disk: each has a folder of its own with its model and its result, and all have a line in a table. What is
 * there already, from the same code, is not computed again, so that a study that was stopped goes on; each point starts from the nearest one that is solved.
 *
 * @phpstan-import-type Result from ResultBuilder
 * @phpstan-import-type ReadingRow from ReadingRows
 */
final class PointFolders
{
    /** Points without an answer. */
    public int $ended = 0;

    /** @var list<list<float>> SI units */
    private array $numbers = [];

    /** @var array<int, true> */
    private array $solved = [];

    /** @var list<list<int|string>> */
    private array $rows = [];

    /** @var list<string> of what the runs read */
    private array $heads = [];

    /**
     * @param string $json the model document
     * @param list<string> $names of what is varied
     */
    public function __construct(private readonly string $json, private readonly string $out, private readonly ?string $grade, private readonly array $names)
    {
    }

    /**
     * Computes the next point.
     *
     * @param list<string> $texts values as they are written into the model
     * @param list<float> $numbers the same in SI units
     * @param int $of so many points there are
     * @return ?list<ReadingRow> what its run reads; null where it gave no answer
     */
    public function solve(array $texts, array $numbers, int $of): ?array
    {
        $point = count($this->numbers);
        $nearest = SweepPlan::byDistance($numbers, array_intersect_key($this->numbers, $this->solved))[0] ?? null;
        $this->numbers[] = $numbers;
        $result = null;
        try {
            $result = $this->result(SweepPlan::modelAt($this->json, array_combine($this->names, $texts)), $this->folder($point), $nearest === null ? null : $this->folder($nearest));
            $state = $result['solver']['converged'] ? 'solved' : 'not steady';
        } catch (FoehnException $e) {
            $state = strtr($e->getMessage(), "\n", ' ');
        }
        if ($state === 'solved') {
            $this->solved[$point] = true;
        } else {
            $this->ended++;
        }
        $readings = $result === null ? [] : ReadingRows::of($result);
        $this->rows[] = [$point + 1, ...$texts, $state, ...($result === null ? [] : self::numbers([$result['verdict']['worstMargin'], ...array_column($readings, 'value')]))];
        $this->heads = $result === null ? $this->heads : ['worst margin, K', ...array_map(fn (array $one): string => sprintf('%s, %s', $one['name'], Watch::unit($one['quantity'], $one['reduce'])), $readings)];
        fprintf(STDERR, "%d of %d: %s, %s\n", $point + 1, $of, implode(', ', $texts), $state);
        $this->write();

        return $state === 'solved' ? $readings : null;
    }

    public function table(): string
    {
        $file = fopen('php://temp', 'w+b');
        assert($file !== false);
        foreach ([['point', ...$this->names, 'state', ...$this->heads], ...$this->rows] as $row) {
            fputcsv($file, $row, ',', '"', '');
        }

        return (string) stream_get_contents($file, null, 0);
    }

    private function write(): void
    {
        SolveFiles::write($this->out, ['sweep.csv' => $this->table()]);
    }

    private function folder(int $point): string
    {
        return sprintf('%s/%05d', $this->out, $point + 1);
    }

    /** @return Result */
    private function result(string $json, string $folder, ?string $nearest): array
    {
        $known = is_file("$folder/result.json") ? json_decode(Options::read("$folder/result.json"), true) : null;
        if (is_array($known) && is_array($known['model'] ?? null) && ($known['model']['hash'] ?? null) === ModelCodec::hash($json) && is_array($known['solver'] ?? null) && ($known['solver']['code'] ?? null) === CodeVersion::hash()) {
            /** @var Result $known */
            return $known;
        }
        $model = ModelCodec::fromJson($json);
        $model = $this->grade === null ? $model : $model->withGrade($this->grade);
        $start = $nearest !== null && is_file("$nearest/" . SolveFiles::STATE) ? SolveFiles::start($nearest, false) : new Start();
        $solution = (new SteadySolver($model, start: $start))->solve();
        $result = ResultBuilder::build($solution, ModelCodec::hash($json));
        SolveFiles::write($folder, [
            'model.json' => $json, 'result.json' => json_encode($result, JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE | JSON_THROW_ON_ERROR),
            ...FieldFile::of($solution->state), SolveFiles::STATE => $solution->checkpoint?->toBytes() ?? '',
        ]);

        return $result;
    }

    /**
     * @param list<?float> $values
     * @return list<string>
     */
    private static function numbers(array $values): array
    {
        return array_map(fn (?float $value): string => $value === null ? '' : sprintf('%.8g', $value), $values);
    }
}
