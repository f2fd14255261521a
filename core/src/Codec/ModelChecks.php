<?php

declare(strict_types=1);

namespace Foehn\Codec;

use Foehn\Geometry\Box;
use Foehn\Model\Model;
use Foehn\Model\Part;

/** What makes a well-formed model impossible to compute. */
final class ModelChecks
{
    /** Of the space: how far from its ends the outer grid lines may lie. */
    private const AT_END = 1e-6;

    /** Of the space: how far a part may seem to reach out of it. Surfaces are kept in single precision, and the grid merges planes that are as near (see GridBuilder). */
    private const OUTSIDE = 1e-7;

    public static function run(Model $model, Problems $problems): void
    {
        $space = $model->space;
        $tolerance = self::OUTSIDE * max($space->box->size(0), $space->box->size(1), $space->box->size(2));
        foreach ($model->parts as $part) {
            self::checkInside($part, $space->box, $tolerance, $problems);
        }
        foreach ($model->grid->lines as $axis => $lines) {
            [$from, $to, $first, $last] = [$space->box->min[$axis], $space->box->max[$axis], $lines[0], $lines[count($lines) - 1]];
            if (max(abs($first - $from), abs($last - $to)) > self::AT_END * ($to - $from)) {
                $problems->add('/analysis/grid/lines/' . 'xyz'[$axis], sprintf('the lines go from %g mm to %g mm, the space from %g mm to %g mm; they must begin and end with it', 1e3 * $first, 1e3 * $last, 1e3 * $from, 1e3 * $to));
            }
        }
        foreach ($model->watches as $i => $watch) {
            foreach (['point' => $watch->of->point, 'line' => $watch->of->end] as $field => $point) {
                if ($point !== null && ! $space->box->contains(new Box($point, $point), $tolerance)) {
                    $problems->add("/watches/$i/of/" . ($watch->of->end === null ? $field : 'line'), $watch->of->end === null ? 'the point lies outside the space' : 'the line reaches outside the space');
                }
            }
        }
    }

    private static function checkInside(Part $part, Box $space, float $tolerance, Problems $problems): void
    {
        $box = $part->shape->bounds();
        // What only carves may be cut by a side, as half a bore at a symmetry plane is.
        if ($part->material === Part::FLUID || $space->contains($box, $tolerance)) {
            return;
        }
        for ($axis = 0; $axis < 3; $axis++) {
            if ($box->min[$axis] < $space->min[$axis] - $tolerance || $box->max[$axis] > $space->max[$axis] + $tolerance) {
                $problems->add($part->pointer, sprintf(
                    'part "%s" reaches outside the space: along %s it goes from %g mm to %g mm, the space from %g mm to %g mm',
                    $part->name, 'xyz'[$axis], 1e3 * $box->min[$axis], 1e3 * $box->max[$axis], 1e3 * $space->min[$axis], 1e3 * $space->max[$axis],
                ));
            }
        }
    }
}
