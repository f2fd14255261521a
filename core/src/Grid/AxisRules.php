<?php

declare(strict_types=1);

namespace Foehn\Grid;

/** What is asked of the grid lines along one axis: planes they lie on, cells within stretches, widths at planes and everywhere. */
final readonly class AxisRules
{
    /** Cells further apart than this are not joined by growth alone, whatever grade. */
    private const GREATEST_GROWTH = 3.0;

    /**
     * @param non-empty-array<int, float> $planes rising, m
     * @param list<array{float, float, float, int}> $stretches from and to, m, how many cells lie between them at least, and how many however coarse the grid
     * @param array<int, float> $widths widest cell at a plane, m, by its number
     * @param float $largest widest cell anywhere, m
     */
    public function __construct(public array $planes, private array $stretches, private array $widths, private float $largest)
    {
    }

    /**
     * @param float $coarser all widths are so many times as wide
     * @return array<int, float> m
     */
    public function lines(float $coarser, float $growth): array
    {
        $fewest = array_fill(0, count($this->planes) - 1, 1);
        $index = new Grid([$this->planes, $this->planes, $this->planes]);
        foreach ($this->stretches as [$from, $to, $cells, $least]) {
            [$first, $last] = $index->range(0, $from, $to);
            for ($i = $first; $i < $last; $i++) {
                $fewest[$i] = max($fewest[$i], (int) ceil(max($least, $cells / $coarser) * $index->widths[0][$i] / ($to - $from) - 1e-6));
            }
        }

        return LineSpacing::lines($this->planes, $coarser * $this->largest, $fewest, min(self::GREATEST_GROWTH, 1.0 + ($growth - 1.0) * $coarser), array_map(fn (float $width) => $coarser * $width, $this->widths));
    }
}
