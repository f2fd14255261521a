<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Results\HeatBalance;

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
     * @param float $seconds on this grid
     * @param float $spent seconds of the whole computation, over all its grids
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
        public Start $start = new Start(),
        public float $spent = 0.0,
    ) {
    }

    /** Temperature of a cell in K; null where nothing is computed. */
    public function cellTemperature(int $cell): ?float
    {
        return $this->system->live[$cell] ? $this->temperature[$cell] : null;
    }

    public function balance(): HeatBalance
    {
        return HeatBalance::of($this->system, $this->temperature, $this->model->physics->heat ? $this->flow : null);
    }

    /** What a solution that is neither converged nor stopped lacks. */
    public function shortfall(): string
    {
        $balance = $this->balance();

        return match (true) {
            isset($this->regime['amplitude']) => sprintf('Not steady: the mean of the last steps is shown; temperature fluctuation ±%.1f K', $this->regime['amplitude']),
            $this->model->physics->heat && ! $balance->holds() => sprintf('Not converged: %.1f %% of the heat is missing from the balance', 100.0 * $balance->error()),
            $this->regime['frozen'] ?? false => 'Not converged: temperatures still move on the flow that was kept',
            $this->flow !== null => 'Not steady: the mean of the last steps is shown',
            default => sprintf('Not converged: the residual stayed at %.1e after %d iterations', $this->residual, $this->iterations),
        };
    }
}
