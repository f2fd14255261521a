<?php

declare(strict_types=1);

// The yardstick of the benchmarks of flows.

use Foehn\Numerics\Stencil;

/** ns per cell of a product with a 7-point matrix on a quiet machine. */
const QUIET = 32.0;

/** ns per cell that a product with a 7-point matrix takes now. */
function product(): float
{
    /** @var ?Stencil $stencil */
    static $stencil = null;
    /** @var array<int, float> $x */
    static $x = [];
    if ($stencil === null) {
        $cells = [60, 60, 60];
        $ones = array_map(fn (float $zero) => 1.0, $x = Stencil::zeros($cells));
        $stencil = new Stencil($cells, [$ones, $ones, $ones], $x);
        product();
    }
    $start = hrtime(true);
    for ($n = 0; $n < 20; $n++) {
        $x = $stencil->times($x);
    }

    return (hrtime(true) - $start) / 20 / $stencil->size();
}

/**
 * Seconds of a quiet machine for one of this one.
 *
 * @param float $before what a product took before that was measured, ns per cell
 */
function quiet(float $before): float
{
    return QUIET / (0.5 * ($before + product()));
}
