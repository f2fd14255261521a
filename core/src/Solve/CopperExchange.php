<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Board\Drawn;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardCopper;
use Foehn\Model\Drive;
use Foehn\Model\Part;
use Foehn\Physics\Electric\BoardCells;
use Foehn\Physics\Electric\BoardHeat;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\PhysicsException;

/** Currents in the copper of boards and heat: resistivities follow the temperatures, and the currents heat the cells that the copper lies in. */
final class CopperExchange implements Exchange
{
    public readonly BoardHeat $heat;

    /** With joints at the voltages that currents are computed for, where boards are joined to parts. */
    public Drive $drive;

    /** @var array<int, CopperFollower> by index of the part */
    private array $boards = [];

    private readonly bool $follows;

    /**
     * @param array<int, BoardState> $begun copper on another grid, to begin with, by index of the part
     * @param bool $isOnTheWay whether the grid is one on the way to that asked for
     * @throws PhysicsException
     */
    public function __construct(HeatEquation $equation, array $begun = [], bool $isOnTheWay = false)
    {
        $this->heat = new BoardHeat();
        $this->drive = new Drive();
        $equation->add($this->heat);
        $model = $equation->model;
        $law = fn (BoardCopper $board): PropertyLaw => $model->materials->get($board->material)->resistivity ?? throw new \LogicException('the copper of a board has a resistivity');
        $carrying = self::carrying($model->parts);
        foreach ($carrying as $index => $board) {
            $cells = new BoardCells($board->artwork, Drawn::of($board->artwork)->raster, $equation->voxels);
            $this->boards[$index] = new CopperFollower($model->parts[$index]->name, $board, $law($board), $cells, $model->surroundings->temperature, $begun[$index] ?? null, $model->time !== null, $isOnTheWay);
        }
        $this->follows = array_filter($carrying, fn (BoardCopper $board): bool => ! $law($board)->isConstant()) !== [];
    }

    /**
     * @param array<int, Part> $parts by index
     * @return array<int, BoardCopper> of boards with terminals, by index of the part
     */
    public static function carrying(array $parts): array
    {
        return array_filter(array_map(fn (Part $part): ?BoardCopper => $part->copper, $parts), fn (?BoardCopper $copper): bool => $copper !== null && $copper->terminals !== []);
    }

    /** @return array<int, BoardState> by index of the part */
    public function states(): array
    {
        return array_filter(array_map(fn (CopperFollower $board): ?BoardState => $board->state(), $this->boards));
    }

    /**
     * What enters boards through their joints with something else than the model states, without taking it over.
     *
     * @param ?array<int, float> $temperature of the cells, K
     * @return array<string, float> A by joint
     * @throws PhysicsException
     */
    public function response(?array $temperature, Drive $drive): array
    {
        return self::throughJoints(array_map(fn (CopperFollower $board): BoardState => $board->stateAt($temperature, $drive), $this->boards));
    }

    /**
     * @param array<int, BoardState> $boards
     * @return array<string, float> A into the boards, by joint
     */
    public static function throughJoints(array $boards): array
    {
        $currents = [];
        foreach ($boards as $board) {
            foreach ($board->copper->terminals as $n => $terminal) {
                if ($terminal->condition->joining !== null) {
                    $currents[$terminal->condition->joining->name] = $board->currents->contacts[$n]['current'];
                }
            }
        }

        return $currents;
    }

    public function followsTemperature(): bool
    {
        return $this->follows;
    }

    /**
     * Follows temperatures that have been followed before: they move no longer, so that currents are solved where they only went through warmer copper.
     *
     * @param array<int, float> $temperature of the cells, K
     * @return bool whether any were behind
     * @throws PhysicsException
     */
    public function catchUp(array $temperature): bool
    {
        $before = $this->heat->watts;
        if ($this->follows) {
            $this->follow($temperature);
        }

        return $this->heat->watts !== $before;
    }

    public function follow(?array $temperature): float
    {
        if ($this->follows) {
            ThermalRunaway::refuse($temperature);
        }
        $before = $this->heat->sum();
        $this->heat->watts = array_map(fn (CopperFollower $board): array => $board->heatAt($temperature, $this->drive), $this->boards);
        $power = $this->heat->sum();

        return $before === 0.0 ? INF : abs($power - $before) / max(abs($power), 1e-300);
    }
}
