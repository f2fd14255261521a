<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\Voxels;
use Foehn\Model\Limit;
use Foehn\Model\Model;
use Foehn\Physics\Heat\HeatSystem;

/** Margins of limits. */
final class LimitCheck
{
    /** Distance to the bound in K, negative when it is missed. */
    public static function margin(Limit $limit, float $value): float
    {
        return $limit->atMost !== null ? $limit->atMost - $value : $value - (float) $limit->atLeast;
    }

    /**
     * Worst margin on an iterate, of the limits on whole parts and package nodes; null when there are none.
     *
     * @param list<float> $temperature of the cells, K
     */
    public static function worstMargin(Model $model, Voxels $voxels, HeatSystem $system, array $temperature): ?float
    {
        $bounds = [];
        $worst = null;
        $indexOf = array_flip(array_map(fn ($part) => $part->id, $model->parts));
        foreach ($model->limits as $limit) {
            $index = $limit->of->part === null ? null : $indexOf[$limit->of->part];
            $state = $index === null ? null : $system->packages->state($index, $temperature);
            if ($state !== null) {
                $margin = self::margin($limit, $state[$limit->of->node ?? 'junction']);
                $worst = $worst === null ? $margin : min($worst, $margin);
            } elseif ($index !== null && $limit->reduce === 'max' && $limit->atMost !== null) {
                $bounds[$index] = min($bounds[$index] ?? INF, $limit->atMost);
            }
        }
        if ($bounds !== []) {
            foreach ($voxels->owner as $cell => $part) {
                if ($part >= 0 && isset($bounds[$part])) {
                    $margin = $bounds[$part] - $temperature[$cell];
                    $worst = $worst === null || $margin < $worst ? $margin : $worst;
                }
            }
        }

        return $worst;
    }
}
