<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Model\Fluid;

use Foehn\Physics\Heat\ConductivityChange;
use Foehn\Physics\Heat\HalfResistances;

/**
 * Heat between the fluid and its walls where the grid does not resolve it: films that replace the conduction of half a cell, and
 * one temperature across where several gaps of fins stand as one, for each of the real gaps has its own walls.
 */
final readonly class GapConduction implements ConductivityChange
{
    /** Fluid that has one temperature across is taken to conduct so many times better there. */
    private const MIXED = 50.0;

    /**
     * @param array<0|1|2, array<int, float>> $films W/m2/K by axis across the wall and cell of the grid
     * @param array<0|1|2, array<int, int>> $mixed cells of the grid whose fluid has one temperature across, by axis
     */
    public function __construct(private array $films, private array $mixed)
    {
    }

    public function change(HalfResistances $resistances): void
    {
        foreach ($this->mixed as $axis => $cells) {
            $half = $resistances->half[$axis];
            $resistances->half[$axis] = [];
            foreach ($cells as $cell) {
                $half[$cell] /= self::MIXED;
            }
            $resistances->half[$axis] = $half;
        }
        foreach ($this->films as $axis => $films) {
            $resistances->films[$axis] = $films + ($resistances->films[$axis] ?? []);
        }
    }
}
