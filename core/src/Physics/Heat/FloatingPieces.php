<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\Stencil;
use Foehn\Physics\PhysicsException;

/** Finds a piece of the model that is connected to no given temperature, so that its temperature has no answer. */
final class FloatingPieces
{
    /**
     * @param list<bool> $live whether each cell's temperature is computed
     * @throws PhysicsException naming a part of the first such piece
     */
    public static function check(Model $model, Voxels $voxels, Stencil $stencil, array $live): void
    {
        if (! in_array(true, $live, true)) {
            throw new PhysicsException('the model has no solid part and no fluid, so there is nothing to compute');
        }
        $reached = $stencil->reached();
        foreach ($live as $cell => $isLive) {
            if ($isLive && ! $reached[$stencil->pad + $cell]) {
                $part = $model->parts[$voxels->owner[$cell]] ?? null;
                throw new PhysicsException(sprintf(
                    'heat has no way out of %s: it touches nothing that leads to a given temperature; let it touch another part, or give one of its faces a temperature or a convection coefficient',
                    $part === null ? 'the fluid' : "part \"$part->name\"",
                ));
            }
        }
    }
}
