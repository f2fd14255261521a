<?php

declare(strict_types=1);

namespace Foehn\Grid;

/** What a grade of fineness means for the grid. */
final readonly class Grade
{
    /**
     * @param int $acrossSpace largest cell: this many fit along the longest side of the space
     * @param int $acrossFeature fewest cells across a fin, gap, wall or layer
     * @param float $growth largest ratio of neighbouring cell widths
     * @param int $maxCells before cells become larger instead
     * @param ?int $maxCellsOfFlow the same where air moves: there the spots under hot components want more of them; null for as many
     * @param bool $lumps whether plate fins narrower than the largest cell are lumped where air moves
     */
    private function __construct(public int $acrossSpace, public int $acrossFeature, public float $growth, private int $maxCells, private ?int $maxCellsOfFlow = null, public bool $lumps = false)
    {
    }

    public function maxCells(bool $hasFlow): int
    {
        return $hasFlow ? $this->maxCellsOfFlow ?? $this->maxCells : $this->maxCells;
    }

    /** Coarser than any grade a user may ask for: the first grid of a flow, for a first picture and for what Scout leaves open. */
    public static function sketch(): self
    {
        return new self(10, 0, 6.0, PHP_INT_MAX, lumps: true);
    }

    public static function named(string $grade): self
    {
        return match ($grade) {
            'scout' => new self(32, 1, 1.6, 80_000, 120_000, true),
            'sign-off' => new self(110, 3, 1.3, 1_000_000),
            default => new self(64, 2, 1.4, 300_000),
        };
    }
}
