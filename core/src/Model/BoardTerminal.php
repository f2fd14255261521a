<?php

declare(strict_types=1);

namespace Foehn\Model;

/**
 * Where current enters or leaves the copper of a board: what lies under a rectangle or circle of a layer, or under several pads of that size, as
 * those of the pins of a component that belong together.
 */
final readonly class BoardTerminal
{
    /**
     * @param int $layer number among the layers of copper, from the lower face of the board up
     * @param non-empty-list<array{float, float}> $pads the middle of each pad as the artwork counts, m
     * @param array{float, float} $size m; of a circle both are its diameter
     */
    public function __construct(public string $name, public int $layer, public array $pads, public array $size, public bool $isRound, public ElectricCondition $condition)
    {
    }

    /**
     * @param int $pad number of the pad
     * @param float $around what counts as within beyond its edge, m
     */
    public function holds(int $pad, float $x, float $y, float $around): bool
    {
        [$dx, $dy] = [abs($x - $this->pads[$pad][0]), abs($y - $this->pads[$pad][1])];
        [$width, $height] = [0.5 * $this->size[0] + $around, 0.5 * $this->size[1] + $around];

        return $this->isRound ? hypot($dx, $dy) <= $width : $dx <= $width && $dy <= $height;
    }

    /** Whether its pads share a current as their ways have resistance: they are at one potential then, which nobody states. */
    public function sharesCurrent(): bool
    {
        return count($this->pads) > 1 && $this->condition->givesCurrent();
    }

    public function driven(Drive $drive): self
    {
        return new self($this->name, $this->layer, $this->pads, $this->size, $this->isRound, $drive->of($this->condition));
    }
}
