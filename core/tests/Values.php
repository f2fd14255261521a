<?php

declare(strict_types=1);

namespace Foehn\Tests;

/** Extremes of values that a test knows to be there; an empty list fails the test. */
final class Values
{
    /** @param array<float> $values */
    public static function greatest(array $values): float
    {
        return max($values === [] ? throw new \LengthException('No values to compare.') : $values);
    }

    /** @param array<float> $values */
    public static function least(array $values): float
    {
        return min($values === [] ? throw new \LengthException('No values to compare.') : $values);
    }
}
