<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What a convection coefficient or Nusselt number is counted against: a temperature of the fluid, and a length. */
final readonly class Convective
{
    /**
     * @param float|Section $reference K, or the section whose bulk temperature it is
     * @param float $length m, of a Nusselt number
     */
    public function __construct(public float|Section $reference, public float $length)
    {
    }
}
