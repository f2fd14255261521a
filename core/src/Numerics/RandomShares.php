<?php

declare(strict_types=1);

namespace Foehn\Numerics;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/** Random numbers between 0 and 1, the same ones for the same seed on every machine. */
final readonly class RandomShares
{
    private const FINE = 1 << 30;

    public Randomizer $randomizer;

    public function __construct(int $seed)
    {
        $this->randomizer = new Randomizer(new Xoshiro256StarStar($seed));
    }

    /** From 0, and less than 1. */
    public function next(): float
    {
        return $this->randomizer->getInt(0, self::FINE - 1) / self::FINE;
    }

    /** More than 0, and less than 1, as quantiles of a distribution without ends have to be. */
    public function inner(): float
    {
        return (0.5 + $this->randomizer->getInt(0, self::FINE - 1)) / self::FINE;
    }
}
