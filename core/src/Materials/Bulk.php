<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** What a material weighs, stores and how it expands; null where a value is not known. */
final readonly class Bulk
{
    /**
     * @param ?float $density kg/m3
     * @param ?float $specificHeat J/kg/K
     * @param ?float $expansion 1/K: of a solid along a line, of a fluid in volume
     */
    public function __construct(public ?float $density, public ?float $specificHeat, public ?float $expansion = null)
    {
    }
}
