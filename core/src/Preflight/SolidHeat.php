<?php

declare(strict_types=1);

namespace Foehn\Preflight;

use Foehn\Model\Model;
use Foehn\Shapes\FlatShape;
use Foehn\Shapes\Shape;

/** What the parts of a model store of heat, before there is any grid. */
final class SolidHeat
{
    /** J/K, of all parts whose material tells it */
    public static function of(Model $model): float
    {
        $stored = 0.0;
        foreach ($model->parts as $part) {
            $material = $part->material === null ? null : $model->materials->get($part->material);
            $stored += $part->shape instanceof FlatShape ? 0.0 : ($material->density ?? 0.0) * ($material->specificHeat ?? 0.0) * self::volume($part->shape);
        }

        return $stored;
    }

    /** m3: what the planes of the shape cut it into, where it does not tell itself. */
    private static function volume(Shape $shape): float
    {
        $volume = $shape->volume();
        if ($volume !== null) {
            return $volume;
        }
        $pieces = array_map(function (int $axis) use ($shape): array {
            $planes = $shape->planes($axis);
            sort($planes);

            return array_map(fn (float $from, float $to): array => [0.5 * ($from + $to), $to - $from], array_slice($planes, 0, -1), array_slice($planes, 1));
        }, [0, 1, 2]);
        $sum = 0.0;
        foreach ($pieces[0] as [$x, $width]) {
            foreach ($pieces[1] as [$y, $depth]) {
                foreach ($pieces[2] as [$z, $height]) {
                    $sum += $shape->contains($x, $y, $z) ? $width * $depth * $height : 0.0;
                }
            }
        }

        return $sum;
    }
}
