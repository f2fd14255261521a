<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Model\Watch;
use Foehn\Results\FieldFile;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Analysis;
use Foehn\Solve\Start;

/**
 * `solve MODEL.json --out DIR [--grade G] [--strict] [--start DIR [--frozen]]`. Exit 0 solved, 1 limit missed or undecided with --strict, 2 bad input, 3 not converged, also at an operating point.
 *
 * @phpstan-import-type Result from ResultBuilder
 */
final class SolveCommand
{
    private const ZERO_CELSIUS = 273.15;

    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out', 'grade', 'start'], ['strict', 'frozen']);
        $path = $options->only('the model document');
        $json = Options::read($path);
        $document = ModelCodec::parse($json);
        $folder = $options->value('start');
        $start = match (true) {
            $folder === null => new Start(frozen: $options->has('frozen')),
            ModelCodec::fromDocument($document)->time !== null => SolveFiles::temperatures($folder),
            default => SolveFiles::start($folder, $options->has('frozen')),
        };
        $solution = Analysis::solve($document, $options->grade(), new TerminalListener(), $start);
        $result = ResultBuilder::build($solution, ModelCodec::hash($json));
        if ($options->value('out') !== null) {
            SolveFiles::write($options->value('out'), ['result.json' => SolveFiles::text($result), ...FieldFile::ofSolution($solution), SolveFiles::STATE => $solution->checkpoint?->toBytes() ?? '']);
        }
        self::print($solution->state->model, $result);
        if (! $solution->outcome->converged) {
            fwrite(STDERR, $solution->shortfall() . ".\n");

            return 3;
        }
        if (OperatingPointTable::solve($json, $solution, $result, $options->value('out')) > 0) {
            return 3;
        }

        return $options->has('strict') && $result['verdict']['missed'] + $result['verdict']['undecided'] > 0 ? 1 : 0;
    }

    /** @param Result $result */
    private static function print(Model $model, array $result): void
    {
        $limits = [];
        foreach (array_filter($result['limits'], fn (array $limit) => $limit['quantity'] === 'temperature') as $limit) {
            $limits[$limit['part'] ?? ''] ??= $limit;
        }
        $celsius = fn (?float $kelvin): string => $kelvin === null ? '-' : sprintf('%.2f', $kelvin - self::ZERO_CELSIUS);
        $rows = [];
        foreach ($result['parts'] as $part) {
            $limit = $limits[$part['id']] ?? null;
            $rows[] = [
                $part['name'], sprintf('%.2f', $part['power'] + ($part['current']['heat'] ?? 0.0)), $celsius($part['temperature']['max'] ?? null), $celsius($part['nodes']['junction'] ?? null),
                $celsius($limit['atMost'] ?? $limit['atLeast'] ?? null), isset($limit['margin']) ? sprintf('%+.2f', $limit['margin']) : '-',
                $limit === null ? '' : ($limit['verdict'] === 'missed' ? 'MISSED' : $limit['verdict']),
            ];
        }
        echo TextTable::render(['Part', 'W', 'T max °C', 'Junction °C', 'Limit °C', 'Margin K', 'Verdict'], $rows, [1, 2, 3, 4, 5]);
        self::printValues($result);
        CourseTable::print($result);
        $balance = $result['balance'];
        printf("\n%s in %.4f W, out %.4f W, balance error %.1e.\n", $result['time'] === null ? 'Heat' : 'In the end heat', $balance['in'], $balance['out'], $balance['error']);
        printf("%s: %d cells (%s), %d iterations, %.1f s.\n", $model->name, $result['grid']['cells'], $result['grid']['grade'], $result['solver']['iterations'], $result['solver']['seconds']);
        foreach ($result['flow']['fans'] ?? [] as $fan) {
            printf("%s: %.3f l/s at %.1f Pa.\n", $fan['name'], 1e3 * $fan['flow'], $fan['rise']);
        }
        foreach ($result['electric']['terminals'] ?? [] as $terminal) {
            printf("%s, face %s%s: %.4g A at %.4g V.\n", $terminal['name'], $terminal['face'], isset($terminal['joint']) ? ", joint $terminal[joint]" : '', $terminal['current'], $terminal['voltage']);
        }
        array_map(CopperCommand::print(...), $result['electric']['boards'] ?? []);
        foreach ($result['warnings'] as $warning) {
            printf("Warning: %s.\n", rtrim($warning, '.'));
        }
        printf("%d of %d limits missed%s.\n", $result['verdict']['missed'], $result['verdict']['limits'], $result['verdict']['undecided'] > 0 ? sprintf(', %d undecided: their margin is smaller than its ±', $result['verdict']['undecided']) : '');
    }

    /**
     * Limits and watches with what the grid may still change in them, in SI units.
     *
     * @param Result $result
     */
    private static function printValues(array $result): void
    {
        $rows = [];
        foreach ([...$result['limits'], ...$result['watches']] as $value) {
            $rows[] = [$value['name'], $value['value'] === null ? '-' : sprintf('%.6g', $value['value']), Watch::unit($value['quantity'], $value['reduce'] ?? ''),
                $value['plusMinus'] === null ? 'unknown' : sprintf('%.2g', $value['plusMinus']), $value['order'] === null ? '-' : sprintf('%.1f', $value['order'])];
        }
        if ($rows !== []) {
            echo "\n", TextTable::render(['Limit or watch', 'Value', 'Unit', '±', 'Order'], $rows, [1, 3, 4]);
        }
    }
}
