<?php

declare(strict_types=1);

namespace Foehn\Physics\Radiation;

use Foehn\Numerics\Accuracy;
use Foehn\Numerics\ConjugateGradient;
use Foehn\Numerics\DiagonalScaling;
use Foehn\Numerics\SparseMatrix;

/**
 * Grey diffuse patches that light each other (Siegel & Howell, Thermal Radiation Heat Transfer, 1992, ch. 7). With S = A F the
 * radiosities J obey (A eps / (1 - eps) + sum S) J_i - sum S_ij J_j = A eps / (1 - eps) sigma T_i^4, which is symmetric and positive;
 * a black patch has J = sigma T^4, and one of emissivity 0 gives back all that it takes up.
 */
final readonly class Radiosity
{
    private const RESIDUAL = 1e-12;

    /** Patches this near to black are taken as black. */
    private const BLACK = 1.0 - 1e-9;

    /** @var list<int> patches that are not black */
    private array $free;

    /** @var list<float> A eps / (1 - eps) of these, m2 */
    private array $own;

    private SparseMatrix $matrix;

    /**
     * @param array<int, array<int, float>> $seen m2 by patch and the patch that it sees (see Links)
     * @param array<int, float> $areas m2
     * @param array<int, float> $emissivity
     */
    public function __construct(private array $seen, private array $areas, private array $emissivity)
    {
        $this->free = array_keys(array_filter($emissivity, fn (float $one): bool => $one < self::BLACK));
        $this->own = array_map(fn (int $i): float => $areas[$i] * $emissivity[$i] / (1.0 - $emissivity[$i]), $this->free);
        $numbers = array_flip($this->free);
        [$from, $to, $links, $extra] = [[], [], [], $this->own];
        foreach ($this->free as $n => $i) {
            foreach ($seen[$i] as $j => $link) {
                if (! isset($numbers[$j])) {
                    $extra[$n] += $link;
                } elseif ($i < $j) {
                    [$from[], $to[], $links[]] = [$n, $numbers[$j], $link];
                }
            }
        }
        $this->matrix = SparseMatrix::fromLinks($from, $to, $links, $extra);
    }

    /**
     * Irradiation of every patch, W/m2.
     *
     * @param array<int, float> $emission sigma T^4 of each patch, W/m2
     * @return list<float>
     */
    public function irradiation(array $emission): array
    {
        $radiosity = $this->radiosity($emission);
        $found = [];
        foreach ($this->seen as $i => $row) {
            $sum = 0.0;
            foreach ($row as $j => $link) {
                $sum += $link * $radiosity[$j];
            }
            $found[] = $sum / $this->areas[$i];
        }

        return $found;
    }

    /**
     * What each patch takes up, W.
     *
     * @param array<int, float> $emission sigma T^4 of each patch, W/m2
     * @return array<int, float>
     */
    public function takenUp(array $emission): array
    {
        return array_map(fn (float $area, float $emissivity, float $light): float => $area * $emissivity * $light, $this->areas, $this->emissivity, $this->irradiation($emission));
    }

    /**
     * Net heat that leaves each patch, W.
     *
     * @param array<int, float> $emission sigma T^4 of each patch, W/m2
     * @return array<int, float>
     */
    public function net(array $emission): array
    {
        return array_map(fn (float $area, float $emissivity, float $own, float $taken): float => $area * $emissivity * ($own - $taken), $this->areas, $this->emissivity, $emission, $this->irradiation($emission));
    }

    /**
     * By conjugate gradients with the diagonal as preconditioner; black patches are given.
     *
     * @param array<int, float> $emission
     * @return array<int, float>
     */
    private function radiosity(array $emission): array
    {
        $begin = $right = [];
        foreach ($this->free as $n => $i) {
            $begin[] = $emission[$i];
            $right[$n] = $this->own[$n] * $emission[$i];
            foreach ($this->seen[$i] as $j => $link) {
                $right[$n] += $this->emissivity[$j] < self::BLACK ? 0.0 : $link * $emission[$j];
            }
        }
        $accuracy = new Accuracy(self::RESIDUAL, mostIterations: 10 * count($right) + 10);
        $found = ConjugateGradient::solve($this->matrix, new DiagonalScaling($this->matrix->diagonal), $right, $begin, $accuracy)->x;

        return array_replace($emission, array_combine($this->free, $found));
    }
}
