<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** Melting that stores heat: from a temperature at which it begins to one at which all is molten, in proportion between them. */
final readonly class PhaseChange
{
    /**
     * @param float $from K
     * @param float $to K, above $from
     * @param float $latentHeat J/kg
     */
    public function __construct(public float $from, public float $to, public float $latentHeat)
    {
    }
}
