<?php

declare(strict_types=1);

namespace Foehn\Grid;

/** A part of the space that one fluid fills. */
final readonly class FluidRegion
{
    /** @param string $material id in the library of the model */
    public function __construct(public string $material)
    {
    }
}
