<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Board\Drawn;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardCopper;
use Foehn\Model\Part;
use Foehn\Physics\Electric\BoardCells;
use Foehn\Physics\Electric\BoardHeat;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\Electric\BoardSystem;
use Foehn\Physics\Heat\HeatEquation;
use Foehn\Physics\PhysicsException;

/** Currents in the copper of boards and heat: resistivities follow the temperatures, and the currents heat the cells that the copper lies in. */
final class CopperExchange implements Exchange
{
    /** Changes of temperature that currents do not follow, K: the heat then changes by some millionths. */
    private const STAYS = 1e-3;

    public readonly BoardHeat $heat;

    /** @var array<int, BoardCopper> by index of the part */
    private array $boards;

    /** @var array<int, BoardCells> by index of the part */
    private array $cells = [];

    /** @var array<int, BoardState> by index of the part, at the last temperatures */
    private array $states = [];

    /** @var array<int, array<int, float>> K in the cells with copper that the states are of, by index of the part */
    private array $at = [];

    /**
     * @param array<int, BoardState> $begun copper on another grid, to begin at
     * @throws PhysicsException
     */
    public function __construct(private readonly HeatEquation $equation, private readonly array $begun = [])
    {
        $this->boards = self::carrying($equation->model->parts);
        $this->heat = new BoardHeat();
        $equation->add($this->heat);
        foreach ($this->boards as $index => $board) {
            $this->cells[$index] = new BoardCells($board->artwork, Drawn::of($board->artwork)->raster, $equation->voxels);
        }
    }

    /**
     * @param list<Part> $parts
     * @return array<int, BoardCopper> of boards with terminals, by index of the part
     */
    public static function carrying(array $parts): array
    {
        return array_filter(array_map(fn (Part $part): ?BoardCopper => $part->copper, $parts), fn (?BoardCopper $copper): bool => $copper !== null && $copper->terminals !== []);
    }

    /** @return array<int, BoardState> by index of the part */
    public function states(): array
    {
        return $this->states;
    }

    public function followsTemperature(): bool
    {
        return array_filter($this->boards, fn (BoardCopper $board): bool => ! $this->law($board)->isConstant()) !== [];
    }

    public function follow(?array $temperature): float
    {
        if ($this->followsTemperature()) {
            ThermalRunaway::refuse($temperature);
        }
        [$before, $power] = [array_sum(array_map(array_sum(...), $this->heat->watts)), 0.0];
        foreach ($this->boards as $index => $board) {
            $state = $temperature === null ? $this->begun[$index] ?? null : ($this->stays($index, $temperature) ? $this->states[$index] : null);
            $this->states[$index] = $state ?? $this->solved($index, $board, $temperature);
            $this->heat->watts[$index] = $this->cells[$index]->toCells($this->states[$index]->currents->heat);
            $power += array_sum($this->heat->watts[$index]);
        }

        return $before === 0.0 ? INF : abs($power - $before) / max(abs($power), 1e-300);
    }

    /**
     * @param ?array<int, float> $temperature of the cells, K
     * @throws PhysicsException
     */
    private function solved(int $index, BoardCopper $board, ?array $temperature): BoardState
    {
        $drawn = Drawn::of($board->artwork);
        $pixels = $temperature === null ? array_fill(0, count($drawn->raster->covered), $this->equation->model->surroundings->temperature) : $this->cells[$index]->toPixels($temperature);
        try {
            $currents = (new BoardSystem($drawn->raster, $board->terminals, $this->law($board), $pixels))->solve(($this->states[$index] ?? null)?->currents->potential);
        } catch (PhysicsException $e) {
            throw new PhysicsException(sprintf('board "%s": %s', $this->equation->model->parts[$index]->name, $e->getMessage()), 0, $e);
        }

        return new BoardState($board, $drawn, $currents, $pixels);
    }

    /**
     * Whether no cell with copper has become warmer or colder by as much as counts.
     *
     * @param array<int, float> $temperature K
     */
    private function stays(int $board, array $temperature): bool
    {
        $before = $this->at[$board] ?? null;
        $now = array_intersect_key($temperature, $this->heat->watts[$board] ?? []);
        foreach ($before ?? [] as $cell => $last) {
            if (abs($now[$cell] - $last) > self::STAYS) {
                $before = null;
                break;
            }
        }
        $this->at[$board] = $before ?? $now;

        return $before !== null && $before !== [];
    }

    private function law(BoardCopper $board): PropertyLaw
    {
        return $this->equation->model->materials->get($board->material)->resistivity ?? throw new \LogicException('the copper of a board has a resistivity');
    }
}
