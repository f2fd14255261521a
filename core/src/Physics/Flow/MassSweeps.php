<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Vectors;

/** A rough pressure correction on one level: a few Gauss-Seidel sweeps, then velocities and pressures follow. */
final class MassSweeps
{
    private const SWEEPS = 3;

    /** @var array{list<float>, list<float>, list<float>} kg/s per Pa across the faces */
    private array $coupling;

    /** @var list<float> one over the sum of them around a cell */
    private array $inverse;

    /** @param array{list<float>, list<float>, list<float>} $mobility m/s/Pa */
    public function __construct(private readonly FlowLevel $level, private readonly array $mobility)
    {
        $layout = $level->layout;
        $coupling = [];
        foreach ([0, 1, 2] as $axis) {
            $coupling[] = Vectors::times($mobility[$axis], $level->carrying[$axis]);
        }
        $this->coupling = [$coupling[0], $coupling[1], $coupling[2]];
        $this->inverse = self::inverses($layout->pad, $layout->length - $layout->pad, $layout->stride[1], $layout->stride[2], $coupling[0], $coupling[1], $coupling[2], $level->volume, $layout->zeros());
    }

    public function correct(float $share, bool $forward): void
    {
        $level = $this->level;
        $layout = $level->layout;
        [$first, $end] = [$layout->pad, $layout->length - $layout->pad];
        [$sy, $sz] = [$layout->stride[1], $layout->stride[2]];
        [$net] = $level->imbalance($level->fluxes());
        $p = $layout->zeros();
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            $up = ($sweep % 2 === 0) === $forward;
            $p = self::sweep($up ? $first : $end - 1, $up ? 1 : -1, $end - $first, $sy, $sz, $this->coupling[0], $this->coupling[1], $this->coupling[2], $net, $this->inverse, Vectors::take($p));
        }
        $level->follow($this->mobility, $p, $share);
    }

    /**
     * @param list<float> $x
     * @param list<float> $y
     * @param list<float> $z
     * @param list<float> $volume
     * @param list<float> $inverse
     * @return list<float>
     */
    private static function inverses(int $first, int $end, int $sy, int $sz, array $x, array $y, array $z, array $volume, array $inverse): array
    {
        for ($c = $first; $c < $end; $c++) {
            if ($volume[$c] > 0.0) {
                $sum = $x[$c] + $x[$c - 1] + $y[$c] + $y[$c - $sy] + $z[$c] + $z[$c - $sz];
                $inverse[$c] = $sum > 0.0 ? 1.0 / $sum : 0.0;
            }
        }

        return $inverse;
    }

    /**
     * @param list<float> $x
     * @param list<float> $y
     * @param list<float> $z
     * @param list<float> $net
     * @param list<float> $inverse
     * @param list<float> $p
     * @return list<float>
     */
    private static function sweep(int $c, int $direction, int $count, int $sy, int $sz, array $x, array $y, array $z, array $net, array $inverse, array $p): array
    {
        for (; $count > 0; $count--, $c += $direction) {
            if ($inverse[$c] > 0.0) {
                $p[$c] = ($net[$c] + $x[$c] * $p[$c + 1] + $x[$c - 1] * $p[$c - 1] + $y[$c] * $p[$c + $sy] + $y[$c - $sy] * $p[$c - $sy]
                    + $z[$c] * $p[$c + $sz] + $z[$c - $sz] * $p[$c - $sz]) * $inverse[$c];
            }
        }

        return $p;
    }
}
