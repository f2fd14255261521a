<?php

declare(strict_types=1);

namespace Foehn\Solve;

/** How often things are done along a run, in steps of its scheme: a multigrid cycle does the work of many iterations. */
final readonly class Pace
{
    /** Steps between looks at whether temperatures stay. */
    public int $check;

    /** Steps between updates of the temperatures where fans or inlets drive the flow. */
    public int $heat;

    /** Steps between updates of the eddy viscosity. */
    public int $mixing;

    /**
     * @param array{check: int, heat: int, mixing: int} $every steps between these
     * @param int $most steps before it is called unsteady
     * @param int $decide steps after which "auto" judges whether the flow is turbulent
     * @param int $plain steps before the acceleration starts
     * @param int $patience a run that has not come nearer over so many steps is damped more strongly
     * @param int $soft steps over which a start from rest is held back
     */
    private function __construct(array $every, public int $most, public int $decide, public int $plain, public int $patience, public int $soft)
    {
        ['check' => $this->check, 'heat' => $this->heat, 'mixing' => $this->mixing] = $every;
    }

    /** Set on the enclosures (see ConvergenceSettings): fewer steps between things cost more than they save. */
    public static function cycles(): self
    {
        return new self(['check' => 3, 'heat' => 3, 'mixing' => 2], most: 80, decide: 7, plain: 6, patience: 8, soft: 3);
    }

    /** Iterations of a flow that nothing but its temperature drives; the acceleration saves it no time. Set on cavities and the sealed enclosures. */
    public static function convection(): self
    {
        return new self(['check' => 15, 'heat' => 1, 'mixing' => 5], most: 1500, decide: 30, plain: PHP_INT_MAX, patience: 60, soft: 0);
    }

    /** An iteration does about a tenth of the work of a cycle, and everything happens that much more rarely. Set on the enclosures. */
    public static function iterations(): self
    {
        return new self(['check' => 20, 'heat' => 10, 'mixing' => 5], most: 1500, decide: 30, plain: 8, patience: 80, soft: 20);
    }
}
