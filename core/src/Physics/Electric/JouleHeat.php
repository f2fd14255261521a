<?php

declare(strict_types=1);

namespace Foehn\Physics\Electric;

use Foehn\Physics\Contribution;
use Foehn\Physics\Equation;

/** The heat that currents make where they flow, as the last solution of the potentials has it. */
final class JouleHeat implements Contribution
{
    public ?Currents $currents = null;

    public function addTo(Equation $equation): void
    {
        foreach ($this->currents->heat ?? [] as $cell => $watts) {
            $equation->give($cell, $watts);
        }
    }
}
