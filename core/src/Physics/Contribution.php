<?php

declare(strict_types=1);

namespace Foehn\Physics;

/** One mechanism in the balance of an unknown field. It reads the present state and adds its terms, and knows of no other mechanism. */
interface Contribution
{
    /** @throws PhysicsException where the model makes the terms impossible */
    public function addTo(Equation $equation): void;
}
