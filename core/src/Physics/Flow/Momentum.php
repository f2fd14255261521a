<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;

use Foehn\Model\Fluid;

/**
 * The momentum equation of one velocity component on the staggered grid, linearised about a state: implicit upwind convection,
 * viscous links, drag (Patankar, Numerical Heat Transfer and Fluid Flow, 1980, eq. 6.3). With p the cell below and p_next the one above a face,
 *
 *     u = (b + sum a_nb u_nb + area (p - p_next)) times inverse.
 */
final class Momentum
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>, array<int, float>, array<int, float>, array<int, float>} weights of the neighbours: up and down along the axis itself, then along the two others */
    private array $weight;

    /** @var array<int, float> */
    private array $b;

    /** @var array<int, float> */
    private array $inverse;

    /** @var array<int, float> velocity change per pressure difference, m/s/Pa */
    public array $mobility;

    /** @var array{int, int, int} steps to the next face along the axis, and along the two others */
    private readonly array $strides;

    /**
     * @param 0|1|2 $axis
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux mass flow through the faces, kg/s
     * @param float $relaxation implicit, 1 for none
     * @param float $inertia kg/m2/s that holds every velocity back, as a time step would
     * @param bool $consistent whether the mobility counts that neighbours move along (SIMPLEC) or not (SIMPLE)
     * @throws Diverged
     */
    public function __construct(private readonly FlowLevel $level, private readonly int $axis, array $flux, float $relaxation, float $inertia, bool $consistent)
    {
        [$b, $c] = Axes::across($axis);
        $stride = $level->layout->stride;
        $this->strides = [$stride[$axis], $stride[$b], $stride[$c]];
        $this->assemble([$flux[$axis], $flux[$b], $flux[$c]], $relaxation, $inertia, $consistent ? 1.0 : 0.0);
    }

    /** A Gauss-Seidel sweep over the component of the level, forward or backward. */
    public function sweep(float $damping, bool $forward): void
    {
        $layout = $this->level->layout;
        [$sa, $sb, $sc] = $this->strides;
        [$e, $w, $n, $s, $t, $d] = $this->weight;
        [$b, $inverse, $area, $p] = [$this->b, $this->inverse, $this->level->area[$this->axis], $this->level->pressure];
        $u = $this->level->velocity[$this->axis];
        // The level lets go of it, so that it is written in place.
        $this->level->velocity[$this->axis] = [];
        $first = $layout->pad;
        $last = $layout->length - $layout->pad - 1;
        $direction = $forward ? 1 : -1;
        for ($c = $forward ? $first : $last, $count = $last - $first + 1; $count > 0; $count--, $c += $direction) {
            if ($area[$c] > 0.0) {
                $u[$c] += $damping * (($b[$c] + $e[$c] * $u[$c + $sa] + $w[$c] * $u[$c - $sa] + $n[$c] * $u[$c + $sb] + $s[$c] * $u[$c - $sb]
                    + $t[$c] * $u[$c + $sc] + $d[$c] * $u[$c - $sc] + $area[$c] * ($p[$c] - $p[$c + $sa])) * $inverse[$c] - $u[$c]);
            }
        }
        $this->level->velocity[$this->axis] = $u;
    }

    /** @return array<int, float> N on the faces: what is missing in the balance at the present velocities */
    public function residual(): array
    {
        $layout = $this->level->layout;
        [$sa, $sb, $sc] = $this->strides;
        [$e, $w, $n, $s, $t, $d] = $this->weight;
        [$b, $inverse, $area, $p, $u] = [$this->b, $this->inverse, $this->level->area[$this->axis], $this->level->pressure, $this->level->velocity[$this->axis]];
        $r = $layout->zeros();
        for ($c = $layout->pad, $end = $layout->length - $layout->pad; $c < $end; $c++) {
            if ($area[$c] > 0.0) {
                $r[$c] = $b[$c] + $e[$c] * $u[$c + $sa] + $w[$c] * $u[$c - $sa] + $n[$c] * $u[$c + $sb] + $s[$c] * $u[$c - $sb]
                    + $t[$c] * $u[$c + $sc] + $d[$c] * $u[$c - $sc] + $area[$c] * ($p[$c] - $p[$c + $sa]) - $u[$c] / $inverse[$c];
            }
        }

        return $r;
    }

    /**
     * Weights a_nb = link + max(0, flow from there), diagonal sum a_nb + drag + losses over the relaxation, plus the inertia.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s, through the faces across the axis and across the two others
     * @param float $along 1 where the mobility counts that neighbours move along, else 0
     * @throws Diverged
     */
    private function assemble(array $flux, float $relaxation, float $inertia, float $along): void
    {
        [$level, $axis] = [$this->level, $this->axis];
        $layout = $level->layout;
        [$sa, $sb, $sc] = $this->strides;
        [$fa, $fb, $fc] = $flux;
        [$area, $outside, $source, $u, $carrying] = [$level->area[$axis], $level->outside[$axis], $level->source[$axis], $level->velocity[$axis], $level->carrying[$axis]];
        [$links, $drag, $loss] = [$level->friction->along[$axis], $level->friction->drag[$axis], $level->friction->loss[$axis]];
        [$first, $second] = $level->friction->across[$axis];
        $aE = $aW = $aN = $aS = $aT = $aD = $b = $inverse = $mobility = $layout->zeros();
        $all = 0.0;
        for ($c = $layout->pad, $end = $layout->length - $layout->pad; $c < $end; $c++) {
            $open = $area[$c];
            if ($open <= 0.0) {
                continue;
            }
            $q = $c + $sa;
            $here = $fa[$c];
            // A face to the surroundings has no neighbour there; its own velocity is carried in or out.
            $f = $outside[$c] === 1 ? 0.0 : 0.5 * ($here + $fa[$q]);
            $e = $links[$q] + ($f < 0.0 ? -$f : 0.0);
            $f = $outside[$c] === -1 ? 0.0 : 0.5 * ($here + $fa[$c - $sa]);
            $w = $links[$c] + ($f > 0.0 ? $f : 0.0);
            $f = 0.5 * ($fb[$c] + $fb[$q]);
            $n = $first[$c] + ($f < 0.0 ? -$f : 0.0);
            $f = 0.5 * ($fb[$c - $sb] + $fb[$q - $sb]);
            $s = $first[$c - $sb] + ($f > 0.0 ? $f : 0.0);
            $f = 0.5 * ($fc[$c] + $fc[$q]);
            $t = $second[$c] + ($f < 0.0 ? -$f : 0.0);
            $f = 0.5 * ($fc[$c - $sc] + $fc[$q - $sc]);
            $d = $second[$c - $sc] + ($f > 0.0 ? $f : 0.0);

            // Quadratic losses in Newton's form; what enters through an opening has lost its dynamic pressure.
            $speed = $u[$c] < 0.0 ? -$u[$c] : $u[$c];
            $lost = 2.0 * $loss[$c] * $speed;
            if ($outside[$c] * $u[$c] < 0.0) {
                $lost += $carrying[$c] * $speed;
            }
            $sum = $e + $w + $n + $s + $t + $d;
            $held = $sum + $drag[$c] + $lost;
            $diagonal = $held / $relaxation + $inertia * $open + 1e-30;
            $aE[$c] = $e;
            $aW[$c] = $w;
            $aN[$c] = $n;
            $aS[$c] = $s;
            $aT[$c] = $t;
            $aD[$c] = $d;
            $all += $diagonal;
            $inverse[$c] = 1.0 / $diagonal;
            $b[$c] = $source[$c] + (0.5 * $lost + $diagonal - $held) * $u[$c];
            $mobility[$c] = $open / ($diagonal - $along * $sum);
        }
        if (! is_finite($all)) {
            throw new Diverged('the momentum equations have coefficients that are not finite');
        }
        $this->weight = [$aE, $aW, $aN, $aS, $aT, $aD];
        [$this->b, $this->inverse, $this->mobility] = [$b, $inverse, $mobility];
    }
}
