<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** What a material weighs, stores, how it expands and where it melts; null where a value is not known. */
final readonly class Bulk
{
    /**
     * @param ?float $density kg/m3
     * @param ?float $specificHeat J/kg/K
     * @param ?float $expansion 1/K: of a solid along a line, of a fluid in volume
     * @param ?float $melting K, of an alloy where it begins to melt
     * @param ?PhaseChange $phaseChange what melting stores; null where it is not computed
     */
    public function __construct(public ?float $density, public ?float $specificHeat, public ?float $expansion = null, public ?float $melting = null, public ?PhaseChange $phaseChange = null)
    {
    }
}
