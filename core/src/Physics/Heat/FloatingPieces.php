<?php

declare(strict_types=1);

namespace Foehn\Physics\Heat;

use Foehn\Grid\Voxels;
use Foehn\Model\Model;
use Foehn\Numerics\SymmetricMatrix;
use Foehn\Physics\PhysicsException;

/** Finds a piece of the model that is connected to no given temperature, so that its temperature has no answer. */
final class FloatingPieces
{
    /**
     * @param list<float> $extra W/K to ambients per unknown
     * @param list<int> $unknownOfCell
     * @throws PhysicsException naming a part of the first such piece
     */
    public static function check(Model $model, Voxels $voxels, SymmetricMatrix $matrix, array $extra, array $unknownOfCell): void
    {
        if ($matrix->size === 0) {
            throw new PhysicsException('the model has no solid part and no fluid, so there is nothing to compute');
        }
        $reached = self::reach($matrix->size, $matrix->start, $matrix->column, $matrix->coupling, $extra);
        foreach ($unknownOfCell as $cell => $unknown) {
            if ($unknown >= 0 && ! $reached[$unknown]) {
                $part = $model->parts[$voxels->owner[$cell]] ?? null;
                throw new PhysicsException(sprintf(
                    'heat has no way out of %s: it touches nothing that leads to a given temperature; let it touch another part, or give one of its faces a temperature or a film coefficient',
                    $part === null ? 'the fluid' : "part \"$part->name\"",
                ));
            }
        }
    }

    /**
     * @param list<int> $start
     * @param list<int> $column
     * @param list<float> $coupling
     * @param list<float> $extra
     * @return list<bool>
     */
    private static function reach(int $n, array $start, array $column, array $coupling, array $extra): array
    {
        $reached = [];
        $stack = [];
        for ($i = 0; $i < $n; $i++) {
            $reached[] = $extra[$i] > 0.0;
            if ($extra[$i] > 0.0) {
                $stack[] = $i;
            }
        }
        while ($stack !== []) {
            $i = array_pop($stack);
            for ($p = $start[$i], $end = $start[$i + 1]; $p < $end; $p++) {
                $j = $column[$p];
                if (! $reached[$j] && $coupling[$p] > 0.0) {
                    $reached[$j] = true;
                    $stack[] = $j;
                }
            }
        }

        return $reached;
    }
}
