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

    public function driven(Drive $drive): self
    {
        return new self($this->artwork, $this->material, array_map(fn (BoardTerminal $terminal): BoardTerminal => $terminal->driven($drive), $this->terminals));
    }

    /** Whether current passes from its copper into parts that touch it. */
    public function isJoined(): bool
    {
        return array_filter($this->terminals, fn (BoardTerminal $terminal): bool => $terminal->condition->joining !== null) !== [];
    }
}
