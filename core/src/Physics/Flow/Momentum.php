<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;
use Foehn\Numerics\Vectors;

/**
 * The momentum equation of one velocity component on the staggered grid, linearised about a state: implicit upwind convection,
 * viscous links, drag. The value of a face is (b + sum a_nb u_nb + area (p - p_next)) times inverse.
 */
final class Momentum
{
    /** @var array{list<float>, list<float>, list<float>, list<float>, list<float>, list<float>} weights of the neighbours: up and down along the axis itself, then along the two others */
    private array $weight;

    /** @var list<float> */
    private array $b;

    /** @var list<float> */
    private array $inverse;

    /** @var list<float> velocity change per pressure difference, m/s/Pa */
    public array $mobility;

    /**
     * @param array{list<float>, list<float>, list<float>} $flux mass flow through the faces, kg/s
     * @param float $relaxation implicit, 1 for none
     * @param float $inertia kg/m2/s that holds every velocity back, as a time step would
     * @param bool $consistent whether the mobility counts that neighbours move along (SIMPLEC) or not (SIMPLE)
     */
    public function __construct(private readonly FlowLevel $level, private readonly int $axis, array $flux, float $relaxation, float $inertia, bool $consistent)
    {
        $layout = $level->layout;
        $friction = $level->friction;
        [$b, $c] = Axes::across($axis);
        [$e, $w, $n, $s, $t, $d, $this->b, $this->inverse, $this->mobility] = self::assemble(
            $layout->pad, $layout->length - $layout->pad, $layout->stride[$axis], $layout->stride[$b], $layout->stride[$c],
            $level->area[$axis], $level->outside[$axis], $friction->along[$axis], $friction->across[$axis][0], $friction->across[$axis][1],
            $friction->drag[$axis], $friction->loss[$axis], $level->source[$axis], $flux[$axis], $flux[$b], $flux[$c], $level->velocity[$axis],
            $level->carrying[$axis], $relaxation, $inertia, $consistent ? 1.0 : 0.0, $layout->zeros(),
        );
        $this->weight = [$e, $w, $n, $s, $t, $d];
    }

    /** A Gauss-Seidel sweep over the component of the level, forward or backward. */
    public function sweep(float $damping, bool $forward): void
    {
        $layout = $this->level->layout;
        [$b, $c] = Axes::across($this->axis);
        $u = $this->level->velocity[$this->axis];
        $this->level->velocity[$this->axis] = [];
        $first = $layout->pad;
        $last = $layout->length - $layout->pad - 1;
        $this->level->velocity[$this->axis] = self::gaussSeidel(
            $forward ? $first : $last, $forward ? 1 : -1, $last - $first + 1, $layout->stride[$this->axis], $layout->stride[$b], $layout->stride[$c], ...$this->weight,
            b: $this->b, inverse: $this->inverse, area: $this->level->area[$this->axis], p: $this->level->pressure, damping: $damping, u: Vectors::take($u),
        );
    }

    /** @return list<float> N on the faces */
    public function residual(): array
    {
        $layout = $this->level->layout;
        [$b, $c] = Axes::across($this->axis);

        return self::residuals(
            $layout->pad, $layout->length - $layout->pad, $layout->stride[$this->axis], $layout->stride[$b], $layout->stride[$c], ...$this->weight,
            b: $this->b, inverse: $this->inverse, area: $this->level->area[$this->axis], p: $this->level->pressure, u: $this->level->velocity[$this->axis], r: $layout->zeros(),
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
     * @param list<float> $area
     * @param list<float> $p
     * @param list<float> $u
     * @return list<float>
     */
    private static function gaussSeidel(
        int $c, int $direction, int $count, int $sa, int $sb, int $sc, array $e, array $w, array $n, array $s, array $t, array $d,
        array $b, array $inverse, array $area, array $p, float $damping, array $u,
    ): array {
        for (; $count > 0; $count--, $c += $direction) {
            if ($area[$c] > 0.0) {
                $u[$c] += $damping * (($b[$c] + $e[$c] * $u[$c + $sa] + $w[$c] * $u[$c - $sa] + $n[$c] * $u[$c + $sb] + $s[$c] * $u[$c - $sb]
                    + $t[$c] * $u[$c + $sc] + $d[$c] * $u[$c - $sc] + $area[$c] * ($p[$c] - $p[$c + $sa])) * $inverse[$c] - $u[$c]);
            }
        }

        return $u;
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
     * @param list<float> $area
     * @param list<float> $p
     * @param list<float> $u
     * @param list<float> $r
     * @return list<float>
     */
    private static function residuals(
        int $first, int $end, int $sa, int $sb, int $sc, array $e, array $w, array $n, array $s, array $t, array $d,
        array $b, array $inverse, array $area, array $p, array $u, array $r,
    ): array {
        for ($c = $first; $c < $end; $c++) {
            if ($area[$c] > 0.0) {
                $r[$c] = $b[$c] + $e[$c] * $u[$c + $sa] + $w[$c] * $u[$c - $sa] + $n[$c] * $u[$c + $sb] + $s[$c] * $u[$c - $sb]
                    + $t[$c] * $u[$c + $sc] + $d[$c] * $u[$c - $sc] + $area[$c] * ($p[$c] - $p[$c + $sa]) - $u[$c] / $inverse[$c];
            }
        }

        return $r;
    }

    /**
     * @param list<float> $area
     * @param list<int> $outside
     * @param list<float> $along
     * @param list<float> $first
     * @param list<float> $second
     * @param list<float> $drag
     * @param list<float> $loss
     * @param list<float> $source
     * @param list<float> $fa
     * @param list<float> $fb
     * @param list<float> $fc
     * @param list<float> $u
     * @param list<float> $carrying
     * @param list<float> $zeros
     * @return array{list<float>, list<float>, list<float>, list<float>, list<float>, list<float>, list<float>, list<float>, list<float>}
     */
    private static function assemble(
        int $begin, int $end, int $sa, int $sb, int $sc, array $area, array $outside, array $along, array $first, array $second,
        array $drag, array $loss, array $source, array $fa, array $fb, array $fc, array $u, array $carrying, float $relaxation, float $inertia, float $consistent, array $zeros,
    ): array {
        $aE = $aW = $aN = $aS = $aT = $aD = $b = $inverse = $mobility = $zeros;
        $all = 0.0;
        for ($c = $begin; $c < $end; $c++) {
            $open = $area[$c];
            if ($open <= 0.0) {
                continue;
            }
            $q = $c + $sa;
            $here = $fa[$c];
            // A face to the surroundings has no neighbour there; its own velocity is carried in or out.
            $f = $outside[$c] === 1 ? 0.0 : 0.5 * ($here + $fa[$q]);
            $e = $along[$q] + ($f < 0.0 ? -$f : 0.0);
            $f = $outside[$c] === -1 ? 0.0 : 0.5 * ($here + $fa[$c - $sa]);
            $w = $along[$c] + ($f > 0.0 ? $f : 0.0);
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
            $mobility[$c] = $open / ($diagonal - $consistent * $sum);
        }
        if (! is_finite($all)) {
            throw new Diverged('the momentum equations have coefficients that are not finite');
        }

        return [$aE, $aW, $aN, $aS, $aT, $aD, $b, $inverse, $mobility];
    }
}
