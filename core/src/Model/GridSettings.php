<?php

declare(strict_types=1);

namespace Foehn\Model;

/** How fine: a grade, or explicit cells or lines. */
final readonly class GridSettings
{
    public const GRADES = ['scout', 'working', 'sign-off'];

    /**
     * @param ?array{int, int, int} $cells uniform grid of this many cells
     * @param array{float, float, float} $stretch of that grid: ratio of neighbouring cells from both ends towards the middle
     * @param array<int, list<float>> $lines explicit grid lines in metres by axis
     */
    public function __construct(public string $grade, public ?int $maxCells, public ?array $cells, public array $lines, public array $stretch = [1.0, 1.0, 1.0])
    {
    }

    /** Whether cells or lines are given, and not a grade. */
    public function isGiven(): bool
    {
        return $this->cells !== null || $this->lines !== [];
    }

    public function withGrade(string $grade): self
    {
        return new self($grade, $this->maxCells, $this->cells, $this->lines, $this->stretch);
    }
}
