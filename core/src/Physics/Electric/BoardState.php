<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Board\Drawn;
use Foehn\Board\Nets;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardCopper;
use Foehn\Physics\PhysicsException;

/** The copper of a board with the currents in it. */
final readonly class BoardState
{
    /**
     * @param array<int, float> $temperature of the pixels, K
     * @param ?self $solved with the currents as they were solved, where these only go through warmer copper here
     */
    private function __construct(public BoardCopper $copper, public Drawn $drawn, public BoardCurrents $currents, public array $temperature, public ?self $solved = null)
    {
    }

    /**
     * @param string $name of the board, for what is said of it
     * @param PropertyLaw $resistivity of its copper, ohm m
     * @param float|array<int, float> $temperature of all pixels, or of each, K
     * @param ?self $before to begin with
     * @param bool $isRough whether the heat alone counts, and nothing has to be balanced
     * @throws PhysicsException where a current has no way back, a terminal lies on laminate, or two voltages are shorted
     */
    public static function at(string $name, BoardCopper $copper, PropertyLaw $resistivity, float|array $temperature, ?self $before = null, bool $isRough = false): self
    {
        $drawn = Drawn::of($copper->artwork);
        $pixels = is_array($temperature) ? $temperature : array_fill(0, count($drawn->raster->covered), $temperature);
        try {
            BoardShorts::refuse($copper, $drawn);
            $currents = (new BoardSystem($drawn->raster, $copper->terminals, $resistivity, $pixels))->solve($before?->currents->potential, $isRough);
        } catch (PhysicsException $e) {
            throw new PhysicsException(sprintf('board "%s": %s', $name, $e->getMessage()), 0, $e);
        }

        return new self($copper, $drawn, $currents, $pixels);
    }

    /**
     * The same currents through warmer copper, where nothing but currents drives it: heat in a place goes with its resistivity, and the drops of a net
     * with its heat. Exact where resistivities change alike, and right to the square of what they do not.
     *
     * @param PropertyLaw $resistivity of its copper, ohm m
     * @param array<int, float> $temperature of the pixels, K
     */
    public function warmed(PropertyLaw $resistivity, array $temperature): self
    {
        $nets = $this->drawn->nets();
        $before = $after = array_fill(0, count($nets->names), 0.0);
        $heat = $this->currents->heat;
        foreach ($heat as $at => $watts) {
            if ($watts > 0.0) {
                $heat[$at] = $watts * $resistivity->at($temperature[$at]) / $resistivity->at($this->temperature[$at]);
                $before[$nets->net[$at]] += $watts;
                $after[$nets->net[$at]] += $heat[$at];
            }
        }
        $times = array_map(fn (float $now, float $then): float => $then > 0.0 ? $now / $then : 1.0, $after, $before);
        $levels = array_fill(0, count($times), 0.0);
        $on = [];
        foreach ($this->drawn->byNet($this->copper->terminals) as $net => $terminals) {
            foreach ($terminals as $n => $terminal) {
                $on[$n] = $net;
                $levels[$net] = $terminal->condition->givesCurrent() ? $levels[$net] ?? 0.0 : $terminal->condition->voltage();
            }
        }
        $warmer = fn (float $volts, int $net): float => ($levels[$net] ?? 0.0) + ($times[$net] ?? 1.0) * ($volts - ($levels[$net] ?? 0.0));
        $contacts = array_map(fn (array $contact, int $n): array => [...$contact, 'voltage' => $warmer($contact['voltage'], $on[$n] ?? Nets::NONE)], $this->currents->contacts, array_keys($this->currents->contacts));
        $potential = $this->currents->potential;
        foreach ($nets->net as $at => $net) {
            if ($net !== Nets::NONE) {
                $potential[$at] = $warmer($potential[$at], $net);
            }
        }
        $barrels = $this->currents->barrelHeat;
        foreach ($this->drawn->raster->barrels as $n => $barrel) {
            $barrels[$n] *= $times[$nets->net[$this->drawn->raster->feet[$n][0] + $barrel->from * $this->drawn->raster->area()]] ?? 1.0;
        }
        $power = $this->currents->power * array_sum($after) / max(1e-300, array_sum($before));

        return new self($this->copper, $this->drawn, new BoardCurrents($potential, $this->currents->density, $heat, $this->currents->barrels, $barrels, $contacts, $power, $this->currents->iterations), $temperature, $this);
    }
}
