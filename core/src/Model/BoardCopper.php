<?php

declare(strict_types=1);

namespace Foehn\Model;

/** The copper of a board as its layout has it, and where current enters and leaves it. */
final readonly class BoardCopper
{
    /**
     * @param BoardArtwork $artwork
     * @param string $material of the copper, in the library of the model
     * @param list<BoardTerminal> $terminals
     */
    public function __construct(public BoardArtwork $artwork, public string $material, public array $terminals)
    {
    }

    /** With currents and voltages so many times as large. */
    public function driven(float $factor): self
    {
        return new self($this->artwork, $this->material, array_map(fn (BoardTerminal $terminal): BoardTerminal => $terminal->times($factor), $this->terminals));
    }
}
