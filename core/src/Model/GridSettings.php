<?php

declare(strict_types=1);

namespace Foehn\Model;

/** How fine: a grade, with what is asked for by hand, or explicit cells or lines. */
final readonly class GridSettings
{
    public const GRADES = ['scout', 'working', 'sign-off'];

    /**
     * @param ?int $maxCells in place of the budget of the grade
     * @param ?array{int, int, int} $cells uniform grid of this many cells
     * @param array<int, list<float>> $lines explicit grid lines in metres by axis
     * @param array{float, float, float} $stretch of a grid of given cells: ratio of neighbouring cells from both ends towards the middle
     * @param list<Refinement> $refine where cells of a wanted size are given by hand
     * @param ?float $largest widest cell anywhere, m
     * @param ?float $growth greatest ratio of neighbouring cells, in place of that of the grade
     * @param ?int $across fewest cells across a fin, gap, wall or layer, in place of those of the grade
     */
    public function __construct(
        public string $grade,
        public ?int $maxCells = null,
        public ?array $cells = null,
        public array $lines = [],
        public array $stretch = [1.0, 1.0, 1.0],
        public array $refine = [],
        public ?float $largest = null,
        public ?float $growth = null,
        public ?int $across = null,
    ) {
    }

    /** Whether cells or lines are given, and not a grade. */
    public function isGiven(): bool
    {
        return $this->cells !== null || $this->lines !== [];
    }

    public function withGrade(string $grade): self
    {
        return new self($grade, $this->maxCells, $this->cells, $this->lines, $this->stretch, $this->refine, $this->largest, $this->growth, $this->across);
    }
}
