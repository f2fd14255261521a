<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What a side of the space, or a patch of it, is to radiation: a wall with a finish, or an opening that may be covered with glass. */
final readonly class Cover
{
    /** Emissivity of walls of which nothing is stated: painted, or of plastic. */
    public const EMISSIVITY = 0.9;

    public float $emissivity;

    public float $absorptivity;

    /** @param ?float $transmittance share of sunlight that passes, 0 to 1; null: all of it through what is open, none through a wall */
    public function __construct(Coating $coating, private ?float $transmittance)
    {
        $this->emissivity = $coating->emissivityOn(null) ?? self::EMISSIVITY;
        $this->absorptivity = $coating->absorptivityOn(null) ?? self::EMISSIVITY;
    }

    /** The same with another emissivity and another absorptivity. */
    public function having(float $emissivity, float $absorptivity): self
    {
        return new self(new Coating($emissivity, $absorptivity), $this->transmittance);
    }

    /** Share of sunlight that passes where the side is open, or a wall. */
    public function transmittance(bool $isOpen): float
    {
        return $this->transmittance ?? ($isOpen ? 1.0 : 0.0);
    }
}
