<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A layer of a board: its artwork, what is drawn on it by hand, or neither where it only insulates or is known by its share of copper. */
final readonly class BoardLayer
{
    /**
     * @param float $from height of its lower face over that of the board, m
     * @param float $to of its upper face, m
     * @param string $material beside the copper, in the library of the model
     * @param float $share of copper where there is no artwork, 0 .. 1
     * @param ?string $artwork text of a file
     * @param list<DrawnCopper> $drawn after the artwork
     */
    public function __construct(public string $name, public float $from, public float $to, public string $material, public float $share, public ?string $artwork, public array $drawn)
    {
    }

    public function isCopper(): bool
    {
        return $this->artwork !== null || $this->drawn !== [];
    }

    public function thickness(): float
    {
        return $this->to - $this->from;
    }
}
