<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Grid\Axes;
/**
 * The momentum equation of one velocity component on the staggered grid: implicit upwind convection and diffusion, second
 * order by deferred correction, friction at walls that lie half a cell away. Arrays are in the layout of the flow; the value of
 * a face is (b + sum a_nb u_nb) / (1/inverse).
 */
final class Momentum
{
    /** @var array{list<float>, list<float>, list<float>, list<float>, list<float>, list<float>} weights of the neighbours: up and down along the axis itself, then along the two others */
    private array $weight;

    /** @var list<float> */
    private array $b;

    /** @var list<float> */
    private array $inverse;

    /** @var list<float> m2 per (kg/s): velocity change per pressure difference, m/s/Pa */
    public array $mobility;

    /**
     * @param list<float> $viscosity per cell, Pa s
     * @param list<float> $wallViscosity per cell: wall shear times wall distance over speed, Pa s
     * @param array{list<float>, list<float>, list<float>} $flux mass flow through the faces, kg/s
     * @param list<float> $u this component, m/s
     * @param list<float> $pressure Pa
     * @param list<float> $force on each face, N
     * @param list<float> $loss of each face: N per (m/s)^2, opposing the flow, quadratic
     * @param float $density kg/m3 of what enters at openings
     * @param float $inertia kg/m2/s that holds every velocity back, as a time step would: for the first iterations from rest
     */
    public function __construct(
        FlowDomain $domain,
        private readonly int $axis,
        array $viscosity,
        array $wallViscosity,
        array $flux,
        array $u,
        array $pressure,
        array $force,
        array $loss,
        float $density,
        float $relaxation,
        float $inertia,
    ) {
        $layout = $domain->layout;
        [$b, $c] = Axes::across($axis);
        $correction = self::deferred($layout->size, $layout->pad, $axis, $layout->stride[$axis], $layout->stride[$b], $layout->stride[$c], $layout->width[$b], $layout->width[$c], $domain->face[$axis], $flux[$axis], $flux[$b], $flux[$c], $u);
        [$e, $w, $n, $s, $t, $d, $this->b, $this->inverse, $this->mobility] = self::assemble(
            $layout->size, $layout->pad, $axis, $layout->stride[$axis], $layout->stride[$b], $layout->stride[$c],
            $layout->width[$axis], $layout->width[$b], $layout->width[$c], $domain->face[$axis], $domain->fluid, $domain->drag,
            $viscosity, $wallViscosity, $flux[$axis], $flux[$b], $flux[$c], $u, $pressure, $force, $loss, $correction, $density, $relaxation, $inertia, $layout->zeros(),
        );
        $this->weight = [$e, $w, $n, $s, $t, $d];
    }

    /**
     * One symmetric Gauss-Seidel sweep.
     *
     * @param list<float> $u
     * @return array{list<float>, float} the component, and the sum of the residuals before, N
     */
    public function sweep(FlowLayout $layout, array $u): array
    {
        [$b, $c] = Axes::across($this->axis);

        return self::gaussSeidel(
            $layout->pad, $layout->length - $layout->pad, $layout->stride[$this->axis], $layout->stride[$b], $layout->stride[$c], ...$this->weight, b: $this->b, inverse: $this->inverse, u: $u,
        );
    }

    /**
     * @param list<float> $e
     * @param list<float> $w
     * @param list<float> $n
     * @param list<float> $s
     * @param list<float> $t
     * @param list<float> $d
     * @param list<float> $b
     * @param list<float> $inverse
     * @param list<float> $u
     * @return array{list<float>, float}
     */
    private static function gaussSeidel(int $first, int $end, int $sa, int $sb, int $sc, array $e, array $w, array $n, array $s, array $t, array $d, array $b, array $inverse, array $u): array
    {
        $residual = 0.0;
        for ($c = $first; $c < $end; $c++) {
            $old = $u[$c];
            $new = ($b[$c] + $e[$c] * $u[$c + $sa] + $w[$c] * $u[$c - $sa] + $n[$c] * $u[$c + $sb] + $s[$c] * $u[$c - $sb] + $t[$c] * $u[$c + $sc] + $d[$c] * $u[$c - $sc]) * $inverse[$c];
            $u[$c] = $new;
            $change = $new - $old;
            $residual += ($change < 0.0 ? -$change : $change) / $inverse[$c];
        }
        for ($c = $end - 1; $c >= $first; $c--) {
            $u[$c] = ($b[$c] + $e[$c] * $u[$c + $sa] + $w[$c] * $u[$c - $sa] + $n[$c] * $u[$c + $sb] + $s[$c] * $u[$c - $sb] + $t[$c] * $u[$c + $sc] + $d[$c] * $u[$c - $sc]) * $inverse[$c];
        }

        return [$u, $residual];
    }

