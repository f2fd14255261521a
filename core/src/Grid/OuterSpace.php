<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;
use Foehn\Model\Space;

/**
 * What of a space lies outside of its boxes: the cells of no part that lead to a side which is open to the surroundings as a whole, or,
 * where nothing is computed between the parts, to any side but a plane of symmetry. What is enclosed sees its enclosure, and no surroundings.
 */
final class OuterSpace
{
    /** @return array<int, true> by cell */
    public static function of(Model $model, Voxels $voxels): array
    {
        $grid = $voxels->grid;
        $outer = $queue = [];
        foreach ($voxels->owner as $cell => $part) {
            if ($part < 0) {
                for ($direction = 0; $direction < 6; $direction++) {
                    if (self::beyond($grid, $cell, $direction) < 0 && self::isOpen($model, $direction)) {
                        $outer[$cell] = true;
                        $queue[] = $cell;

                        break;
                    }
                }
            }
        }
        while ($queue !== []) {
            $cell = array_pop($queue);
            for ($direction = 0; $direction < 6; $direction++) {
                $next = self::beyond($grid, $cell, $direction);
                if ($next >= 0 && $voxels->owner[$next] < 0 && ! isset($outer[$next])) {
                    $outer[$next] = true;
                    $queue[] = $next;
                }
            }
        }

        return $outer;
    }

    /** The cell beyond a face of another one, -1 outside of the space. */
    public static function beyond(Grid $grid, int $cell, int $direction): int
    {
        $axis = $direction >> 1;
        $stride = $grid->strides()[$axis];
        $place = intdiv($cell, $stride) % $grid->cells[$axis];
        $isUp = $direction % 2 === 1;

        return $place === ($isUp ? $grid->cells[$axis] - 1 : 0) ? -1 : $cell + ($isUp ? $stride : -$stride);
    }

    private static function isOpen(Model $model, int $direction): bool
    {
        $flow = $model->space->sides[Space::SIDES[$direction]]->flow;

        return $model->space->fluid === null ? $flow->kind !== 'symmetry' : ! $flow->isWall();
    }
}
