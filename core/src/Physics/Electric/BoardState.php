<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Board\Drawn;
use Foehn\Model\BoardCopper;

/** The copper of a board with the currents in it. */
final readonly class BoardState
{
    /** @param array<int, float> $temperature of the pixels, K */
    public function __construct(public BoardCopper $copper, public Drawn $drawn, public BoardCurrents $currents, public array $temperature)
    {
    }
}
