<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Heat\HeatSystem;

/** A solved (or stopped) steady state with everything results are read from. */
final readonly class Solution
{
    /**
     * @param list<float> $temperature of the cells, K
     * @param list<float> $residuals relative, after each iteration
     * @param list<array{part: string, name: string, flow: float, rise: float, curve: list<array{float, float}>}> $fans operating points, m3/s and Pa
     * @param list<array{part: string, name: string, fins: int, gap: float, drawn: int, cells: int, resolved: bool, drawing: list<array<string, mixed>>}> $fins plate fins as the grid has them
     * @param list<Level> $levels coarser grids this was reached over, from coarse to fine
     * @param ?FlowState $state a flow from which to go on
     * @param array<string, mixed> $regime what was asked for and what was computed: laminar or turbulent, Reynolds number, buoyancy
     */
    public function __construct(
        public Model $model,
        public Grid $grid,
        public Voxels $voxels,
        public HeatSystem $system,
        public array $temperature,
        public int $iterations,
        public int $passes,
        public float $residual,
        public bool $converged,
        public bool $stopped,
        public float $seconds,
        public array $residuals,
        public ?FlowField $flow = null,
        public array $fans = [],
        public array $regime = [],
        public array $levels = [],
        public ?FlowState $state = null,
        public array $fins = [],
        public ?Currents $currents = null,
    ) {
    }

    /** Temperature of a cell in K; null where nothing is computed. */
    public function cellTemperature(int $cell): ?float
    {
        return $this->system->live[$cell] ? $this->temperature[$cell] : null;
    }
}
