<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

/** Where the fluid is and what bounds it, in the layout of the flow. */
final class FlowDomain
{
    /** A face whose velocity is given: inside solids and at walls and inlets. */
    public const GIVEN = 0;

    /** A face between two fluid cells. */
    public const INNER = 1;

    /** A face in an outlet or open side: its velocity is computed against a given pressure outside. */
    public const OUTER = 2;

    public readonly int $fluidCells;

    /**
     * @param array<int, int> $fluid 1 for fluid cells, 0 for solid ones and ghosts
     * @param array<int, float> $noSlip 1 where the fluid sticks to a cell that is no fluid, 0 where it slips along it
     * @param array{array<int, int>, array<int, int>, array<int, int>} $face kind of each face by axis
     * @param array{array<int, float>, array<int, float>, array<int, float>} $velocity given velocities, and those of walls in the ghosts, m/s
     * @param array<int, float> $pressure given in ghosts, Pa
     * @param list<Opening> $openings
     */
    public function __construct(
        public readonly FlowLayout $layout,
        public readonly array $fluid,
        public readonly array $noSlip,
        public readonly array $face,
        public readonly array $velocity,
        public readonly array $pressure,
        public readonly array $openings,
    ) {
        $this->fluidCells = array_sum($fluid);
    }

    /** Whether a given pressure fixes the level of the pressure. */
    public function hasPressureLevel(): bool
    {
        foreach ($this->openings as $opening) {
            if ($opening->condition->isAtPressure()) {
                return true;
            }
        }

        return false;
    }
}
