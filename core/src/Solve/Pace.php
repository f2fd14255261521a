<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** How often things are done along a run, in steps of its scheme: a multigrid cycle does the work of many iterations. */
final readonly class Pace
{
    /**
     * @param int $most steps before it is called unsteady
     * @param int $check steps between looks at whether temperatures stay
     * @param int $heat steps between updates of the temperatures where fans or inlets drive the flow
     * @param int $mixing steps between updates of the eddy viscosity
     * @param int $decide steps after which "auto" judges whether the flow is turbulent
     * @param int $plain steps before the acceleration starts
     * @param int $patience a run that has not come nearer over so many steps is damped more strongly
     * @param int $soft steps over which a start from rest is held back
     */
    private function __construct(
        public int $most,
        public int $check,
        public int $heat,
        public int $mixing,
        public int $decide,
        public int $plain,
        public int $patience,
        public int $soft,
    ) {
    }

    public static function cycles(): self
    {
        return new self(most: 80, check: 3, heat: 3, mixing: 2, decide: 7, plain: 6, patience: 8, soft: 3);
    }

    /** Iterations of a flow that nothing but its temperature drives; the acceleration saves it no time. */
    public static function convection(): self
    {
        return new self(most: 1500, check: 15, heat: 1, mixing: 5, decide: 30, plain: PHP_INT_MAX, patience: 60, soft: 0);
    }

    public static function iterations(): self
    {
        return new self(most: 1500, check: 20, heat: 10, mixing: 5, decide: 30, plain: 8, patience: 80, soft: 20);
    }
}
