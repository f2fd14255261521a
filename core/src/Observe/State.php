<?php

declare(strict_types=1);

namespace Foehn\Observe;

use Foehn\Grid\Grid;
use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Electric\Currents;
use Foehn\Physics\Flow\FlowField;
use Foehn\Physics\Heat\HeatSystem;
use Foehn\Physics\Radiation\Enclosure;

/** Everything that is computed on one grid at one moment: what balances, values, pictures and results are read from. */
final readonly class State
{
    public Grid $grid;

    /**
     * @param array<int, float> $temperature of the cells, K
     * @param ?FlowField $flow null where nothing moves
     * @param ?Currents $currents null where none are computed
     * @param ?Enclosure $enclosure what surfaces see of each other; null where they do not radiate to each other
     * @param array<int, BoardState> $boards copper that carries current, by index of the part
     * @param array<int, float> $junctions K over their parts in a course in time, by index of the part; others are at rest
     */
    public function __construct(
        public Model $model,
        public Voxels $voxels,
        public HeatSystem $system,
        public array $temperature,
        public ?FlowField $flow = null,
        public ?Currents $currents = null,
        public ?Enclosure $enclosure = null,
        public array $boards = [],
        private array $junctions = [],
    ) {
        $this->grid = $voxels->grid;
    }

    /** K of the junction in a part over it, by its network; 0 where it has none. */
    public function junctionOver(int $part): float
    {
        return $this->junctions[$part] ?? $this->model->parts[$part]->junction?->rise($this->wattsOf($part)) ?? 0.0;
    }

    /** W of a part that are given, set by a control or follow a temperature or a current. */
    public function wattsOf(int $part): float
    {
        return $this->model->parts[$part]->power + ($this->system->losses[$part] ?? 0.0);
    }

    /** Temperature of a cell in K; null where nothing is computed. */
    public function cellTemperature(int $cell): ?float
    {
        return $this->system->live[$cell] ? $this->temperature[$cell] : null;
    }

    /** @return ?array{heat: float, density: float} heat of the current in a part in W, and its greatest density in A/m2; null where none flows */
    public function currentIn(int $part): ?array
    {
        $board = $this->boards[$part] ?? null;

        return $board === null ? $this->currents->parts[$part] ?? null : ['heat' => array_sum($board->currents->heat), 'density' => $board->currents->greatest()];
    }

    public function balance(): HeatBalance
    {
        return HeatBalance::of($this->system, $this->temperature, $this->model->physics->heat ? $this->flow : null);
    }
}
