<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Geometry\Axes;

/** What holds velocities together and back: viscous links between neighbouring faces, walls, and losses at screens. */
final class Friction
{
    /**
     * @param array<int, list<float>> $along per axis, of the two faces of each cell, kg/s
     * @param array<int, array{list<float>, list<float>}> $across per axis, of each face with the next one along the two other axes, kg/s
     * @param array<int, list<float>> $drag per axis, of each face with walls, kg/s
     * @param array<int, list<float>> $pull per axis, what moving walls exert, N
     * @param array<int, list<float>> $loss per axis, N per (m/s)^2 against the flow
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
     * @param list<float> $viscosity per cell, Pa s
     * @param list<float> $wallViscosity per cell: wall shear times wall distance over speed, Pa s
     * @param array<int, list<float>> $loss N per (m/s)^2 on faces
     */
    public static function of(FlowDomain $domain, array $viscosity, array $wallViscosity, array $loss): self
    {
        $layout = $domain->layout;
        [$along, $across, $drag, $pull] = [[], [], [], []];
        foreach ([0, 1, 2] as $axis) {
            [$b, $c] = Axes::across($axis);
            [$along[], $first, $second, $drag[], $pull[]] = self::links(
                $layout->size, $layout->pad, $axis, $layout->stride[$axis], $layout->stride[$b], $layout->stride[$c],
                $layout->width[$axis], $layout->width[$b], $layout->width[$c], $domain->face[$axis], $domain->fluid, $domain->drag,
                $viscosity, $wallViscosity, $domain->velocity[$axis], $layout->zeros(),
            );
            $across[] = [$first, $second];
        }

        return new self($along, $across, $drag, $pull, $loss);
    }

    /**
     * Each half of a face's volume has a fluid neighbour across, or a wall half a cell away. Links to faces whose velocity is
     * given count as drag.
     *
     * @param array{int, int, int} $size
     * @param list<float> $wa
     * @param list<float> $wb
     * @param list<float> $wc
     * @param list<int> $face
     * @param list<int> $fluid
     * @param list<float> $rubs
     * @param list<float> $mu
     * @param list<float> $muWall
     * @param list<float> $u given velocities
     * @param list<float> $zeros
     * @return array{list<float>, list<float>, list<float>, list<float>, list<float>}
     */
    private static function links(
        array $size, int $pad, int $axis, int $sa, int $sb, int $sc, array $wa, array $wb, array $wc, array $face, array $fluid, array $rubs,
        array $mu, array $muWall, array $u, array $zeros,
    ): array {
        [$mx, $my, $mz] = $size;
        $along = $first = $second = $drag = $pull = $zeros;
        $c = $pad;
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
                        $wall = (($fluid[$m1] === 1 ? 0.0 : $rubs[$m1] * $muWall[$c] * $h1) + ($fluid[$m2] === 1 ? 0.0 : $rubs[$m2] * $muWall[$q] * $h2)) * 2.0 * $depth / $own;
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
