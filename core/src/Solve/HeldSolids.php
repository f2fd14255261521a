<?php

declare(strict_types=1);

namespace Foehn\Solve;

use Foehn\Grid\Voxels;
use Foehn\Numerics\Stencil;
use Foehn\Numerics\Vectors;
use Foehn\Physics\Heat\HeatSystem;

/** Solids that are as warm as at a moment of a course in time, while the air about them comes to rest. */
final readonly class HeldSolids
{
    /** How much better a solid cell is tied to its temperature than to its neighbours: what heat passes moves it by a ten-thousandth of what it moves over these. */
    private const TIED = 1e4;

    /** @param array<int, float> $temperature of the cells, K */
    public function __construct(private Voxels $voxels, private array $temperature)
    {
    }

    public function hold(HeatSystem $system): HeatSystem
    {
        $stencil = $system->stencil;
        $ties = Stencil::zeros($stencil->cells);
        $diagonal = $stencil->diagonal;
        $rises = $ties;
        foreach ($this->temperature as $cell => $temperature) {
            if ($this->voxels->owner[$cell] >= 0 && $system->live[$cell]) {
                $ties[$stencil->pad + $cell] = self::TIED * $diagonal[$stencil->pad + $cell];
                $rises[$stencil->pad + $cell] = $temperature - $system->reference;
            }
        }

        return $system->storing($ties, Vectors::times($ties, $rises));
    }
}
