<?php

declare(strict_types=1);

namespace Foehn\Solve;

/**
 * When a flow counts as steady. "Enclosures" are the twelve of bench/enclosures.php, on which these were set; six others are kept
 * apart there and were looked at only afterwards (docs/numerics.md has both).
 */
final class ConvergenceSettings
{
    /** Sum of the changes of velocity over the sum of velocities in one step, at which the flow counts as steady. Enclosures: temperatures then stay within 0.1 % of the rise. */
    public const STEADY = 2e-5;

    /** The same on a grid on the way to a finer one. Enclosures: smaller values cost steps there and save none on the next grid. */
    public const STEADY_ON_THE_WAY = 1e-3;

    /** Mass imbalance summed over cells, as a fraction of the flow through the space. The heat it makes appear or vanish is about this fraction of what is carried. */
    public const MASS = 1e-3;

    /** Flows around parts rarely settle to STEADY. From these changes and imbalances on it is looked whether temperatures stand still: streams on their way may leave them where they are for a while. Enclosures. */
    public const NEAR = 0.025;

    /** The same on the way to a finer grid, and where temperatures themselves drive the flow. Enclosures. */
    public const NEAR_ENOUGH = 0.05;

    /** Mean change of the temperatures that the energy equation, solved to its end, may still bring where they drive the flow, as a fraction of their spread. Set on the cavities of de Vahl Davis at 16 to 64 cells, whose core stratifies last. */
    public const SETTLED = 1e-3;

    /** Distance of every fan from its curve, as a fraction of its greatest rise, at which a flow on the finest grid may count as steady: a tenth of what a flow is read with. */
    public const FANS_STEADY = 5e-4;

    /** A fan off its curve by its whole greatest rise counts as a change of velocities by this fraction. Flow goes with the root of pressure, and a fan is a small part of a space. */
    public const FAN_WEIGHT = 0.01;

    /** Steps over which the rate is taken at which changes become smaller. */
    public const RATE_OVER = 20;

    /** Mean speed that only a run has that diverges, m/s. */
    public const DIVERGED = 1e5;

    /** Mean change of the temperatures between two passes of the energy equation at the end, as a fraction of their spread, of a laminar flow. The balance of heat is then open by about as much. */
    public const CLOSED = 1e-6;

    /** The same with eddies, whose films follow the temperatures and leave a small cycle. */
    public const CLOSED_WITH_EDDIES = 1e-4;

    /** The same on a laminar flow that is kept as it was. */
    public const CLOSED_ON_FROZEN = 1e-5;

    /** Passes over the second-order correction of the energy equation at the end: it gains a factor of two to three per pass on the enclosures. */
    public const PASSES = 25;

    /** How often, and by what factor, the change asked for is lowered until the heat balance closes. */
    public const CLOSINGS = 4;

    public const CLOSER = 1e-2;
}
