<?php

declare(strict_types=1);

namespace Foehn\Model;

/** Where a control reads its temperature, and how late. */
final readonly class Sensor
{
    /**
     * @param Target $of a part or node of a package, a face of a part, or a point; its mean temperature counts
     * @param float $lag s, time constant with which the reading follows the temperature there (first order)
     * @param float $deadTime s, by which the reading is late
     */
    public function __construct(public Target $of, public float $lag = 0.0, public float $deadTime = 0.0)
    {
    }
}
