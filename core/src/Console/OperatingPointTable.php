<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Watch;
use Foehn\Results\FieldFile;
use Foehn\Results\ResultBuilder;
use Foehn\Solve\Solution;
use Foehn\Study\OperatingPoints;
use Foehn\Study\PointRows;

/**
 * The operating points of a model on the terminal and in a folder.
 *
 * @phpstan-import-type Result from ResultBuilder
 */
final class OperatingPointTable
{
    /** Folder beside the result, with one of each point by its number. */
    private const FOLDER = 'points';

    /** What they read, beside the result. */
    public const FILE = 'points.json';

    /**
     * Computes the operating points of a document that is solved, writes each into a folder of its own, and prints limits and watches side by side.
     *
     * @param string $json the model document
     * @param Result $result of the document as it stands
     * @return int how many have no steady state, or none at all
     */
    public static function solve(string $json, Solution $base, array $result, ?string $folder): int
    {
        $rows = [];
        $open = 0;
        foreach (OperatingPoints::solve($json, $base, new TerminalListener()) as $solved) {
            $own = $solved->solution === null ? null : ResultBuilder::build($solved->solution, ModelCodec::hash($solved->model));
            $open += $solved->solution?->outcome->converged === true ? 0 : 1;
            $rows[] = PointRows::of($solved, $own);
            if ($folder !== null && $own !== null) {
                SolveFiles::write("$folder/" . self::FOLDER . '/' . count($rows), ['model.json' => $solved->model, 'result.json' => SolveFiles::text($own), ...FieldFile::ofSolution($solved->solution)]);
            }
        }
        if ($rows !== []) {
            if ($folder !== null) {
                SolveFiles::write($folder, [self::FILE => SolveFiles::text($rows)]);
            }
            self::print($result, $rows);
        }

        return $open;
    }

    /**
     * @param Result $result
     * @param list<array{name: string, message: ?string, readings: list<array<string, mixed>>, ...}> $points
     */
    private static function print(array $result, array $points): void
    {
        $rows = [];
        foreach ([...$result['limits'], ...$result['watches']] as $value) {
            $row = [$value['name'], Watch::unit($value['quantity'], $value['reduce'] ?? ''), self::number($value['value'])];
            foreach ($points as $point) {
                $reading = array_column($point['readings'], null, 'id')[$value['id']] ?? null;
                $row[] = self::number(is_float($reading['value'] ?? null) ? $reading['value'] : null) . (($reading['verdict'] ?? null) === 'missed' ? ' MISSED' : '');
            }
            $rows[] = $row;
        }
        echo "\n", TextTable::render(['Limit or watch', 'Unit', 'As it stands', ...array_column($points, 'name')], $rows, range(2, count($points) + 2));
        foreach ($points as $point) {
            if ($point['message'] !== null) {
                printf("Operating point %s: %s.\n", $point['name'], rtrim($point['message'], '.'));
            }
        }
    }

    private static function number(?float $value): string
    {
        return $value === null ? '-' : sprintf('%.6g', $value);
    }
}
