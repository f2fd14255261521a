<?php

declare(strict_types=1);

namespace Foehn\Model;

/** The holes of a board. */
final readonly class BoardHoles
{
    /**
     * @param list<DrillFile> $files
     * @param list<ViaGroup> $vias
     * @param float $plating thickness of the copper in plated holes, m
     */
    public function __construct(public array $files, public array $vias, public float $plating)
    {
    }
}
