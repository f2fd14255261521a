<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Geometry\Axes;
use Foehn\Model\Section;
use Foehn\Physics\Flow\FlowField;

/** What passes a section across the fluid. Between the planes of cell centres it goes straight from one to the next, as velocities and temperatures do. */
final readonly class SectionFlow
{
    /** @param array<int, float> $temperature of the cells, K */
    public function __construct(private FlowField $flow, private array $temperature)
    {
    }

    /** Along the axis of the section, kg/s. */
    public function mass(Section $section): float
    {
        return $this->sum($section, fn (float $mass): float => $mass);
    }

    /** Along the axis of the section, m3/s. */
    public function volume(Section $section): float
    {
        return $this->sum($section, fn (float $mass, int $cell, float $volume): float => $volume);
    }

    /** Mean temperature of what passes, weighted with its mass flow (the mixing-cup temperature), K; null where nothing passes on the whole. */
    public function bulkTemperature(Section $section): ?float
    {
        $mass = $this->mass($section);

        return $mass === 0.0 ? null : $this->sum($section, fn (float $mass, int $cell): float => $mass * $this->temperature[$cell]) / $mass;
    }

    /**
     * Sum over the fluid cells of the section.
     *
     * @param callable(float, int, float): float $of kg/s along the axis through the middle of a cell, the cell, and m3/s through it
     */
    private function sum(Section $section, callable $of): float
    {
        $grid = $this->flow->domain->layout->grid;
        [$a, $b] = Axes::across($section->axis);
        [$low, $share] = FlowProbe::between($grid->centres[$section->axis], $section->at, beyond: true);
        $sum = 0.0;
        foreach ($share === 0.0 ? [[$low, 1.0]] : [[$low, 1.0 - $share], [$low + 1, $share]] as [$plane, $weight]) {
            for ($jb = 0; $jb < $grid->cells[$b]; $jb++) {
                for ($ja = 0; $ja < $grid->cells[$a]; $ja++) {
                    if ($section->contains($grid->centres[$a][$ja], $grid->centres[$b][$jb])) {
                        $place = [0, 0, 0];
                        [$place[$section->axis], $place[$a], $place[$b]] = [$plane, $ja, $jb];
                        $sum += $weight * $this->ofCell($section->axis, $place, $grid->widths[$a][$ja] * $grid->widths[$b][$jb], $of);
                    }
                }
            }
        }

        return $sum;
    }

    /**
     * @param array{int, int, int} $place of the cell in the grid
     * @param float $area m2
     * @param callable(float, int, float): float $of
     */
    private function ofCell(int $axis, array $place, float $area, callable $of): float
    {
        $layout = $this->flow->domain->layout;
        $grid = $layout->grid;
        $c = $layout->index($place[0] + 1, $place[1] + 1, $place[2] + 1);
        if ($this->flow->domain->fluid[$c] === 0) {
            return 0.0;
        }
        $before = $c - $layout->stride[$axis];
        $mass = 0.5 * ($this->flow->flux[$axis][$c] + $this->flow->flux[$axis][$before]);
        $volume = 0.5 * $area * ($this->flow->velocity[$axis][$c] + $this->flow->velocity[$axis][$before]);

        return $of($mass, $place[0] + $grid->cells[0] * ($place[1] + $grid->cells[1] * $place[2]), $volume);
    }
}
