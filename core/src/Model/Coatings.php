<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What the surface of a part is for radiation, and those of its faces that have a finish of their own. */
final readonly class Coatings
{
    /** @param array<string, Coating> $faces by face name */
    public function __construct(private Coating $all = new Coating(), private array $faces = [])
    {
    }

    public function of(?string $face): Coating
    {
        return $this->faces[$face] ?? $this->all;
    }

    /** Faces with a finish of their own keep it. */
    public function withEmissivity(float $emissivity): self
    {
        return new self($this->all->withEmissivity($emissivity), $this->faces);
    }

    public function areForSun(): bool
    {
        return array_filter([$this->all, ...array_values($this->faces)], fn (Coating $coating): bool => $coating->isForSun()) !== [];
    }
}
