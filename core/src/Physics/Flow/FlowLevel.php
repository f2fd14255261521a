<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Vectors;

/**
 * The momentum and mass equations on one grid, without regard to how it came about: what is open between neighbouring cells,
 * what rubs, what drives. On the finest grid this is the model's geometry; on coarser ones sums over it, where a face may be
 * open in part. Velocities are means over the open part of a face. Arrays are in the layout of the flow.
 */
final class FlowLevel
{
    /** @var array{array<int, float>, array<int, float>, array<int, float>} m/s on the upper faces of the cells */
    public array $velocity;

    /** @var array<int, float> Pa */
    public array $pressure;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} forces on the faces, N */
    public array $source;

    public Friction $friction;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} mass flow per speed through the open part of the faces, kg/m */
    public array $carrying;

    /**
     * @param float $density of the fluid at rest, kg/m3
     * @param array{array<int, float>, array<int, float>, array<int, float>} $area open for flow that is computed, m2
     * @param array{array<int, float>, array<int, float>, array<int, float>} $given mass flow through the rest of each face, kg/s
     * @param array{array<int, int>, array<int, int>, array<int, int>} $outside +1 or -1 where the upper or lower neighbour of a face is the surroundings
     * @param array<int, float> $volume of fluid in the cells, m3
     */
    public function __construct(
        public readonly FlowLayout $layout,
        public readonly float $density,
        public readonly array $area,
        public array $given,
        public readonly array $outside,
        public readonly array $volume,
    ) {
        $zeros = $layout->zeros();
        $this->velocity = $this->source = [$zeros, $zeros, $zeros];
        $this->pressure = $zeros;
        $carrying = array_map(fn (array $open) => Vectors::scaled($density, $open), $area);
        $this->carrying = [$carrying[0], $carrying[1], $carrying[2]];
    }

    /** The finest level, at the velocities the domain gives. */
    public static function finest(FlowDomain $domain, float $density): self
    {
        $layout = $domain->layout;
        $area = $given = $outside = [];
        foreach ([0, 1, 2] as $axis) {
            $faces = $layout->faceAreas($axis);
            $open = $through = $layout->zeros();
            $out = array_fill(0, $layout->length, 0);
            foreach ($domain->face[$axis] as $c => $kind) {
                if ($kind === FlowDomain::GIVEN) {
                    $through[$c] = $density * $faces[$c] * $domain->velocity[$axis][$c];
                } else {
                    $open[$c] = $faces[$c];
                    $out[$c] = $kind === FlowDomain::INNER ? 0 : ($domain->fluid[$c] === 1 ? 1 : -1);
                }
            }
            $area[] = $open;
            $given[] = $through;
            $outside[] = $out;
        }
        $volume = $layout->volumes();
        foreach ($domain->fluid as $c => $fluid) {
            $volume[$c] *= $fluid;
        }
        $level = new self($layout, $density, [$area[0], $area[1], $area[2]], [$given[0], $given[1], $given[2]], [$outside[0], $outside[1], $outside[2]], $volume);
        $level->velocity = $domain->velocity;
        $level->pressure = $domain->pressure;

        return $level;
    }

    /** @return array{array<int, float>, array<int, float>, array<int, float>} mass flow through the faces, kg/s */
    public function fluxes(): array
    {
        $flux = [];
        foreach ([0, 1, 2] as $axis) {
            $flux[] = self::massFlow($this->carrying[$axis], $this->velocity[$axis], $this->given[$axis]);
        }

        return [$flux[0], $flux[1], $flux[2]];
    }

    /**
     * @param array{array<int, float>, array<int, float>, array<int, float>} $flux kg/s through the faces
     * @return array{array<int, float>, float} mass flow into each cell, kg/s, and the sum of its amounts
     */
    public function imbalance(array $flux): array
    {
        [, $sy, $sz] = $this->layout->stride;
        [[$x, $y, $z], $volume, $net] = [$flux, $this->volume, $this->layout->zeros()];
        $sum = 0.0;
        for ($c = $this->layout->pad, $end = $this->layout->length - $this->layout->pad; $c < $end; $c++) {
            if ($volume[$c] > 0.0) {
                $in = $x[$c - 1] - $x[$c] + $y[$c - $sy] - $y[$c] + $z[$c - $sz] - $z[$c];
                $net[$c] = $in;
                $sum += $in < 0.0 ? -$in : $in;
            }
        }

        return [$net, $sum];
    }

    /**
     * Velocities follow a pressure correction; the pressure takes a fraction of it.
     *
     * @param array{array<int, float>, array<int, float>, array<int, float>} $mobility m/s/Pa
     * @param array<int, float> $p Pa
     */
    public function follow(array $mobility, array $p, float $fraction): void
    {
        $layout = $this->layout;
        foreach ([0, 1, 2] as $axis) {
            $u = $this->velocity[$axis];
            $this->velocity[$axis] = [];
            $this->velocity[$axis] = self::corrected($layout->pad, $layout->length - $layout->pad, $layout->stride[$axis], $mobility[$axis], $p, Vectors::take($u));
        }
        $pressure = $this->pressure;
        $this->pressure = [];
        $this->pressure = Vectors::plus(Vectors::take($pressure), $fraction, $p);
    }

    /**
     * @param array<int, float> $mobility
     * @param array<int, float> $p
     * @param array<int, float> $u
     * @return array<int, float>
     */
    private static function corrected(int $first, int $end, int $s, array $mobility, array $p, array $u): array
    {
        for ($c = $first; $c < $end; $c++) {
            $u[$c] += $mobility[$c] * ($p[$c] - $p[$c + $s]);
        }

        return $u;
    }

    /**
     * @param array<int, float> $carrying
     * @param array<int, float> $u
     * @param array<int, float> $flux
     * @return array<int, float>
     */
    private static function massFlow(array $carrying, array $u, array $flux): array
    {
        for ($c = 0, $n = count($u); $c < $n; $c++) {
            $flux[$c] += $carrying[$c] * $u[$c];
        }

        return $flux;
    }
}
