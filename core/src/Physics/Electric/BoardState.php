<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Board\Drawn;
use Foehn\Materials\PropertyLaw;
use Foehn\Model\BoardCopper;
use Foehn\Physics\PhysicsException;

/** The copper of a board with the currents in it. */
final readonly class BoardState
{
    /** @param array<int, float> $temperature of the pixels, K */
    private function __construct(public BoardCopper $copper, public Drawn $drawn, public BoardCurrents $currents, public array $temperature)
    {
    }

    /**
     * @param string $name of the board, for what is said of it
     * @param PropertyLaw $resistivity of its copper, ohm m
     * @param float|array<int, float> $temperature of all pixels, or of each, K
     * @param ?self $before to begin with
     * @throws PhysicsException where a current has no way back, a terminal lies on laminate, or two voltages are shorted
     */
    public static function at(string $name, BoardCopper $copper, PropertyLaw $resistivity, float|array $temperature, ?self $before = null): self
    {
        $drawn = Drawn::of($copper->artwork);
        $pixels = is_array($temperature) ? $temperature : array_fill(0, count($drawn->raster->covered), $temperature);
        try {
            BoardShorts::refuse($copper, $drawn);
            $currents = (new BoardSystem($drawn->raster, $copper->terminals, $resistivity, $pixels))->solve($before?->currents->potential);
        } catch (PhysicsException $e) {
            throw new PhysicsException(sprintf('board "%s": %s', $name, $e->getMessage()), 0, $e);
        }

        return new self($copper, $drawn, $currents, $pixels);
    }
}
