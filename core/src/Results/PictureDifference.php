<?php

declare(strict_types=1);

namespace Foehn\Results;

use Foehn\Grid\Resampling;

/**
 * What one picture has beyond another, in the cells of its own grid: the field of the other is read at the middle of each cell. Only where
 * both are solid, or both fluid, there is a difference.
 */
final class PictureDifference
{
    /**
     * @return list<?float> this picture minus the base, in the order of the cells of this one; null where they cannot be compared
     * @throws OutputException where one of them has no such field
     */
    public static function of(StoredPicture $picture, StoredPicture $base, string $field): array
    {
        $owners = $picture->owners();
        $there = (new Resampling($base->grid, $base->owners()))->onto($picture->grid, $base->values($field));

        return array_map(
            fn (?float $value, array $known, int $own): ?float => $value === null || $known[0] === null || ($known[1] > 0) !== ($own > 0) ? null : $value - $known[0],
            $picture->values($field),
            $there,
            $owners,
        );
    }
}
