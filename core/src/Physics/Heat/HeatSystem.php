<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Numerics\SymmetricMatrix;

/** Discrete heat conduction: (matrix)(T - reference) = source, with what is needed to read results off the solution. */
final readonly class HeatSystem
{
    /**
     * @param list<float> $source W per unknown, relative to the reference temperature
     * @param list<int> $unknownOfCell -1 where nothing is computed
     * @param float $reference K, subtracted from all temperatures to keep digits
     * @param float $watts heat given: powers, sources and fluxes, W
     */
    public function __construct(
        public SymmetricMatrix $matrix,
        public array $source,
        public array $unknownOfCell,
        public FaceRecords $faces,
        public PackageNodes $packages,
        public float $reference,
        public float $watts,
    ) {
    }
}
