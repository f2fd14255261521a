<?php

declare(strict_types=1);

namespace Foehn\Physics\Flow;

use Foehn\Numerics\Vectors;

/** A rough pressure correction on one level: a few Gauss-Seidel sweeps, then velocities and pressures follow. */
final class MassSweeps
{
    private const SWEEPS = 3;

    /** @var array{array<int, float>, array<int, float>, array<int, float>} kg/s per Pa across the faces */
    private array $coupling;

    /** @var array<int, float> one over the sum of them around a cell */
    private array $inverse;

    /** @param array{array<int, float>, array<int, float>, array<int, float>} $mobility m/s/Pa */
    public function __construct(private readonly FlowLevel $level, private readonly array $mobility)
    {
        $layout = $level->layout;
        $coupling = [];
        foreach ([0, 1, 2] as $axis) {
            $coupling[] = Vectors::times($mobility[$axis], $level->carrying[$axis]);
        }
        $this->coupling = [$coupling[0], $coupling[1], $coupling[2]];
        $this->inverse = $this->inverses();
    }

    public function correct(float $fraction, bool $forward): void
    {
        $level = $this->level;
        $layout = $level->layout;
        [$net] = $level->imbalance($level->fluxes());
        $p = $layout->zeros();
        for ($sweep = 0; $sweep < self::SWEEPS; $sweep++) {
            $p = $this->sweep(($sweep % 2 === 0) === $forward, $net, Vectors::take($p));
        }
        $level->follow($this->mobility, $p, $fraction);
    }

    /** @return array<int, float> one over the sum of the couplings around a cell; 0 where nothing is open */
    private function inverses(): array
    {
        $layout = $this->level->layout;
        [, $sy, $sz] = $layout->stride;
        [[$x, $y, $z], $volume] = [$this->coupling, $this->level->volume];
        $inverse = $layout->zeros();
        for ($c = $layout->pad, $end = $layout->length - $layout->pad; $c < $end; $c++) {
            if ($volume[$c] > 0.0) {
                $sum = $x[$c] + $x[$c - 1] + $y[$c] + $y[$c - $sy] + $z[$c] + $z[$c - $sz];
                $inverse[$c] = $sum > 0.0 ? 1.0 / $sum : 0.0;
            }
        }

        return $inverse;
    }

    /**
     * Gauss-Seidel for sum g (p - p_nb) = net, in rising or falling order.
     *
     * @param array<int, float> $net kg/s into each cell
     * @param array<int, float> $p Pa
     * @return array<int, float>
     */
    private function sweep(bool $rising, array $net, array $p): array
    {
        $layout = $this->level->layout;
        [, $sy, $sz] = $layout->stride;
        [[$x, $y, $z], $inverse] = [$this->coupling, $this->inverse];
        [$first, $end, $direction] = [$layout->pad, $layout->length - $layout->pad, $rising ? 1 : -1];
        for ($c = $rising ? $first : $end - 1, $count = $end - $first; $count > 0; $count--, $c += $direction) {
            if ($inverse[$c] > 0.0) {
                $p[$c] = ($net[$c] + $x[$c] * $p[$c + 1] + $x[$c - 1] * $p[$c - 1] + $y[$c] * $p[$c + $sy] + $y[$c - $sy] * $p[$c - $sy]
                    + $z[$c] * $p[$c + $sz] + $z[$c - $sz] * $p[$c - $sz]) * $inverse[$c];
            }
        }

        return $p;
    }
}
