<?php

declare(strict_types=1);

namespace Foehn\Model;

/** A bound on a temperature, in kelvin. */
final readonly class Limit
{
    public function __construct(public string $id, public string $name, public Target $of, public string $reduce, public ?float $atMost, public ?float $atLeast)
    {
    }
}
