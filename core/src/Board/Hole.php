<?php

declare(strict_types=1);

namespace Foehn\Board;

/** A drilled hole, or one end of a slot after the other. */
final readonly class Hole
{
    /**
     * @param array{float, float} $at m
     * @param float $diameter of the drill, m
     * @param ?array{float, float} $to end of a slot, m; null for a round hole
     */
    public function __construct(public array $at, public float $diameter, public bool $plated, public ?array $to = null)
    {
    }
}
