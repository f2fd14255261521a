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

    /** @param float $transmittance share of sunlight that passes, 0 to 1 */
    public function __construct(Coating $coating, public float $transmittance)
    {
        $this->emissivity = $coating->emissivityOn(null) ?? self::EMISSIVITY;
        $this->absorptivity = $coating->absorptivityOn(null) ?? self::EMISSIVITY;
    }
}
