<?php

declare(strict_types=1);

namespace Foehn\Numerics;

/**
 * The trapezoidal rule up to a share of the step, then the second backward difference over it (Bank et al., IEEE Trans. CAD 4 (1985)
 * 436), as a Runge-Kutta method with three stages (Hosea & Shampine, Appl. Numer. Math. 20 (1996) 21). For M u' = F(t, u) and a
 * step h from u1, whose derivative is known as F1:
 *
 *     M (u2 - u1) = h D (F1 + F2)             at t + SHARE h
 *     M (u3 - u1) = h (W (F1 + F2) + D F3)    at t + h
 *
 * Both stages have the matrix M / (h D) - F', so that one solver serves a step. It is of second order, damps what is stiff wholly
 * in one step, and its third-order companion tells the error of a step.
 */
final class TrBdf2
{
    /** 2 - sqrt(2) */
    public const SHARE = 0.585786437626904951;

    /** SHARE / 2 */
    public const D = 0.292893218813452476;

    /** sqrt(2) / 4 */
    public const W = 0.353553390593273762;

    /** What the weights of F1, F2 and F3 differ by from those of the third-order companion. */
    public const ERROR = [self::W - (1.0 - self::W) / 3.0, self::W - (3.0 * self::W + 1.0) / 3.0, self::D - self::D / 3.0];

    /** Order of the error of a step. */
    public const ORDER = 3;
}
