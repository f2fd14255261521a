<?php

declare(strict_types=1);

namespace Foehn\Geometry;

/** The three axes by number: 0 is x, 1 is y, 2 is z. */
final class Axes
{
    /** @return array{0|1|2, 0|1|2} the two axes across one, in the order x, y, z */
    public static function across(int $axis): array
    {
        return match ($axis) {
            0 => [1, 2],
            1 => [0, 2],
            default => [0, 1],
        };
    }

    /** @return 0|1|2 the axis across two others */
    public static function besides(int $one, int $other): int
    {
        return match ($one + $other) {
            1 => 2,
            2 => 1,
            default => 0,
        };
    }

    /** @return 0|1|2 the axis of a direction 2 * axis + (1 towards rising coordinates) */
    public static function of(int $direction): int
    {
        return match ($direction >> 1) {
            0 => 0,
            1 => 1,
            default => 2,
        };
    }

    /** @return 0|1|2 number of the axis that a name such as "y" or a direction such as "y-" begins with */
    public static function named(string $name): int
    {
        return match ($name[0] ?? '') {
            'y' => 1,
            'z' => 2,
            default => 0,
        };
    }

    /** @return array{float, float, float} the values along an axis and along the two across it, in the order x, y, z */
    public static function place(int $axis, float $along, float $first, float $second): array
    {
        return match ($axis) {
            0 => [$along, $first, $second],
            1 => [$first, $along, $second],
            default => [$first, $second, $along],
        };
    }

    /** @return array{float, float, float} a vector along an axis */
    public static function unit(int $axis, float $length = 1.0): array
    {
        return self::place($axis, $length, 0.0, 0.0);
    }

    /**
     * @param array{float, float, float} $vector
     * @return array{float, float, float} the same with another value along an axis
     */
    public static function replaced(array $vector, int $axis, float $value): array
    {
        [$a, $b] = self::across($axis);

        return self::place($axis, $value, $vector[$a], $vector[$b]);
    }
}
