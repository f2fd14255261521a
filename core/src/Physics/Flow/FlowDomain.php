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

    /**
     * @param list<int> $fluid 1 for fluid cells, 0 for solid ones and ghosts
     * @param list<float> $drag 1 where a cell that is no fluid rubs, 0 where it slips
     * @param array{list<int>, list<int>, list<int>} $face kind of each face by axis
     * @param array{list<float>, list<float>, list<float>} $velocity given velocities, and those of walls in the ghosts, m/s
     * @param list<float> $pressure given in ghosts, Pa
     * @param list<Opening> $openings
     */
    public function __construct(
        public readonly FlowLayout $layout,
        public readonly array $fluid,
        public readonly array $drag,
        public readonly array $face,
        public readonly array $velocity,
        public readonly array $pressure,
        public readonly array $openings,
        public readonly int $fluidCells,
    ) {
    }

    /** Whether a given pressure fixes the level of the pressure. */
    public function hasPressureLevel(): bool
    {
        foreach ($this->openings as $opening) {
            if ($opening->condition->kind !== 'inlet') {
                return true;
            }
        }

        return false;
    }
}
