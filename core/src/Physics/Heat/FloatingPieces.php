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
        $reached = self::reach($stencil->extra, $stencil->coupling, $stencil->strides());
        foreach ($live as $cell => $isLive) {
            if ($isLive && ! $reached[$stencil->pad + $cell]) {
                $part = $model->parts[$voxels->owner[$cell]] ?? null;
                throw new PhysicsException(sprintf(
                    'heat has no way out of %s: it touches nothing that leads to a given temperature; let it touch another part, or give one of its faces a temperature or a film coefficient',
                    $part === null ? 'the fluid' : "part \"$part->name\"",
                ));
            }
        }
    }

    /**
     * @param list<float> $extra W/K to ambients per cell, padded
     * @param array{list<float>, list<float>, list<float>} $coupling
     * @param array{int, int, int} $strides
     * @return list<bool> padded
     */
    private static function reach(array $extra, array $coupling, array $strides): array
    {
        $reached = [];
        $stack = [];
        foreach ($extra as $c => $conductance) {
            $reached[] = $conductance > 0.0;
            if ($conductance > 0.0) {
                $stack[] = $c;
            }
        }
        while ($stack !== []) {
            $c = array_pop($stack);
            foreach ($strides as $axis => $stride) {
                if ($coupling[$axis][$c] > 0.0 && ! $reached[$c + $stride]) {
                    $reached[$c + $stride] = true;
                    $stack[] = $c + $stride;
                }
                if ($coupling[$axis][$c - $stride] > 0.0 && ! $reached[$c - $stride]) {
                    $reached[$c - $stride] = true;
                    $stack[] = $c - $stride;
                }
            }
        }

        return $reached;
    }
}
