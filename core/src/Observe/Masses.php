<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Model\Part;

/** What every part weighs, by the cells that it has and the density of its material; what lies within another part is counted once. */
final class Masses
{
    /** Id of the mass of all parts among the readings of limits and watches. */
    public const READING = ':mass';

    /**
     * @return list<?float> kg by part, 0 where it has no body; null where its material has no density
     */
    public static function of(State $state): array
    {
        $volumes = array_fill(0, count($state->model->parts), 0.0);
        foreach ($state->voxels->owner as $cell => $part) {
            if ($part >= 0) {
                $volumes[$part] += $state->grid->volume($cell);
            }
        }

        return array_map(function (Part $part, float $cells, float $fill) use ($state): ?float {
            $density = $part->material === null ? null : $state->model->materials->get($part->material)?->density;

            return $cells <= 0.0 ? 0.0 : ($density === null ? null : $density * $fill * $cells);
        }, $state->model->parts, $volumes, $state->voxels->fill);
    }
}
