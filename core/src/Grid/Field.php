<?php

declare(strict_types=1);

namespace Foehn\Grid;

use LengthException;

/** Values with a name and a unit in the cells of a grid. What is stored, served, probed, drawn and exported is a field. */
final readonly class Field
{
    /**
     * @param string $unit SI
     * @param list<array<int, ?float>> $components one for a scalar, three for a vector; a value per cell, null where there is none
     * @throws LengthException when a component has not one value per cell
     */
    public function __construct(public string $name, public string $unit, public Grid $grid, public array $components)
    {
        foreach ($components as $values) {
            if (count($values) !== $grid->count()) {
                throw new LengthException(sprintf('The field %s has %d values for %d cells.', $name, count($values), $grid->count()));
            }
        }
    }

    /** The value in a cell; the length of a vector. Null where there is none. */
    public function at(int $cell): ?float
    {
        $sum = 0.0;
        foreach ($this->components as $values) {
            $value = $values[$cell];
            if ($value === null) {
                return null;
            }
            if (count($this->components) === 1) {
                return $value;
            }
            $sum += $value ** 2;
        }

        return sqrt($sum);
    }
}
