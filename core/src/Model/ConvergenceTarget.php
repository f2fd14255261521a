<?php

declare(strict_types=1);

namespace Foehn\Model;

/** When a computation may end, as one asks for it oneself: beside what the product asks for anyway, never in place of it. */
final readonly class ConvergenceTarget
{
    /**
     * @param ?float $residual most of it: of the linear equations where heat is only conducted, of velocities and mass in a flow
     * @param ?float $change most that anything watched and the hottest places of the parts may move between two looks, as a share of the greatest
     * @param ?int $iterations after which a computation ends on the grid asked for, converged or not
     */
    public function __construct(public ?float $residual = null, public ?float $change = null, public ?int $iterations = null)
    {
    }
}
