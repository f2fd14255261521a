<?php

declare(strict_types=1);

namespace Foehn\Tests\Numerics;

use Foehn\Numerics\Stencil;

/** Boxes of cells for tests of solvers. */
final class Boxes
{
    /**
     * One coupling per axis.
     *
     * @param array{int, int, int} $cells
     * @param array{float, float, float} $couplings
     * @param callable(int): float $extra what the diagonal of a cell has beyond its couplings
     * @param ?callable(int, int): float $factor on the coupling between two cells
     */
    public static function stencil(array $cells, array $couplings, callable $extra, ?callable $factor = null): Stencil
    {
        $strides = [1, $cells[0], $cells[0] * $cells[1]];
        $own = Stencil::zeros($cells);
        $coupling = [$own, $own, $own];
        for ($n = 0; $n < array_product($cells); $n++) {
            $at = [$n % $cells[0], intdiv($n, $cells[0]) % $cells[1], intdiv($n, $strides[2])];
            foreach ([0, 1, 2] as $axis) {
                $coupling[$axis][$strides[2] + $n] = $at[$axis] + 1 < $cells[$axis] ? $couplings[$axis] * ($factor === null ? 1.0 : $factor($n, $n + $strides[$axis])) : 0.0;
            }
            $own[$strides[2] + $n] = $extra($n);
        }

        return new Stencil($cells, $coupling, $own);
    }
}
