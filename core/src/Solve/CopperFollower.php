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

    /** In a course every moment counts: currents stand while no resistivity has changed by more than this share. */
    private const IN_TIME = 1e-3;

    private ?BoardState $state = null;

    private Drive $drive;

    /** @var array<int, float> W in the cells with copper, of the state */
    private array $solved = [];

    /** @var array<int, float> K in these cells, of the state */
    private array $at = [];

    /** @var ?array<int, float> K in these cells when they were last followed */
    private ?array $last = null;

    private readonly bool $isDriven;

    /**
     * @param ?BoardState $begun copper on another grid, or with other currents, to begin with
     * @param bool $isInTime whether temperatures go through a course, and not towards rest
     */
    public function __construct(private readonly string $name, private readonly BoardCopper $board, private readonly PropertyLaw $law, private readonly BoardCells $cells, private readonly float $ambient, private readonly ?BoardState $begun, private readonly bool $isInTime)
    {
        $this->isDriven = self::isDrivenByCurrents($board);
        $this->drive = new Drive();
    }

    public function state(): ?BoardState
    {
        return $this->state;
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
            $this->adopt($this->solve($temperature));
            $this->at = $this->last = $temperature === null ? $this->at : array_intersect_key($temperature, $this->solved);

            return $this->solved;
        }
        if ($temperature === null) {
            return $this->solved;
        }
        $now = array_intersect_key($temperature, $this->solved);
        $moves = $this->last === null ? INF : self::farthest($now, $this->last);
        $this->last = $now;
        if (self::farthest($now, $this->at) <= self::STAYS) {
            return $this->solved;
        }
        $times = $this->isDriven || $this->isInTime ? $this->resisting($now) : [];
        $stand = match (true) {
            $this->isInTime => self::farthest($times, array_map(fn (): float => 1.0, $times)) <= self::IN_TIME,
            $this->isDriven => $moves > ConductionSettings::ROUGH || 0.5 * Vectors::spread($times) <= self::ALIKE,
            default => false,
        };
        if ($stand) {
            return $this->isDriven ? $this->warmed($times) : $this->solved;
        }
        $this->adopt($this->solve($temperature));
        $this->at = array_intersect_key($temperature, $this->solved);

        return $this->solved;
    }

    private function adopt(BoardState $state): void
    {
        $this->state = $state;
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
     * @throws PhysicsException
     */
    public function stateAt(?array $temperature, Drive $drive, ?BoardState $before = null): BoardState
    {
        return BoardState::at($this->name, $this->board->driven($drive), $this->law, $temperature === null ? $this->ambient : $this->cells->toPixels($temperature), $before);
    }

    /**
     * @param ?array<int, float> $temperature of the cells, K
     * @throws PhysicsException
     */
    private function solve(?array $temperature): BoardState
    {
        return $this->stateAt($temperature, $this->drive, $this->state ?? $this->begun);
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
