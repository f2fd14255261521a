<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A perforated plate, mesh or filter in a plane: it takes pressure from what passes. */
final readonly class Screen extends FlatShape
{
    /**
     * @param array{float, float} $min
     * @param array{float, float} $max
     * @param float $loss pressure loss over the dynamic pressure of the approaching flow
     */
    public function __construct(int $axis, float $position, array $min, array $max, bool $round, public float $loss)
    {
        parent::__construct($axis, $position, $min, $max, $round);
    }

    public function kind(): string
    {
        return 'screen';
    }

    /** Loss coefficient of a thin sharp-edged perforated plate by its share of free area (Idelchik, Handbook of Hydraulic Resistance, 3rd ed. 1994, diagram 8-1). */
    public static function ofFreeArea(float $share): float
    {
        return (0.707 * (1 - $share) ** 0.375 + 1 - $share) ** 2 / $share ** 2;
    }
}
