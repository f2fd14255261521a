<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A bound on what a watch can see, mostly a temperature, and how far from it a design must stay. SI units. */
final readonly class Limit
{
    public string $id;

    public string $name;

    public Target $of;

    /** One of Watch::QUANTITIES. */
    public string $quantity;

    /** One of Watch::REDUCTIONS. */
    public string $reduce;

    public ?Convective $against;

    public ?ViaCurrents $vias;

    /**
     * @param Watch $watch what the bound is on
     * @param float $derating what is kept free of the bound, for ageing and tolerances
     * @param float $timeBeyond s that it may be beyond its bound in all, in a course in time
     */
    public function __construct(Watch $watch, public ?float $atMost, public ?float $atLeast, public float $derating = 0.0, public float $timeBeyond = 0.0)
    {
        [$this->id, $this->name, $this->of, $this->quantity, $this->reduce, $this->against, $this->vias] = [$watch->id, $watch->name, $watch->of, $watch->quantity, $watch->reduce, $watch->against, $watch->vias];
    }

    /** Distance of a value to the bound less the derating; negative when it is missed. */
    public function margin(float $value): float
    {
        return ($this->atMost !== null ? $this->atMost - $value : $value - (float) $this->atLeast) - $this->derating;
    }
}
