<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Physics\Flow\EnergyTransport;

/** The equations of heat on a flow that were made last, of which those that follow take over what does not change. */
final class LastEnergy
{
    public ?EnergyTransport $energy = null;
}
