<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Physics\Heat\ConductivityChange;
use Foehn\Physics\Heat\HalfResistances;

/** The conduction of a moving fluid where eddies carry heat too: another conductivity inside it, and one of its own towards walls. */
final readonly class FluidConduction implements ConductivityChange
{
    /**
     * @param array<int, float> $inside W/m/K of each cell of the grid; of cells that are no fluid any
     * @param array<int, float> $atWall W/m/K between each cell and a wall
     */
    public function __construct(private array $inside, private array $atWall)
    {
    }

    public function change(HalfResistances $resistances): void
    {
        $voxels = $resistances->voxels;
        $grid = $voxels->grid;
        foreach ([0, 1, 2] as $axis) {
            $half = $resistances->half[$axis];
            $resistances->half[$axis] = [];
            foreach ($voxels->region as $cell => $region) {
                if ($region >= 0) {
                    $half[$cell] = 0.5 * $grid->widths[$axis][$grid->position($cell, $axis)] / $this->inside[$cell];
                }
            }
            $resistances->half[$axis] = $half;
        }
        $resistances->atWall = [];
        foreach ($voxels->region as $cell => $region) {
            $resistances->atWall[] = $region >= 0 ? $this->inside[$cell] / $this->atWall[$cell] : 1.0;
        }
    }
}
