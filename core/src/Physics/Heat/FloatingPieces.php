<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Physics\PhysicsException;

/** Finds a piece of the model that is connected to no given temperature, so that its temperature has no answer. */
final class FloatingPieces
{
    /** @throws PhysicsException naming a part of the first such piece */
    public static function check(Model $model, Voxels $voxels, HeatSystem $system): void
    {
        if (! in_array(true, $system->live, true)) {
            throw new PhysicsException('the model has no solid part and no fluid, so there is nothing to compute');
        }
        $reached = $system->stencil->reached();
        foreach ($system->live as $cell => $isLive) {
            if ($isLive && ! $reached[$system->stencil->pad + $cell]) {
                $part = $model->parts[$voxels->owner[$cell]] ?? null;
                throw new PhysicsException(sprintf(
                    'heat has no way out of %s: it touches nothing that leads to a given temperature; let it touch another part, or give one of its faces a temperature or a convection coefficient',
                    $part === null ? 'the fluid' : "part \"$part->name\"",
                ));
            }
        }
    }
}