    /**
     * @param array{int, int, int} $size
     * @param list<float> $wa
     * @param list<float> $wb
     * @param list<float> $wc
     * @param list<int> $face
     * @param list<int> $fluid
     * @param list<float> $drag
     * @param list<float> $mu
     * @param list<float> $muWall
     * @param list<float> $fa
     * @param list<float> $fb
     * @param list<float> $fc
     * @param list<float> $u
     * @param list<float> $p
     * @param list<float> $force
     * @param list<float> $loss
     * @param list<float> $correction
     * @param list<float> $zeros
     * @return array{list<float>, list<float>, list<float>, list<float>, list<float>, list<float>, list<float>, list<float>, list<float>}
     */
    private static function assemble(
        array $size, int $pad, int $axis, int $sa, int $sb, int $sc, array $wa, array $wb, array $wc, array $face, array $fluid, array $drag,
        array $mu, array $muWall, array $fa, array $fb, array $fc, array $u, array $p, array $force, array $loss, array $correction,
        float $density, float $relaxation, float $inertia, array $zeros,
    ): array {
        [$mx, $my, $mz] = $size;
        $aE = $aW = $aN = $aS = $aT = $aD = $mobility = $zeros;
        $b = $u;
        $inverse = array_fill(0, count($u), 1.0);
        $c = $pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    if ($face[$c] === 0) {
                        continue;
                    }
                    $ia = $axis === 0 ? $i : ($axis === 1 ? $j : $k);
                    $ib = $axis === 0 ? $j : $i;
                    $ic = $axis === 2 ? $j : $k;
                    $q = $c + $sa;
                    $h1 = 0.5 * $wa[$ia];
                    $h2 = 0.5 * $wa[$ia + 1];
                    $breadth = $wb[$ib];
                    $height = $wc[$ic];
                    $area = $breadth * $height;
                    $wall = 0.0;

                    // Along the component; a face in an opening carries its own velocity in or out.
                    $e = $w = 0.0;
                    if ($fluid[$q] === 1) {
                        $f = 0.5 * ($fa[$c] + $fa[$q]);
                        $e = $mu[$q] * $area / $wa[$ia + 1] + ($f < 0.0 ? -$f : 0.0);
                    }
                    if ($fluid[$c] === 1) {
                        $f = 0.5 * ($fa[$c - $sa] + $fa[$c]);
                        $w = $mu[$c] * $area / $wa[$ia] + ($f > 0.0 ? $f : 0.0);
                    }

                    // Across: each half of the face's volume has a fluid neighbour or a wall.
                    $twice = 2.0 / $breadth;
                    $apart = 2.0 / ($breadth + $wb[$ib + 1]);
                    $m1 = $c + $sb;
                    $m2 = $q + $sb;
                    $link = ($fluid[$m1] === 1 ? 0.5 * ($mu[$c] + $mu[$m1]) * $h1 : 0.0) + ($fluid[$m2] === 1 ? 0.5 * ($mu[$q] + $mu[$m2]) * $h2 : 0.0);
                    $rub = (($fluid[$m1] === 1 ? 0.0 : $drag[$m1] * $muWall[$c] * $h1) + ($fluid[$m2] === 1 ? 0.0 : $drag[$m2] * $muWall[$q] * $h2)) * $twice * $height;
                    $f = 0.5 * ($fb[$c] + $fb[$q]);
                    $n = $link * $apart * $height + $rub + ($f < 0.0 ? -$f : 0.0);
                    $wall += $rub;

                    $apart = 2.0 / ($breadth + $wb[$ib - 1]);
                    $m1 = $c - $sb;
                    $m2 = $q - $sb;
                    $link = ($fluid[$m1] === 1 ? 0.5 * ($mu[$c] + $mu[$m1]) * $h1 : 0.0) + ($fluid[$m2] === 1 ? 0.5 * ($mu[$q] + $mu[$m2]) * $h2 : 0.0);
                    $rub = (($fluid[$m1] === 1 ? 0.0 : $drag[$m1] * $muWall[$c] * $h1) + ($fluid[$m2] === 1 ? 0.0 : $drag[$m2] * $muWall[$q] * $h2)) * $twice * $height;
                    $f = 0.5 * ($fb[$m1] + $fb[$m2]);
                    $s = $link * $apart * $height + $rub + ($f > 0.0 ? $f : 0.0);
                    $wall += $rub;

                    $twice = 2.0 / $height;
                    $apart = 2.0 / ($height + $wc[$ic + 1]);
                    $m1 = $c + $sc;
                    $m2 = $q + $sc;
                    $link = ($fluid[$m1] === 1 ? 0.5 * ($mu[$c] + $mu[$m1]) * $h1 : 0.0) + ($fluid[$m2] === 1 ? 0.5 * ($mu[$q] + $mu[$m2]) * $h2 : 0.0);
                    $rub = (($fluid[$m1] === 1 ? 0.0 : $drag[$m1] * $muWall[$c] * $h1) + ($fluid[$m2] === 1 ? 0.0 : $drag[$m2] * $muWall[$q] * $h2)) * $twice * $breadth;
                    $f = 0.5 * ($fc[$c] + $fc[$q]);
                    $t = $link * $apart * $breadth + $rub + ($f < 0.0 ? -$f : 0.0);
                    $wall += $rub;

                    $apart = 2.0 / ($height + $wc[$ic - 1]);
                    $m1 = $c - $sc;
                    $m2 = $q - $sc;
                    $link = ($fluid[$m1] === 1 ? 0.5 * ($mu[$c] + $mu[$m1]) * $h1 : 0.0) + ($fluid[$m2] === 1 ? 0.5 * ($mu[$q] + $mu[$m2]) * $h2 : 0.0);
                    $rub = (($fluid[$m1] === 1 ? 0.0 : $drag[$m1] * $muWall[$c] * $h1) + ($fluid[$m2] === 1 ? 0.0 : $drag[$m2] * $muWall[$q] * $h2)) * $twice * $breadth;
                    $f = 0.5 * ($fc[$m1] + $fc[$m2]);
                    $d = $link * $apart * $breadth + $rub + ($f > 0.0 ? $f : 0.0);
                    $wall += $rub;

                    // Quadratic losses in Newton's form; what enters through an opening has lost its dynamic pressure.
                    $speed = $u[$c] < 0.0 ? -$u[$c] : $u[$c];
                    $lost = 2.0 * $loss[$c] * $speed;
                    if ($face[$c] === 2 && ($fluid[$c] === 1) === ($u[$c] < 0.0)) {
                        $lost += $density * $area * $speed;
                    }
                    $sum = $e + $w + $n + $s + $t + $d;
                    $diagonal = ($sum + $lost) / $relaxation + $inertia * $area;
                    if ($diagonal <= 0.0) {
                        $diagonal = 1e-30;
                    }
                    $aE[$c] = $e;
                    $aW[$c] = $w;
                    $aN[$c] = $n;
                    $aS[$c] = $s;
                    $aT[$c] = $t;
                    $aD[$c] = $d;
                    $inverse[$c] = 1.0 / $diagonal;
                    $b[$c] = ($p[$c] - $p[$q]) * $area + $force[$c] + $correction[$c] + 0.5 * $lost * $u[$c] + ($diagonal - $sum - $lost) * $u[$c];
                    $mobility[$c] = $area / ($diagonal - $sum + $wall);
                }
            }
        }

        return [$aE, $aW, $aN, $aS, $aT, $aD, $b, $inverse, $mobility];
    }

    /**
     * What limited linear interpolation adds to upwind values, as a force on each face. Between the upstream node U and the
     * downstream node D: u_U + psi(r) lambda (u_D - u_U), lambda the share of the distance, psi = max(0, min(2 r, 1)) with
     * r = (u_U - u_UU)/(u_D - u_U): linear where the profile is smooth, upwind at extremes (Sweby, SIAM J. Numer. Anal. 21 (1984) 995).
     *
     * @param array{int, int, int} $size
     * @param list<float> $wb
     * @param list<float> $wc
     * @param list<int> $face
     * @param list<float> $fa
     * @param list<float> $fb
     * @param list<float> $fc
     * @param list<float> $u
     * @return list<float>
     */
    private static function deferred(array $size, int $pad, int $axis, int $sa, int $sb, int $sc, array $wb, array $wc, array $face, array $fa, array $fb, array $fc, array $u): array
    {
        [$mx, $my, $mz] = $size;
        $force = array_fill(0, count($u), 0.0);
        $c = $pad;
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
                            $share = $wb[$ib] / ($wb[$ib] + $wb[$ib + 1]);
                        } else {
                            $step = $here - $u[$m];
                            $back = $u[$m] - $u[$m + $sb];
                            $share = $wb[$ib + 1] / ($wb[$ib] + $wb[$ib + 1]);
                        }
                        if ($step * $back > 0.0) {
                            $limit = 2.0 * $back / $step;
                            $extra = $share * $f * ($limit < 1.0 ? $limit : 1.0) * $step;
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
                            $share = $wc[$ic] / ($wc[$ic] + $wc[$ic + 1]);
                        } else {
                            $step = $here - $u[$m];
                            $back = $u[$m] - $u[$m + $sc];
                            $share = $wc[$ic + 1] / ($wc[$ic] + $wc[$ic + 1]);
                        }
                        if ($step * $back > 0.0) {
                            $limit = 2.0 * $back / $step;
                            $extra = $share * $f * ($limit < 1.0 ? $limit : 1.0) * $step;
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
