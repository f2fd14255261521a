<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** What a flow is brought to rest with, and what is tried when it does not come to rest. For "enclosures" see ConvergenceSettings. */
final class ControlSettings
{
    /** With "auto": from this Reynolds number, with twice the gap between walls as the length, the flow counts as turbulent. In ducts transition is seen from 2300 to 4000 (Schlichting, Boundary-Layer Theory, 1979, ch. XVI). */
    public const TURBULENT_FROM = 3000.0;

    /** Implicit relaxation of the momentum equations at the start of iterations (Van Doormaal & Raithby 1984 use 0.5 to 0.9). */
    public const ITERATIONS = 0.7;

    /** Under-relaxation of the temperature that moves the fluid alone. Enclosures. */
    public const TEMPERATURE = 0.5;

    /** From this Rayleigh number on temperature and flow swing against each other in cycles, and iterations are quicker. Cavities heated from the side. */
    public const SWINGS_FROM = 2e6;

    /** Fraction of the spread of the temperatures that a fluid at rest is stirred with. Iterations without acceleration let it grow. Layers heated from below. */
    public const UNREST = 0.02;

    /** The same for cycles with acceleration, which find fluid at rest over a warm floor again unless it moves enough before that begins. Layers heated from below. */
    public const MUCH_UNREST = 0.25;

    /** Lengths of a cell over which momentum is held back, as by a time step in which the speed of free fall passes two of them. Without it the iterations run away beyond a Rayleigh number of 1e9. */
    public const INERTIA = 0.5;

    /** The acceleration waits until every fan is this near to its curve, as a fraction of its greatest rise. Enclosures. */
    public const FANS_NEAR = 0.02;

    /** A run is stuck when its least residual of the last steps is above this fraction of the least before them. Enclosures. */
    public const STUCK = 0.7;

    public const MOST_RESTARTS = 3;

    /** Undamped iterations a flow is averaged over that does not become steady: about three of the slowest swings seen on the fan demo. */
    public const AVERAGED = 150;

    /** Iterations before that in which it leaves behind what the damping held. */
    public const AWAKES = 30;

    /** Iterations between looks at its temperatures. */
    public const LOOK = 10;
}
