<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** When steady conduction counts as solved. */
final class ConductionSettings
{
    /** Of the linear system, relative. Temperatures are then right to about 1e-7 of the largest rise: a thousandth of what is shown. */
    public const RESIDUAL = 1e-8;

    /** The same while conductivities still move temperatures by more than ROUGH: what will change again need not be solved finely. */
    public const ROUGH_RESIDUAL = 1e-5;

    /** Change of a temperature between two passes, K: half of the last digit shown. */
    public const ROUGH = 0.05;

    /** Temperatures and currents are wrong by up to so many times the residual: P22 has 33 times. */
    public const OPEN = 100.0;

    /** Fraction of the watts that may be missing in the balance when the linear iteration ends: a tenth of what the evidence asks for. */
    public const BALANCE = 1e-7;

    /** Where little heat passes beside what strong conductances could carry, the residual is lowered by this factor until the balance closes. */
    public const CLOSER = 1e-2;

    /** The residual is lowered down to rounding, and no further. */
    public const CLOSEST_RESIDUAL = 1e-14;

    /** Tables of conductivities settle in four to eight passes on the demos; more than this is no contraction. */
    public const MOST_PASSES = 40;

    /** Largest change of a temperature between the last two passes, K: a hundredth of the last digit shown. */
    public const STEADY = 1e-4;

    /** Relative change of what acts on the heat from one pass to the next. */
    public const EXCHANGED = 1e-6;
}
