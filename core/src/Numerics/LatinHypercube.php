<?php

declare(strict_types=1);

namespace Foehn\Numerics;

use Random\Randomizer;

/** Spread samples (McKay, Beckman & Conover, Technometrics 21 (1979) 239): in each of equal slices of a range there is one, in an order of its own. */
final class LatinHypercube
{
    /**
     * One dimension of it, as shares of the range.
     *
     * @param callable(): float $within place in a slice, 0 to 1
     * @return list<float>
     */
    public static function shares(int $count, Randomizer $random, callable $within): array
    {
        /** @var list<int> $slices */
        $slices = $random->shuffleArray(range(0, $count - 1));

        return array_map(fn (int $slice): float => ($slice + $within()) / $count, $slices);
    }
}
