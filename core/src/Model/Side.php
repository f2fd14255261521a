<?php

declare(strict_types=1);

namespace Foehn\Model;

/** One of the six sides of the space. */
final readonly class Side
{
    /**
     * @param string $kind wall or symmetry
     * @param list<Patch> $patches later ones win
     */
    public function __construct(public string $kind, public HeatCondition $heat, public array $patches)
    {
    }
}
