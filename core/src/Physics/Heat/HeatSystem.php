<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Numerics\Stencil;

/** Discrete heat conduction: (stencil)(T - reference) = source, with what is needed to read results off the solution. */
final readonly class HeatSystem
{
    /**
     * @param list<float> $source W per cell, padded, relative to the reference temperature
     * @param list<bool> $live whether the cell's temperature is computed
     * @param float $reference K, subtracted from all temperatures to keep digits
     * @param float $watts heat given: powers, sources and fluxes, W
     */
    public function __construct(
        public Stencil $stencil,
        public array $source,
        public array $live,
        public FaceRecords $faces,
        public PackageNodes $packages,
        public float $reference,
        public float $watts,
    ) {
    }

    /**
     * @param list<float> $x solution, padded
     * @return list<float> K per cell
     */
    public function temperatures(array $x): array
    {
        $cells = array_slice($x, $this->stencil->pad, $this->stencil->size());
        foreach ($cells as $c => $value) {
            $cells[$c] = $value + $this->reference;
        }

        return $cells;
    }
}
