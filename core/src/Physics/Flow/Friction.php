<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;
use Foehn\Numerics\Vectors;

/** What holds velocities together and back: viscous links between neighbouring faces, walls, and losses at screens. */
final class Friction
{
    /**
     * @param array<int, array<int, float>> $along per axis, of the two faces of each cell, kg/s
     * @param array<int, array{array<int, float>, array<int, float>}> $across per axis, of each face with the next one along the two other axes, kg/s
     * @param array<int, array<int, float>> $drag per axis, of each face with walls, kg/s
     * @param array<int, array<int, float>> $pull per axis, what moving walls exert, N
     * @param array<int, array<int, float>> $loss per axis, N per (m/s)^2 against the flow
     */
    public function __construct(
        public readonly array $along,
        public readonly array $across,
        public readonly array $drag,
        public readonly array $pull,
        public readonly array $loss,
    ) {
    }

    /**
     * @param array<int, float> $viscosity per cell, Pa s
     * @param array<int, float> $wallViscosity per cell: wall shear times wall distance over speed, Pa s
     * @param array<int, array<int, float>> $loss N per (m/s)^2 on faces
     */
    public static function of(FlowDomain $domain, array $viscosity, array $wallViscosity, array $loss): self
    {
        [$along, $across, $drag, $pull] = [[], [], [], []];
        foreach ([0, 1, 2] as $axis) {
            [$along[], $first, $second, $drag[], $pull[]] = self::links($domain, $axis, $viscosity, $wallViscosity);
            $across[] = [$first, $second];
        }

        return new self($along, $across, $drag, $pull, $loss);
    }

    /**
     * The same with more that holds each velocity back.
     *
     * @param array<int, array<int, float>> $drag per axis, kg/s
     */
    public function holding(array $drag): self
    {
        return new self($this->along, $this->across, array_map(fn (array $own, array $more): array => Vectors::plus($own, 1.0, $more), $this->drag, $drag), $this->pull, $this->loss);
    }

    /**
     * Viscous links mu A / d between the velocities of one component (Patankar 1980, sec. 5.4 on the staggered grid). Each half of a
     * face's volume has a fluid neighbour across, or a wall half a cell away. Links to faces whose velocity is given count as drag.
     *
     * @param array<int, float> $mu Pa s
     * @param array<int, float> $muWall Pa s towards walls
     * @return array{array<int, float>, array<int, float>, array<int, float>, array<int, float>, array<int, float>} along the axis, with the next faces along the two others, drag, in kg/s; pull in N
     */
    private static function links(FlowDomain $domain, int $axis, array $mu, array $muWall): array
    {
        $layout = $domain->layout;
        [$b, $c] = Axes::across($axis);
        [$sa, $sb, $sc] = [$layout->stride[$axis], $layout->stride[$b], $layout->stride[$c]];
        [$wa, $wb, $wc] = [$layout->width[$axis], $layout->width[$b], $layout->width[$c]];
        [$face, $fluid, $noSlip, $u] = [$domain->face[$axis], $domain->fluid, $domain->noSlip, $domain->velocity[$axis]];
        [$mx, $my, $mz] = $layout->size;
        $along = $first = $second = $drag = $pull = $layout->zeros();
        $c = $layout->pad;
        for ($k = 0; $k < $mz; $k++) {
            for ($j = 0; $j < $my; $j++) {
                for ($i = 0; $i < $mx; $i++, $c++) {
                    $ia = $axis === 0 ? $i : ($axis === 1 ? $j : $k);
                    $ib = $axis === 0 ? $j : $i;
                    $ic = $axis === 2 ? $j : $k;
                    $breadth = $wb[$ib];
                    $height = $wc[$ic];
                    if ($fluid[$c] === 1) {
                        $link = $mu[$c] * $breadth * $height / $wa[$ia];
                        $along[$c] = $link;
                        // An inlet's velocity is given; the face next to it feels it.
                        if ($face[$c] === 0 && $face[$c - $sa] !== 0) {
                            $along[$c] = 0.0;
                            $drag[$c - $sa] += $link;
                            $pull[$c - $sa] += $link * $u[$c];
                        } elseif ($face[$c] !== 0 && $face[$c - $sa] === 0) {
                            $along[$c] = 0.0;
                            $drag[$c] += $link;
                            $pull[$c] += $link * $u[$c - $sa];
                        }
                    }
                    if ($face[$c] === 0) {
                        continue;
                    }
                    $q = $c + $sa;
                    $h1 = 0.5 * $wa[$ia];
                    $h2 = 0.5 * $wa[$ia + 1];
                    for ($side = 0; $side < 4; $side++) {
                        $step = $side === 0 ? $sb : ($side === 1 ? -$sb : ($side === 2 ? $sc : -$sc));
                        $own = $side < 2 ? $breadth : $height;
                        $other = $side === 0 ? $wb[$ib + 1] : ($side === 1 ? $wb[$ib - 1] : ($side === 2 ? $wc[$ic + 1] : $wc[$ic - 1]));
                        $depth = $side < 2 ? $height : $breadth;
                        $m1 = $c + $step;
                        $m2 = $q + $step;
                        $link = (($fluid[$m1] === 1 ? 0.5 * ($mu[$c] + $mu[$m1]) * $h1 : 0.0) + ($fluid[$m2] === 1 ? 0.5 * ($mu[$q] + $mu[$m2]) * $h2 : 0.0)) * 2.0 * $depth / ($own + $other);
                        $wall = (($fluid[$m1] === 1 ? 0.0 : $noSlip[$m1] * $muWall[$c] * $h1) + ($fluid[$m2] === 1 ? 0.0 : $noSlip[$m2] * $muWall[$q] * $h2)) * 2.0 * $depth / $own;
                        if ($face[$m1] === 0) {
                            $wall += $link;
                        } elseif ($side === 0) {
                            $first[$c] = $link;
                        } elseif ($side === 2) {
                            $second[$c] = $link;
                        }
                        $drag[$c] += $wall;
                        $pull[$c] += $wall * $u[$m1];
                    }
                }
            }
        }

        return [$along, $first, $second, $drag, $pull];
    }
}
