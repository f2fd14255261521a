<?php

declare(strict_types=1);

namespace Foehn\Grid;

use Foehn\Model\Model;
use Foehn\Shapes\Turned;

/**
 * Cells, extreme widths, the cells across every thin feature, what turned parts lose to steps and what the budget of cells leaves
 * too coarse, for the user to check before a run.
 *
 * @phpstan-type Feature array{part: string, feature: string, width: float, cells: int}
 * @phpstan-type Report array{cells: int, asked: int, shortfall: ?string, steps: list<array{part: string, excess: float}>, shape: array{int, int, int}, smallest: float, largest: float, aspect: float, features: list<Feature>}
 */
final class GridReport
{
    /** Fewer cells than asked for by less than this share are not worth a word. */
    private const SPARE = 0.9;

    /** Features named in a sentence. */
    private const NAMED = 3;

    /**
     * Widths in metres.
     *
     * @return Report
     *         asked: cells that the grade asks for where its budget does not limit it; shortfall: what is too coarse then and what that costs, a sentence
     * @throws GridException
     */
    public static function of(Model $model, Grid $grid): array
    {
        $smallest = $grid->smallest();
        $largest = max(array_map(fn (array $widths): float => $widths === [] ? 0.0 : max($widths), $grid->widths));
        $asked = GridBuilder::asked($model);
        $features = self::features($model, $grid);
        $steps = [];
        foreach ($model->parts as $part) {
            $excess = $part->shape instanceof Turned ? $part->shape->surfaceExcess() : 0.0;
            if ($excess > 1e-6) {
                $steps[] = ['part' => $part->id, 'excess' => $excess];
            }
        }

        return [
            'cells' => $grid->count(), 'asked' => max($grid->count(), $asked?->count() ?? 0), 'shortfall' => $asked === null ? null : self::shortfall($model, $grid, $features, $asked),
            'shape' => $grid->cells, 'smallest' => $smallest, 'largest' => $largest, 'aspect' => $largest / $smallest, 'features' => array_values($features), 'steps' => $steps,
        ];
    }

    /** @return array<string, Feature> */
    private static function features(Model $model, Grid $grid): array
    {
        $features = [];
        foreach ($model->parts as $part) {
            foreach ($part->shape->features() as $feature) {
                [$from, $to] = $grid->range($feature->axis, $feature->from, $feature->to);
                $key = "$part->id $feature->name";
                // Equal features of a part (its fins) are one line: the one with the fewest cells.
                if (! isset($features[$key]) || $to - $from < $features[$key]['cells']) {
                    $features[$key] = ['part' => $part->id, 'feature' => $feature->name, 'width' => $feature->width(), 'cells' => $to - $from];
                }
            }
        }

        return $features;
    }

    /**
     * Errors follow the widths of the cells about in first order where air moves.
     *
     * @param array<string, Feature> $features as the grid has them
     */
    private static function shortfall(Model $model, Grid $grid, array $features, Grid $asked): ?string
    {
        if ($grid->count() >= self::SPARE * $asked->count()) {
            return null;
        }
        $axes = count(array_filter($asked->cells, fn (int $cells) => $cells > 1));
        $wider = ($asked->count() / $grid->count()) ** (1.0 / max(1, $axes));
        $coarse = $shares = [];
        foreach (self::features($model, $asked) as $key => $feature) {
            if ($features[$key]['cells'] < $feature['cells']) {
                $shares[] = $features[$key]['cells'] / $feature['cells'];
                $coarse[] = sprintf('%s of "%s" %d of %d', $feature['feature'], self::name($model, $feature['part']), $features[$key]['cells'], $feature['cells']);
            }
        }
        array_multisort($shares, $coarse);
        $more = count($coarse) - self::NAMED;

        return sprintf('This grade asks for %s cells here and has %s: they are %.2f times as wide as they should be, and errors about as many times as large.', number_format($asked->count(), thousands_separator: ' '), number_format($grid->count(), thousands_separator: ' '), $wider)
            . ($coarse === [] ? '' : sprintf(' Too few cells across: %s%s.', implode(', ', array_slice($coarse, 0, self::NAMED)), $more > 0 ? sprintf(' and %d more', $more) : ''));
    }

    private static function name(Model $model, string $part): string
    {
        return array_column($model->parts, 'name', 'id')[$part] ?? $part;
    }
}
