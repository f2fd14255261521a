<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** When the numbers that a run is asked for count as standing still (see Steadiness). For "enclosures" see ConvergenceSettings. */
final class SteadinessSettings
{
    /** Between two looks temperatures stay within this fraction of the largest rise, and the ways of the heat within this fraction of the largest of them. Enclosures. */
    public const STAY = 0.003;

    /** The move before that was at most this, since one look may by chance find them where they were. */
    public const STAYED = 2.0 * self::STAY;

    /** What is left to come, if every move is to the next as the last two were, is at most this fraction. It is the tolerance of the whole criterion: bench/starts.php shows that the start changes answers by less. */
    public const REMAINS = 0.005;

    /** A ratio of two moves above this says nothing of what is left to come. */
    public const SLOWEST = 0.95;

    /** Temperatures that only go to and fro are seen over so many looks. Enclosures with jets. */
    public const SEEN = 4;

    /** Less than this fraction of the rise is no move. */
    public const STANDS = 5e-4;

    /** Watched velocities and pressures stay within this fraction of the greatest speed and of the spread of the pressure; flows and heat within this fraction of all that passes. */
    public const WATCHES_STAY = 0.01;
}
