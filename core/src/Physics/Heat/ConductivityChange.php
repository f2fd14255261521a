<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

/** What changes the conduction inside cells beside their material: eddies, gaps that are not resolved, wall laws. */
interface ConductivityChange
{
    public function change(HalfResistances $resistances): void;
}
