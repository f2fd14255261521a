<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Model\GridSettings;
use Foehn\Units\Dimension;

/** Reads how a model is to be analysed: steady or not, and on what grid. */
final class AnalysisReader
{
    private const MOST_CELLS = 5_000_000;

    private const MOST_LINES = 10_000;

    public static function read(Reader $reader): GridSettings
    {
        $time = $reader->object('time');
        if ($time->oneOf('kind', ['steady', 'transient'], 'steady') !== 'steady') {
            $time->problem('kind', 'only "steady" is computed by this version');
        }
        $time->close();
        $grid = $reader->object('grid');
        $grade = $grid->oneOf('grade', GridSettings::GRADES, 'working');
        $maxCells = $grid->has('maxCells') ? $grid->int('maxCells', 8, self::MOST_CELLS) : null;
        $cells = $grid->has('cells') ? self::cells($grid) : null;
        $stretch = $grid->vector('stretch', Dimension::none(), 3, [1.0, 1.0, 1.0]);
        if (min($stretch) < 0.5 || max($stretch) > 2.0) {
            $grid->problem('stretch', 'ratios of neighbouring cells from 0.5 to 2 are expected; 1.1 makes cells grow by a tenth from both ends to the middle');
            $stretch = [1.0, 1.0, 1.0];
        } elseif ($cells === null && $stretch !== [1.0, 1.0, 1.0]) {
            $grid->problem('stretch', 'only a grid of given "cells" is stretched');
        }
        $lines = self::lines($grid);
        if ($grid->raw('refine') !== null && $grid->raw('refine') !== []) {
            $grid->problem('refine', 'local refinement is not available in this version; leave the list empty');
        }
        $grid->close();
        $reader->close();

        return new GridSettings($grade, $maxCells, $cells, $lines, [$stretch[0], $stretch[1], $stretch[2]]);
    }

    /** @return ?array{int, int, int} */
    private static function cells(Reader $grid): ?array
    {
        $counts = $grid->vector('cells', Dimension::none(), 3);
        $cells = [(int) $counts[0], (int) $counts[1], (int) $counts[2]];
        if (min($cells) >= 1 && array_product($cells) <= self::MOST_CELLS && $counts == $cells) {
            return $cells;
        }
        $grid->problem('cells', sprintf('three whole numbers of at least 1 are expected, with at most %d cells in all', self::MOST_CELLS));

        return null;
    }

    /** @return array<int, list<float>> m, by axis */
    private static function lines(Reader $grid): array
    {
        $lines = [];
        $linesReader = $grid->object('lines');
        foreach (['x', 'y', 'z'] as $axis => $key) {
            if (! $linesReader->has($key)) {
                continue;
            }
            $given = $linesReader->raw($key);
            $count = is_array($given) ? count($given) : 0;
            if ($count > self::MOST_LINES) {
                $linesReader->problem($key, sprintf('%d grid lines are given; at most %d can be read', $count, self::MOST_LINES));

                continue;
            }
            $values = $linesReader->vector($key, Dimension::length(), max(2, $count));
            for ($i = 1; $i < count($values); $i++) {
                if ($values[$i] <= $values[$i - 1]) {
                    $linesReader->problem("$key/$i", 'grid lines must rise');
                }
            }
            $lines[$axis] = array_values($values);
        }
        $linesReader->close();
        if (array_product(array_map(fn (array $values) => count($values) - 1, $lines)) > self::MOST_CELLS) {
            $grid->problem('lines', sprintf('the lines make more than the %d cells that can be computed', self::MOST_CELLS));
        }

        return $lines;
    }
}
