<?php

declare(strict_types=1);

namespace Foehn\Board;

/** A plated hole: a tube of copper that joins layers. */
final readonly class Barrel
{
    /**
     * @param Hole $hole
     * @param float $plating thickness of the copper in it, m
     * @param int $from number of the first layer that it joins
     * @param int $to number of the last one
     */
    public function __construct(public Hole $hole, public float $plating, public int $from, public int $to)
    {
    }

    /** Of its copper: the ring between the drill and the hole that is left, and along a slot its two sides, m2. */
    public function section(): float
    {
        $inner = max(0.0, $this->hole->diameter - 2.0 * $this->plating);
        $along = $this->hole->to === null ? 0.0 : hypot($this->hole->to[0] - $this->hole->at[0], $this->hole->to[1] - $this->hole->at[1]);

        return 0.25 * M_PI * ($this->hole->diameter ** 2 - $inner ** 2) + $along * ($this->hole->diameter - $inner);
    }
}
