<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Box;
use Foehn\Model\ConvergenceTarget;
use Foehn\Model\GridSettings;
use Foehn\Model\Part;
use Foehn\Model\Refinement;
use Foehn\Model\Space;
use Foehn\Model\Transient;
use Foehn\Units\Dimension;

/** Reads how a model is to be analysed: steady or not, and on what grid. */
final class AnalysisReader
{
    private const MOST_CELLS = 5_000_000;

    private const MOST_LINES = 10_000;

    private const MOST_REFINEMENTS = 200;

    /** Narrower cells than this are hardly meant, m. */
    private const SMALLEST = 1e-7;

    private const MOST_ACROSS = 20;

    private const MOST_ITERATIONS = 100_000;

    /**
     * @param list<Part> $parts
     * @return array{GridSettings, ConvergenceTarget, ?Transient}
     */
    public static function read(Reader $reader, array $parts): array
    {
        $time = TimeReader::read($reader->object('time'));
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
        $refine = array_map(fn (Reader $one): Refinement => self::refinement($one, $parts), $grid->objects('refine', self::MOST_REFINEMENTS, 'refinements'));
        $largest = $grid->has('largest') ? $grid->quantity('largest', Dimension::length(), min: self::SMALLEST) : null;
        $growth = $grid->has('growth') ? self::growth($grid) : null;
        $across = $grid->has('across') ? $grid->int('across', 1, self::MOST_ACROSS) : null;
        foreach (['refine' => $refine !== [], 'largest' => $largest !== null, 'growth' => $growth !== null, 'across' => $across !== null] as $key => $isGiven) {
            if ($isGiven && ($cells !== null || count($lines) === 3)) {
                $grid->problem($key, 'it belongs to a grade; "cells" and "lines" say already where the grid is');
            }
        }
        $grid->close();
        $target = self::target($reader->object('convergence'));
        $reader->close();

        return [new GridSettings($grade, $maxCells, $cells, $lines, [$stretch[0], $stretch[1], $stretch[2]], $refine, $largest, $growth, $across), $target, $time];
    }

    private static function target(Reader $given): ConvergenceTarget
    {
        $share = function (string $key) use ($given): ?float {
            $value = $given->optionalQuantity($key, Dimension::none());
            if ($value !== null && ($value < 1e-14 || $value > 0.1)) {
                $given->problem($key, sprintf('%g is given; a share from 1e-14 to 0.1 is expected, such as 1e-6', $value));
            }

            return $value;
        };
        $target = new ConvergenceTarget($share('residual'), $share('change'), $given->has('iterations') ? $given->int('iterations', 1, self::MOST_ITERATIONS) : null);
        $given->close();

        return $target;
    }

    private static function growth(Reader $grid): float
    {
        $growth = $grid->quantity('growth', Dimension::none());
        if ($growth < 1.02 || $growth > 2.0) {
            $grid->problem('growth', sprintf('%g is given; a ratio of neighbouring cells from 1.02 to 2 is expected, such as 1.15', $growth));
        }

        return $growth;
    }

    /** @param list<Part> $parts */
    private static function refinement(Reader $one, array $parts): Refinement
    {
        $part = $one->has('part') ? $one->string('part') : null;
        $face = $one->has('face') ? $one->oneOf('face', Space::SIDES) : null;
        $box = null;
        if ($one->has('box')) {
            $corners = $one->object('box');
            [$min, $max] = [$corners->vector('min', Dimension::length(), 3), $corners->vector('max', Dimension::length(), 3)];
            $corners->close();
            if ($max[0] <= $min[0] || $max[1] <= $min[1] || $max[2] <= $min[2]) {
                $one->problem('box', 'its max must lie above its min along every axis');
            }
            $box = new Box([$min[0], $min[1], $min[2]], [$max[0], $max[1], $max[2]]);
        }
        if (($part === null) === ($box === null)) {
            $one->problem('part', 'what is refined is either a "part" or a "box"');
        }
        if ($face !== null && $part === null) {
            $one->problem('face', 'a face belongs to a part; give the part too');
        }
        $size = $one->quantity('size', Dimension::length(), min: self::SMALLEST);
        $one->close();
        $refinement = new Refinement($part, $face, $box, $size);
        if ($part !== null && $refinement->boxes($parts) === []) {
            $one->problem('part', sprintf('there is no part with the id "%s"', $part));
        }

        return $refinement;
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
