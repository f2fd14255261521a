<?php

declare(strict_types=1);

namespace Foehn\Model;

use Foehn\Materials\Material;

/** What a surface is stated to be for radiation: of a part, of one of its faces, or of a wall of the space. */
final readonly class Coating
{
    /**
     * @param ?float $emissivity above 0 and at most 1; null: that of the material
     * @param ?float $absorptivity of sunlight, 0 to 1; null: as the emissivity
     * @param bool $statesSun whether that absorptivity was written, and does not come with a finish of the library
     * @param bool $radiates whether it emits and takes up anything; where not, the surface gives back all that meets it
     */
    public function __construct(public ?float $emissivity = null, private ?float $absorptivity = null, private bool $statesSun = false, private bool $radiates = true)
    {
    }

    /** The same surface with another emissivity and another absorptivity. */
    public function having(float $emissivity, float $absorptivity): self
    {
        return new self($emissivity, $absorptivity, $this->statesSun, $this->radiates);
    }

    /** Emissivity on a material; null where neither says it. */
    public function emissivityOn(?Material $material): ?float
    {
        return $this->radiates ? $this->emissivity ?? $material?->emissivity : 0.0;
    }

    /** Absorptivity of sunlight on a material; null where nothing says it. */
    public function absorptivityOn(?Material $material): ?float
    {
        return $this->radiates ? $this->absorptivity ?? $this->emissivityOn($material) : 0.0;
    }

    /** Whether an absorptivity of sunlight was written. */
    public function isForSun(): bool
    {
        return $this->statesSun;
    }
}
