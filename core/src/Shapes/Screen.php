<?php

declare(strict_types=1);

namespace Foehn\Shapes;

/** A perforated plate, mesh or filter in a plane: it takes pressure from what passes. */
final readonly class Screen extends FlatShape
{
    /** Friction coefficient of the walls of a hole, as diagram 8-3 has it. */
    private const HOLE_FRICTION = 0.02;

    /** @param float $loss pressure loss over the dynamic pressure of the approaching flow */
    public function __construct(Outline $outline, public float $loss)
    {
        parent::__construct($outline);
    }

    public function kind(): string
    {
        return 'screen';
    }

    /** Loss coefficient of a thin sharp-edged perforated plate by its share of free area (Idelchik, Handbook of Hydraulic Resistance, 3rd ed. 1994, diagram 8-1). */
    public static function ofFreeArea(float $freeArea): float
    {
        return (0.707 * (1 - $freeArea) ** 0.375 + 1 - $freeArea) ** 2 / $freeArea ** 2;
    }

    /**
     * The same of a thick plate, in whose holes the flow may attach again (Idelchik, diagram 8-3).
     *
     * @param float $depth thickness over the hydraulic diameter of a hole
     */
    public static function ofThickPlate(float $freeArea, float $depth): float
    {
        $attaches = max(0.0, 2.4 - $depth) * 10 ** -(0.25 + 0.535 * $depth ** 8 / (0.05 + $depth ** 7));
        $closed = 1 - $freeArea;

        return (0.5 * $closed ** 0.75 + $attaches * $closed ** 1.375 + $closed ** 2 + self::HOLE_FRICTION * $depth) / $freeArea ** 2;
    }

    /** Loss coefficient of a net of round wires (Idelchik, diagram 8-6). */
    public static function ofWires(float $freeArea): float
    {
        return 1.3 * (1 - $freeArea) + (1 / $freeArea - 1) ** 2;
    }
}
