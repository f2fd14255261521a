<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

/** A way to bring a level of the flow nearer to balance of momentum and mass, step by step. */
interface FlowScheme
{
    /** @param float $inertia kg/m2/s that holds velocities back, for the first steps from rest */
    public function step(float $inertia): void;

    /** After the friction or the density of the level has changed. */
    public function coefficientsChanged(): void;

    /** Damps the steps more strongly; false when that is at its limit. */
    public function soften(): bool;

    /** How far a step goes, as a share of one that is not damped. */
    public function pace(): float;
}
