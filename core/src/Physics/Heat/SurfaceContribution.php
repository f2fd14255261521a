<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

/** One mechanism at the surfaces: a film, a given flux, radiation. It adds what it does to each surface, and knows of no other. */
interface SurfaceContribution
{
    public function addToSurfaces(SurfaceNodes $nodes): void;
}
