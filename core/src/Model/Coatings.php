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

    /** @return list<string> faces with a finish of their own */
    public function faces(): array
    {
        return array_keys($this->faces);
    }

    /** With another coating on a face, or beside the faces that have one of their own. */
    public function with(?string $face, Coating $coating): self
    {
        return $face === null ? new self($coating, $this->faces) : new self($this->all, [...$this->faces, $face => $coating]);
    }

    public function areForSun(): bool
    {
        return array_filter([$this->all, ...array_values($this->faces)], fn (Coating $coating): bool => $coating->isForSun()) !== [];
    }
}
