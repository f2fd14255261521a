<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A number followed during a run and kept for it. */
final readonly class Watch
{
    public const QUANTITIES = ['temperature', 'heat', 'heatFlux'];
    public const REDUCTIONS = ['min', 'mean', 'max', 'total'];

    public function __construct(public string $id, public string $name, public Target $of, public string $quantity, public string $reduce)
    {
    }
}
