<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;

/** Second order for the convection of momentum, as forces that are added to the upwind equations. */
final class LimitedConvection
{
    /**
     * What limited linear interpolation adds to upwind values, as a force on each face. Between the upstream node U and the
     * downstream node D: u_U + psi(r) lambda (u_D - u_U), lambda the fraction of the distance, psi = max(0, min(2 r, 1)) with
     * r = (u_U - u_UU)/(u_D - u_U): linear where the profile is smooth, upwind at extremes (Sweby, SIAM J. Numer. Anal. 21 (1984) 995).
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux mass flow through the faces, kg/s
     * @param array<int, float> $u the velocity component along the axis, m/s
     * @return array<int, float> N
     */
    public static function force(FlowDomain $domain, int $axis, array $flux, array $u): array
    {
        $layout = $domain->layout;
        [$b, $c] = Axes::across($axis);
        [$sa, $sb, $sc] = [$layout->stride[$axis], $layout->stride[$b], $layout->stride[$c]];
        [$wb, $wc, $face] = [$layout->width[$b], $layout->width[$c], $domain->face[$axis]];
        [$fa, $fb, $fc] = [$flux[$axis], $flux[$b], $flux[$c]];
        [$mx, $my, $mz] = $layout->size;
        $force = array_fill(0, count($u), 0.0);
        $c = $layout->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    if ($face[$c] === 0) {
                        // Only a neighbour up along the axis may be a computed face of the same row.
                        if ($face[$c + $sa] === 0) {
                            continue;
                        }
                    }
                    $q = $c + $sa;
                    $here = $u[$c];
                    // Along: the volume's face lies in the middle between two values.
                    if ($face[$q] !== 0 || $face[$c] === 1) {
                        $f = 0.5 * ($fa[$c] + $fa[$q]);
                        if ($f > 0.0) {
                            $step = $u[$q] - $here;
                            $back = $here - $u[$c - $sa];
                        } else {
                            $step = $here - $u[$q];
                            $back = $u[$q] - $u[$q + $sa];
                        }
                        if ($step * $back > 0.0) {
                            $limit = 2.0 * $back / $step;
                            $extra = 0.5 * $f * ($limit < 1.0 ? $limit : 1.0) * $step;
                            $force[$c] -= $extra;
                            $force[$q] += $extra;
                        }
                    }
                    if ($face[$c] === 0) {
                        continue;
                    }
                    $m = $c + $sb;
                    if ($face[$m] !== 0) {
                        $ib = $axis === 0 ? $j : $i;
                        $f = 0.5 * ($fb[$c] + $fb[$q]);
                        if ($f > 0.0) {
                            $step = $u[$m] - $here;
                            $back = $here - $u[$c - $sb];
                            $fraction = $wb[$ib] / ($wb[$ib] + $wb[$ib + 1]);
                        } else {
                            $step = $here - $u[$m];
                            $back = $u[$m] - $u[$m + $sb];
                            $fraction = $wb[$ib + 1] / ($wb[$ib] + $wb[$ib + 1]);
                        }
                        if ($step * $back > 0.0) {
                            $limit = 2.0 * $back / $step;
                            $extra = $fraction * $f * ($limit < 1.0 ? $limit : 1.0) * $step;
                            $force[$c] -= $extra;
                            $force[$m] += $extra;
                        }
                    }
                    $m = $c + $sc;
                    if ($face[$m] !== 0) {
                        $ic = $axis === 2 ? $j : $k;
                        $f = 0.5 * ($fc[$c] + $fc[$q]);
                        if ($f > 0.0) {
                            $step = $u[$m] - $here;
                            $back = $here - $u[$c - $sc];
                            $fraction = $wc[$ic] / ($wc[$ic] + $wc[$ic + 1]);
                        } else {
                            $step = $here - $u[$m];
                            $back = $u[$m] - $u[$m + $sc];
                            $fraction = $wc[$ic + 1] / ($wc[$ic] + $wc[$ic + 1]);
                        }
                        if ($step * $back > 0.0) {
                            $limit = 2.0 * $back / $step;
                            $extra = $fraction * $f * ($limit < 1.0 ? $limit : 1.0) * $step;
                            $force[$c] -= $extra;
                            $force[$m] += $extra;
                        }
                    }
                }
            }
        }

        return $force;
    }
}
