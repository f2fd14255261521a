<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A bound on a temperature, in kelvin, and how far from it a design must stay. */
final readonly class Limit
{
    /** @param float $derating K that are kept free of the bound, for ageing and tolerances */
    public function __construct(
        public string $id,
        public string $name,
        public Target $of,
        public string $reduce,
        public ?float $atMost,
        public ?float $atLeast,
        public float $derating = 0.0,
    ) {
    }

    /** Distance of a temperature (K) to the bound less the derating, K; negative when it is missed. */
    public function margin(float $value): float
    {
        return ($this->atMost !== null ? $this->atMost - $value : $value - (float) $this->atLeast) - $this->derating;
    }
}
