<?php

declare(strict_types=1);

namespace Foehn\Board;

/** A layer of copper in a board. */
final readonly class CopperLayer
{
    /**
     * @param list<Paint> $paints its artwork, m
     * @param float $thickness of its copper, m
     * @param float $height of the middle of the copper over the lower face of the board, m
     */
    public function __construct(public string $name, public array $paints, public float $thickness, public float $height)
    {
    }
}
