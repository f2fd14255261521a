<?php

declare(strict_types=1);

namespace Foehn\Model;

/** That a terminal of a board and faces of a part that touches it are one joint, through which current passes from one to the other. */
final readonly class Joining
{
    /**
     * @param string $name of the joint in the model, the same at the board and at the part
     * @param string $terminal name of the terminal of the board
     * @param string $part id of the part
     * @param float $resistance of the contact times its area, ohm m2
     */
    public function __construct(public string $name, public string $terminal, public string $part, public float $resistance)
    {
    }
}
