<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Observe\GridValues;
use Foehn\Observe\Readings;
use Foehn\Observe\State;

/** A solved (or stopped) steady state, or the end of a course in time, how it ended, and what it was reached from. */
final readonly class Solution
{
    /**
     * @param array<string, mixed> $regime of a flow: what was asked for and what was computed, such as laminar or turbulent, Reynolds number, buoyancy
     * @param list<GridValues> $levels coarser grids this was reached over, from coarse to fine
     * @param ?FlowState $checkpoint a flow from which to go on
     * @param float $spent seconds of the whole computation, over all its grids
     * @param ?FrozenAir $air the flow, for heat to be computed on
     * @param ?Course $course in time, of which the state is the end; null: steady
     */
    public function __construct(
        public State $state,
        public Outcome $outcome,
        public array $regime = [],
        public array $levels = [],
        public ?FlowState $checkpoint = null,
        public Start $start = new Start(),
        public float $spent = 0.0,
        public ?Course $course = null,
        public ?FrozenAir $air = null,
    ) {
    }

    /** What limits and watches see on this grid. */
    public function onGrid(): GridValues
    {
        $grid = $this->state->grid;

        return new GridValues($grid->count(), $grid->cells, $this->outcome->iterations, $this->outcome->seconds, (new Readings($this->state))->all());
    }

    /** By how much the temperatures of a flow that never became steady swing about the mean that is shown, K; null where it did. */
    public function amplitude(): ?float
    {
        $amplitude = $this->regime['amplitude'] ?? null;

        return is_float($amplitude) ? $amplitude : null;
    }

    /** What a solution that is neither converged nor stopped lacks. */
    public function shortfall(): string
    {
        $balance = $this->state->balance();

        return match (true) {
            $this->course !== null && $this->course->open !== '' => 'Not converged: ' . $this->course->open,
            $this->course !== null => sprintf('Not converged: %.1e of the heat that passed is missing from the balance over time', $this->course->error()),
            $this->amplitude() !== null => sprintf('Not steady: the mean of the last steps is shown; temperature fluctuation ±%.1f K', $this->amplitude()),
            $this->state->model->physics->heat && ! $balance->holds() => sprintf('Not converged: %.1f %% of the heat is missing from the balance', 100.0 * $balance->error()),
            is_float($this->regime['fansOpen'] ?? null) && $this->regime['fansOpen'] > FanControls::NEAR => sprintf('Not converged: the speed of a fan is %.0f %% of full speed from what its sensor asks for', 100.0 * $this->regime['fansOpen']),
            ($this->regime['frozen'] ?? false) === true => 'Not converged: temperatures still move on the flow that was kept',
            $this->state->flow !== null => 'Not steady: the mean of the last steps is shown',
            default => sprintf('Not converged: the residual stayed at %.1e after %d iterations', $this->outcome->residual, $this->outcome->iterations),
        };
    }
}
