<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;

/** The heat that the currents in boards make, as the last solution of their potentials has it. */
final class BoardHeat implements Contribution
{
    /** @var array<int, array<int, float>> W in cells, by part */
    public array $watts = [];

    public function sum(): float
    {
        return array_sum(array_map(array_sum(...), $this->watts));
    }

    public function addTo(Equation $equation): void
    {
        foreach ($this->watts as $cells) {
            foreach ($cells as $cell => $watts) {
                $equation->give($cell, $watts);
            }
        }
    }
}
