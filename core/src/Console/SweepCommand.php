<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\FoehnException;
use Foehn\Model\ModelException;
use Foehn\Model\Watch;
use Foehn\Results\FieldFile;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Study\SweepPlan;

/**
 * `sweep MODEL.json [NAME=VALUES ...] --out DIR [--latin COUNT [--seed N]] [--table FILE] [--grade G]`: computes a model for many values of its
 * parameters. Each point starts from the nearest one that is solved and has a folder of its own; what is there already is not computed
 * again, so that a sweep that was stopped goes on. DIR/sweep.csv has a line for each point. Exit 0, or 1 when a point has no answer.
 *
 * @phpstan-import-type Result from ResultBuilder
 */
final class SweepCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out', 'grade', 'latin', 'seed', 'table'], []);
        $words = $options->rest();
        $json = Options::read(array_shift($words) ?? throw ModelException::at('', 'the model document is expected'));
        $document = ModelCodec::parse($json);
        ModelCodec::fromDocument($document);
        $out = $options->value('out') ?? throw ModelException::at('', '--out DIR is expected: where the points and their table are written');
        $plan = self::plan($document, $words, $options);
        $rows = $solved = $heads = [];
        $ended = 0;
        for ($point = 0; $point < $plan->count(); $point++) {
            $folder = sprintf('%s/%05d', $out, $point + 1);
            $start = $plan->nearest($point, $solved)[0] ?? null;
            try {
                $result = self::point(SweepPlan::modelAt($json, $plan->at($point)), $options->grade(), $folder, $start === null ? null : sprintf('%s/%05d', $out, $start + 1));
                $state = $result['solver']['converged'] ? 'solved' : 'not steady';
                $solved[] = $point;
            } catch (FoehnException $e) {
                [$result, $state] = [null, strtr($e->getMessage(), "\n", ' ')];
            }
            $ended += $state === 'solved' ? 0 : 1;
            $rows[] = [$point + 1, ...$plan->points[$point], $state, ...self::readings($result)];
            fprintf(STDERR, "%d of %d: %s, %s\n", $point + 1, $plan->count(), implode(', ', $plan->points[$point]), $state);
            $heads = $result === null ? $heads : self::heads($result);
            self::table($out, $plan, $rows, $heads);
        }
        echo (string) file_get_contents("$out/sweep.csv");

        return $ended === 0 ? 0 : 1;
    }

    /**
     * @param array<mixed> $document
     * @param list<string> $words
     */
    private static function plan(array $document, array $words, Options $options): SweepPlan
    {
        if ($options->value('table') !== null) {
            return SweepPlan::table($document, Options::read($options->value('table')));
        }
        $variations = [];
        foreach ($words as $word) {
            [$name, $values] = [...explode('=', $word, 2), ''];
            $variations[trim($name)] = $values;
        }
        $latin = $options->value('latin');

        return $latin === null ? SweepPlan::grid($document, $variations) : SweepPlan::latin($document, $variations, (int) $latin, (int) ($options->value('seed') ?? 1));
    }

    /** @return Result */
    private static function point(string $json, ?string $grade, string $folder, ?string $nearest): array
    {
        $known = is_file("$folder/result.json") ? json_decode(Options::read("$folder/result.json"), true) : null;
        if (is_array($known) && is_array($known['model'] ?? null) && ($known['model']['hash'] ?? null) === ModelCodec::hash($json)) {
            /** @var Result $known */
            return $known;
        }
        $model = ModelCodec::fromJson($json);
        $model = $grade === null ? $model : $model->withGrade($grade);
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
     * @param Result $result
     * @return list<string> what readings() has, with its unit
     */
    private static function heads(array $result): array
    {
        $heads = ['worst margin, K'];
        foreach ([...$result['limits'], ...$result['watches']] as $reading) {
            $heads[] = sprintf('%s, %s', $reading['name'], Watch::unit($reading['quantity'], $reading['reduce'] ?? ''));
        }

        return $heads;
    }

    /**
     * @param ?Result $result
     * @return list<string> worst margin, then every limit and watch, SI units
     */
    private static function readings(?array $result): array
    {
        if ($result === null) {
            return [];
        }
        $number = fn (?float $value): string => $value === null ? '' : sprintf('%.8g', $value);

        return [$number($result['verdict']['worstMargin']), ...array_map(fn (array $one): string => $number($one['value']), [...$result['limits'], ...$result['watches']])];
    }

    /**
     * @param list<list<int|string>> $rows
     * @param list<string> $heads of what the runs read
     */
    private static function table(string $out, SweepPlan $plan, array $rows, array $heads): void
    {
        $file = fopen('php://temp', 'w+b');
        assert($file !== false);
        foreach ([['point', ...$plan->names, 'state', ...$heads], ...$rows] as $row) {
            fputcsv($file, $row, ',', '"', '');
        }
        SolveFiles::write($out, ['sweep.csv' => (string) stream_get_contents($file, null, 0)]);
    }
}
