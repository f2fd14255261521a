<?php

declare(strict_types=1);

namespace Foehn\Model;

/** What vias may carry, by the size of their holes: given for one or two sizes, and between and beyond them in proportion to the section of the barrel. */
final readonly class ViaCurrents
{
    /** @param non-empty-list<array{float, float}> $points diameter of the hole in m, and current in A */
    public function __construct(private array $points)
    {
    }

    /** A of the first size given. */
    public function first(): float
    {
        return $this->points[0][1];
    }

    /** A of a hole; more than nothing. */
    public function of(float $hole, float $plating): float
    {
        $section = fn (float $diameter): float => $diameter ** 2 - max(0.0, $diameter - 2.0 * $plating) ** 2;
        [$diameter, $current] = $this->points[0];
        $own = $section($hole);
        $other = $this->points[1] ?? null;
        if ($other === null) {
            return $current * $own / $section($diameter);
        }
        $along = ($own - $section($diameter)) / ($section($other[0]) - $section($diameter));

        return max(1e-6 * $current, $current + $along * ($other[1] - $current));
    }
}
