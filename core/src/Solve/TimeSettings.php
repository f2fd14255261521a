<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** How a course in time is stepped. */
final class TimeSettings
{
    /** Correction that the linear equations of a stage may ask for before their last iteration, as a share of what a step may be wrong by: about a fifth of that is left open. */
    public const LEFT_OPEN = 0.5;

    /** The same where anything melts, relative to the right-hand side: a small error may move a cell to another phase, and a kelvin of one that melts is much heat. */
    public const RESIDUAL_MELTING = 1e-7;

    /** Solutions that one hierarchy serves for while coefficients follow the temperatures. */
    public const SERVES = 8;

    /** Share of the heat that has passed which may be missing where the balance over time closes. */
    public const CLOSES = 1e-6;

    /** Of the equations that tell the error of a step, which is wanted to a digit. */
    public const ERROR_RESIDUAL = 0.1;

    /** Of what a control answers with in a stage, which its watts are found from exactly. */
    public const RESPONSE_RESIDUAL = 1e-10;

    public const MOST_ITERATIONS = 300;

    /** Share of the tolerance that a single step may be wrong by: errors of several steps add up before they fade. */
    public const SHARE = 0.05;

    /** Safety in the choice of the next step, and bounds of its growth (Hairer & Wanner, Solving ODEs II, 2nd ed. 1996, sec. IV.8). */
    public const SAFETY = 0.9;

    public const LEAST_GROWTH = 0.2;

    public const MOST_GROWTH = 3.0;

    /** Below this growth a step stays as it is, so that its matrix is kept. */
    public const WORTH = 1.4;

    /** Share of the way to the next event that the first step after one takes at most. */
    public const FIRST = 0.02;

    /** The same where the motion of the air is followed, which tells nothing of its error in the first two steps. */
    public const FIRST_OF_FLOW = 2e-4;

    /** Tolerances that temperatures move by in the first step, where it moves that far: its error is of second order in what they move. */
    public const FIRST_MOVES = 5.0;

    /** Share of the end below which a step is no step any more. */
    public const SHORTEST = 1e-10;

    /** Change of a temperature in a pass of a stage over coefficients that follow it, as a share of the tolerance: what is left after it is far less. */
    public const PASS = 0.1;

    /** Safety in what further passes would move, and how slowly it is forgotten that they moved more. */
    public const PASS_SAFETY = 2.0;

    public const FORGETS = 0.7;

    /** Share of that change within which coefficients of temperatures before are tried first. */
    public const NEAR = 0.05;

    /** Stages that what passes move is believed for: a table has bends. */
    public const BELIEVED = 8;

    public const MOST_PASSES = 12;

    /** The same where cells melt: a front passes one phase of a cell in a pass. */
    public const MOST_PASSES_MELTING = 40;

    /** Change of a temperature over a period, as a share of the tolerance, within which it repeats itself. */
    public const REPEATS = 0.05;

    public const MOST_PERIODS = 60;

    /** Within which the switching of a thermostat is found, s. */
    public const SWITCHING = 1e-3;

    public const MOST_LOCATIONS = 12;

    /** Times a thermostat may switch before the run is given up. */
    public const MOST_SWITCHES = 5_000;

    /** Two switchings nearer than this are told as chattering, s: ten times what they are found within. */
    public const CHATTERING = 10.0 * self::SWITCHING;

    /** Share of full speed that a fan must want to change by until it does, and may at the end of a step. */
    public const SPEED_MOVED = 0.05;

    public const SPEED_MOST = 0.08;

    /** The same once half as much time again has passed as when it changed last. */
    public const SPEED_MOVED_SLOWLY = 0.01;

    public const SPEED_LATER = 1.5;

    /** Rounds over controls that act on each other. */
    public const MOST_ROUNDS = 50;

    /** W, within which they agree. */
    public const WATTS = 1e-9;
}
