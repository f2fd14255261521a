<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Where current enters or leaves the copper of a board: what lies under a rectangle or circle of a layer. */
final readonly class BoardTerminal
{
    /**
     * @param int $layer number among the layers of copper, from the lower face of the board up
     * @param array{float, float} $at its middle as the artwork counts, m
     * @param array{float, float} $size m; of a circle both are its diameter
     */
    public function __construct(public string $name, public int $layer, public array $at, public array $size, public bool $isRound, public ElectricCondition $condition)
    {
    }

    /** @param float $around what counts as within beyond its edge, m */
    public function holds(float $x, float $y, float $around): bool
    {
        [$dx, $dy] = [abs($x - $this->at[0]), abs($y - $this->at[1])];
        [$width, $height] = [0.5 * $this->size[0] + $around, 0.5 * $this->size[1] + $around];

        return $this->isRound ? hypot($dx, $dy) <= $width : $dx <= $width && $dy <= $height;
    }

    /** With a current or voltage so many times as large. */
    public function times(float $factor): self
    {
        return new self($this->name, $this->layer, $this->at, $this->size, $this->isRound, $this->condition->times($factor));
    }
}
