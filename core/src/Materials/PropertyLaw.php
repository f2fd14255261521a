<?php

declare(strict_types=1);

namespace Foehn\Materials;

/** A property against temperature: points joined by straight lines, constant outside them. */
final readonly class PropertyLaw
{
    /** @param non-empty-list<array{float, float}> $points [K, SI value], rising temperature */
    public function __construct(public array $points)
    {
    }

    public static function constant(float $value): self
    {
        return new self([[0.0, $value]]);
    }

    public function isConstant(): bool
    {
        return count($this->points) === 1;
    }

    public function at(float $temperature): float
    {
        [$t0, $v0] = $this->points[0];
        if ($temperature <= $t0 || $this->isConstant()) {
            return $v0;
        }
        foreach ($this->points as [$t1, $v1]) {
            if ($temperature < $t1) {
                return $v0 + ($v1 - $v0) * ($temperature - $t0) / ($t1 - $t0);
            }
            [$t0, $v0] = [$t1, $v1];
        }

        return $v0;
    }
}
