<?php

declare(strict_types=1);

namespace Foehn\Model;

/** How far something of a design may lie from what is given, from one build to the next. */
final readonly class Tolerance
{
    /** Equally likely everywhere within; normal, with the tolerance as three standard deviations; or always at its worse end. */
    public const DISTRIBUTIONS = ['uniform', 'normal', 'worst'];

    /** Standard deviations of a normal distribution within the tolerance. */
    public const SIGMAS = 3.0;

    /**
     * @param string $of name of a parameter, or a field of the document
     * @param float $nominal what is given, SI units
     * @param float $half how far it may lie from that, SI units
     * @param string $unit in which values are written into the document, with the SI values of one and of none of it
     */
    public function __construct(public string $of, public float $nominal, public float $half, public string $distribution, public string $unit, private float $one = 1.0, private float $none = 0.0)
    {
    }

    /**
     * A value as it is written into the document.
     *
     * @param float $share of the tolerance away from what is given, -1 to 1 at its ends
     */
    public function text(float $share): string
    {
        return trim(sprintf('%.8g %s', ($this->nominal + $share * $this->half - $this->none) / ($this->one - $this->none), $this->unit));
    }
}
