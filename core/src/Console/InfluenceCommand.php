<?php

declare(strict_types=1);

namespace Foehn\Console;

use Foehn\Codec\ModelCodec;
use Foehn\Model\Model;
use Foehn\Solve\Start;
use Foehn\Solve\SteadySolver;
use Foehn\Study\Sensitivities;
use Foehn\Study\WhatIf;

/**
 * `influence MODEL.json [--grade G] [--start DIR] [--out DIR]`: kelvin per watt of every heated part, and what would help the worst limit.
 * Where something flows, DIR of --start holds the flow that is kept.
 *
 * @phpstan-import-type SensitivityRow from Sensitivities
 */
final class InfluenceCommand
{
    /** @param list<string> $arguments */
    public static function run(array $arguments): int
    {
        $options = Options::parse($arguments, ['out', 'grade', 'start'], []);
        $document = ModelCodec::parse(Options::read($options->only('the model document')));
        $model = ModelCodec::fromDocument($document);
        $grade = $options->grade();
        $model = $grade === null ? $model : $model->withGrade($grade);
        $start = $options->value('start');
        $heat = (new SteadySolver($model, new TerminalListener(), $start === null ? new Start() : SolveFiles::start($start, true)))->linearised();
        $found = WhatIf::of($heat, $document, function (float $share): void {
            fprintf(STDERR, "\r%3.0f %%", 100.0 * $share);
        });
        fwrite(STDERR, "\r     \r");
        if ($options->value('out') !== null) {
            SolveFiles::write($options->value('out'), $found->files($heat));
        }
        self::print($model, $found);

        return 0;
    }

    private static function print(Model $model, WhatIf $found): void
    {
        $names = array_column($model->parts, 'name', 'id');
        $document = $found->document;
        $rows = [];
        foreach ($document['values'] as $value) {
            if ($value['id'] === null && in_array($value['node'] ?? $value['reduce'], ['junction', 'max'], true)) {
                $rows[] = [$names[$value['part']] ?? '', ...array_map(fn (float $perWatt): string => sprintf('%.3f', $perWatt), $value['places'][0]['perWatt'])];
            }
        }
        $heads = array_map(fn (array $source): string => $names[$source['part']] ?? $source['part'], $document['sources']);
        echo "Influence, K/W: rise of the part in the row for a watt in the part above.\n\n", TextTable::render(['Part', ...$heads], $rows, range(1, max(1, count($heads))));
        self::printHelps($model, $found, $names);
        self::printTolerances($model, $found);
    }

    /** @param array<string, string> $names of the parts */
    private static function printHelps(Model $model, WhatIf $found, array $names): void
    {
        $document = $found->document;
        if ($document['limit'] === null) {
            return;
        }
        $limit = array_column($model->limits, 'name', 'id')[$document['limit']] ?? $document['limit'];
        echo "\nWhat would help: $limit\n\n", TextTable::render(['What', 'Change', 'Effect, K'], array_map(fn (array $row): array => [
            self::label($row, $names), in_array($row['unit'], ['K'], true) ? sprintf('%+.0f K', $row['step']) : sprintf('%+.0f %%', 100.0 * $row['step']), sprintf('%+.2f', $row['change']),
        ], $document['helps']), [1, 2]);
    }

    private static function printTolerances(Model $model, WhatIf $found): void
    {
        $tolerances = $found->document['tolerances'];
        if ($tolerances === null) {
            return;
        }
        $names = array_column($model->limits, 'name', 'id');
        $heads = array_map(fn (array $limit): string => $names[$limit['id']] ?? $limit['id'], $tolerances['limits']);
        $rows = array_map(fn (array $row): array => [
            "$row[of] ± $row[by]", $row['distribution'], ...array_map(fn (array $limit): string => $row['changes'] === null ? '' : sprintf('%+.2f', $row['changes'][$limit['id']]), $tolerances['limits']),
        ], $tolerances['rows']);
        $rows[] = ['Margin', '', ...array_map(fn (array $limit): string => sprintf('%.2f', $limit['margin']), $tolerances['limits'])];
        $rows[] = ['Met in, %', '', ...array_map(fn (array $limit): string => sprintf('%.1f', 100.0 * $limit['met']), $tolerances['limits'])];
        echo "\nTolerances: change of each margin at the upper end, K; empty where only computed builds can tell.\n\n", TextTable::render(['Tolerance', 'Distribution', ...$heads], $rows, range(2, 1 + max(1, count($heads))));
        echo $tolerances['met'] === null ? '' : sprintf("\nAll limits are met in %.1f %% of builds.\n", 100.0 * $tolerances['met']);
    }

    /**
     * @param SensitivityRow $row
     * @param array<string, string> $names
     */
    private static function label(array $row, array $names): string
    {
        $of = $names[$row['of'] ?? ''] ?? $row['of'];
        $at = $row['face'] === null ? $of : "$of face $row[face]";

        return match ($row['kind']) {
            'power' => "watts of $of",
            'ambient' => 'ambient temperature',
            'givenTemperature' => sprintf('given temperature of %.1f °C', (float) $row['value'] - 273.15),
            'conductivity' => "conductivity of $of",
            'emissivity' => "emissivity of $at",
            'absorptivity' => "absorptivity of sunlight of $at",
            'contactResistance' => "contact resistance of $at",
            'convectionCoefficient' => "convection coefficient of $at",
            'junctionToCase' => "junction-to-case resistance of $of",
            'junctionToBoard' => "junction-to-board resistance of $of",
            default => throw new \LogicException("no name for the parameter \"$row[kind]\""),
        };
    }
}
