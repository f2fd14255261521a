<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Board\Drawn;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardCopper;
use Foehn\Model\BoardTerminal;
use Foehn\Model\Drive;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Electric\BoardCells;
use Foehn\Physics\Electric\BoardState;
use Foehn\Physics\PhysicsException;

/**
 * The copper of one board while temperatures come to rest. Where the currents are given, they hardly flow another way as the copper warms: while
 * temperatures still move, the heat of the last solution goes with the resistivity alone, and currents are solved again once they move little.
 */
final class CopperFollower
{
    /** Changes of temperature that currents do not follow, K: the heat then changes by some millionths. */
    private const STAYS = 1e-3;

    /**
     * Given currents flow as before where all resistivities change alike. What these change by beside that turns currents by no more than this share, heat
     * in a place by twice of it, and all heat by its square, which is least for the currents that flow.
     */
    private const ALIKE = 1e-4;

    /** The same where less will do: at the moments of a course, and on grids on the way. Drops and heat in all are then right to its square. */
    private const NEARLY = 1e-2;

    private ?BoardState $state = null;

    private Drive $drive;

    /** @var array<int, float> W in the cells with copper, of the state */
    private array $solved = [];

    /** @var array<int, float> K in these cells, of the state */
    private array $at = [];

    /** @var ?array<int, float> K in these cells when they were last followed */
    private ?array $last = null;

    /** The same currents in copper as warm as it has become since; null where it is as warm. */
    private ?BoardState $warmed = null;

    /** @var ?array<int, float> K of all cells, that it is to be as warm as */
    private ?array $since = null;

    private readonly bool $isDriven;

    /** Whether the first currents heat only what the next will be solved in. */
    private readonly bool $beginsRough;

    private bool $isRough = false;

    private readonly ?BoardState $begun;

    /**
     * @param ?BoardState $begun copper on another grid, or with other currents, to begin with
     * @param bool $isInTime whether temperatures go through a course, and not towards rest
     * @param bool $isOnTheWay whether the grid is one on the way to that asked for
     */
    public function __construct(private readonly string $name, private readonly BoardCopper $board, private readonly PropertyLaw $law, private readonly BoardCells $cells, private readonly float $ambient, ?BoardState $begun, private readonly bool $isInTime, private readonly bool $isOnTheWay)
    {
        $this->begun = $begun->solved ?? $begun;
        $this->isDriven = self::isDrivenByCurrents($board);
        $this->beginsRough = $isOnTheWay && $this->isDriven && $this->begun === null && ! $law->isConstant();
        $this->drive = new Drive();
    }

    /** The copper at the temperatures that were followed last. */
    public function state(): ?BoardState
    {
        if ($this->since !== null) {
            [$this->warmed, $this->since] = [$this->state?->warmed($this->law, $this->cells->toPixels($this->since)), null];
        }

        return $this->warmed ?? $this->state;
    }

    /**
     * @param ?array<int, float> $temperature of the cells, K; null: the ambient everywhere
     * @param Drive $drive other than before only where boards are joined to parts
     * @return array<int, float> W in the cells with copper
     * @throws PhysicsException
     */
    public function heatAt(?array $temperature, Drive $drive): array
    {
        $stays = $drive->joints === $this->drive->joints;
        $this->drive = $drive;
        $begins = $this->state === null && $this->begun !== null && $this->begun->copper->terminals == $this->board->driven($drive)->terminals;
        if ($begins) {
            $this->adopt($this->begun);
        } elseif ($this->state === null || ! $stays) {
            $isRough = $this->beginsRough && $this->state === null && $temperature === null;
            $this->adopt($this->solve($temperature, $isRough), $isRough);
            $this->at = $this->last = $temperature === null ? $this->at : array_intersect_key($temperature, $this->solved);

            return $this->solved;
        }
        if ($temperature === null) {
            return $this->solved;
        }
        $now = array_intersect_key($temperature, $this->solved);
        $moves = $this->last === null ? INF : self::farthest($now, $this->last);
        $this->last = $now;
        if (! $this->isRough && self::farthest($now, $this->at) <= self::STAYS) {
            $this->warmed = $this->since = null;

            return $this->solved;
        }
        $times = $this->isDriven ? $this->resisting($now) : [];
        if ($this->isDriven && ((! $this->isInTime && $moves > ConductionSettings::ROUGH) || $this->areAlike($times))) {
            [$this->warmed, $this->since] = [null, $temperature];

            return $this->warmed($times);
        }
        $this->adopt($this->solve($temperature));
        $this->at = array_intersect_key($temperature, $this->solved);

        return $this->solved;
    }

    private function adopt(BoardState $state, bool $isRough = false): void
    {
        $this->state = $state;
        $this->isRough = $isRough;
        $this->warmed = $this->since = null;
        $this->solved = $this->cells->toCells($state->currents->heat);
        $weighed = $this->cells->toCells(array_map(fn (float $watts, float $kelvin): float => $watts * $kelvin, $state->currents->heat, $state->temperature));
        $this->at = [];
        foreach ($this->solved as $cell => $watts) {
            $this->at[$cell] = $watts > 0.0 ? $weighed[$cell] / $watts : $this->ambient;
        }
    }

    /**
     * @param ?array<int, float> $temperature of the cells, K; null: the ambient everywhere
     * @param ?BoardState $before to begin with
     * @param bool $isRough whether the heat alone counts
     * @throws PhysicsException
     */
    public function stateAt(?array $temperature, Drive $drive, ?BoardState $before = null, bool $isRough = false): BoardState
    {
        return BoardState::at($this->name, $this->board->driven($drive), $this->law, $temperature === null ? $this->ambient : $this->cells->toPixels($temperature), $before, $isRough);
    }

    /**
     * @param ?array<int, float> $temperature of the cells, K
     * @throws PhysicsException
     */
    private function solve(?array $temperature, bool $isRough = false): BoardState
    {
        return $this->stateAt($temperature, $this->drive, $this->state ?? $this->begun, $isRough);
    }

    /**
     * @param array<int, float> $now K in the cells with copper
     * @return array<int, float> resistivity over that of the state, by cell
     */
    private function resisting(array $now): array
    {
        $times = [];
        foreach ($now as $cell => $kelvin) {
            $times[$cell] = $this->law->at($kelvin) / $this->law->at($this->at[$cell]);
        }

        return $times;
    }

    /**
     * @param array<int, float> $times resistivity over that of the state, by cell
     * @return array<int, float> W, of the same currents
     */
    private function warmed(array $times): array
    {
        $watts = $this->solved;
        foreach ($times as $cell => $more) {
            $watts[$cell] *= $more;
        }

        return $watts;
    }

    /** @param array<int, float> $times resistivity over that of the state, by cell */
    private function areAlike(array $times): bool
    {
        return ! $this->isRough && 0.5 * Vectors::spread($times) <= ($this->isInTime || $this->isOnTheWay ? self::NEARLY : self::ALIKE);
    }

    /** Whether no net stands between two voltages. */
    private static function isDrivenByCurrents(BoardCopper $board): bool
    {
        foreach (Drawn::of($board->artwork)->byNet($board->terminals) as $terminals) {
            if (count(array_filter($terminals, fn (BoardTerminal $terminal): bool => ! $terminal->condition->givesCurrent())) > 1) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param array<int, float> $now
     * @param array<int, float> $before
     */
    private static function farthest(array $now, array $before): float
    {
        $most = 0.0;
        foreach ($now as $cell => $value) {
            $change = abs($value - $before[$cell]);
            if ($change > $most) {
                $most = $change;
            }
        }

        return $most;
    }
}
