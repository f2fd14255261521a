<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;
use Foehn\Shapes\Turned;

/** Cells, extreme widths, the cells across every thin feature and what turned parts lose to steps, for the user to check before a run. */
final class GridReport
{
    /**
     * Widths in metres.
     *
     * @return array{cells: int, steps: list<array{part: string, excess: float}>, shape: array{int, int, int}, smallest: float, largest: float, aspect: float,
     *               features: list<array{part: string, feature: string, width: float, cells: int}>}
     */
    public static function of(Model $model, Grid $grid): array
    {
        $smallest = $grid->smallest();
        $largest = max(array_map(fn (array $widths): float => $widths === [] ? 0.0 : max($widths), $grid->widths));
        $features = [];
        $steps = [];
        foreach ($model->parts as $part) {
            $excess = $part->shape instanceof Turned ? $part->shape->surfaceExcess() : 0.0;
            if ($excess > 1e-6) {
                $steps[] = ['part' => $part->id, 'excess' => $excess];
            }
            foreach ($part->shape->features() as $feature) {
                [$from, $to] = $grid->range($feature->axis, $feature->from, $feature->to);
                $key = "$part->id $feature->name";
                // Equal features of a part (its fins) are one line: the one with the fewest cells.
                if (! isset($features[$key]) || $to - $from < $features[$key]['cells']) {
                    $features[$key] = ['part' => $part->id, 'feature' => $feature->name, 'width' => $feature->width(), 'cells' => $to - $from];
                }
            }
        }

        return ['cells' => $grid->count(), 'shape' => $grid->cells, 'smallest' => $smallest, 'largest' => $largest, 'aspect' => $largest / $smallest, 'features' => array_values($features), 'steps' => $steps];
    }
}
